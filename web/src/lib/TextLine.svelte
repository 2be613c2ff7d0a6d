<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** One line of text under its label, written on a rule. */
  let {
    label,
    value = $bindable(''),
    ...rest
  }: { label: string; value: string } & HTMLInputAttributes = $props();
</script>

<label class="flex flex-col"
  ><span class="text-neutral">{label}</span><input
    class="border-base-content/50 h-11 w-56 border-b bg-transparent"
    required
    bind:value
    {...rest}
  /></label
>
