<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** What is typed or picked, written on a rule. */
  let {
    value = $bindable(),
    dense = false,
    class: extra,
    ...rest
  }: HTMLInputAttributes & {
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();
</script>

<input
  class={[
    'input border-base-content/50 min-h-11 rounded-none border-0 border-b bg-transparent px-1 text-[length:inherit]',
    dense ? 'h-11 sm:h-8 sm:min-h-8' : 'h-11',
    extra,
  ]}
  bind:value
  {...rest}
/>
