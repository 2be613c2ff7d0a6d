<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';
  import Input from './Input.svelte';

  /** One line of text under its label, written on a rule. */
  let {
    label,
    value = $bindable(''),
    ...rest
  }: { label: string; value: string } & HTMLInputAttributes = $props();
</script>

<label class="flex flex-col"
  ><span class="text-neutral">{label}</span><Input
    class="w-56"
    required
    bind:value
    {...rest}
  /></label
>
