<script lang="ts">
  import type { HTMLSelectAttributes } from 'svelte/elements';

  /** One of a few, chosen from a list. */
  let {
    value = $bindable(),
    dense = false,
    class: extra,
    children,
    ...rest
  }: HTMLSelectAttributes & {
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();
</script>

<select
  class={[
    'border-base-content/50 max-w-full min-w-0 border-b bg-transparent',
    dense ? 'h-11 sm:h-8' : 'h-11',
    extra,
  ]}
  bind:value
  {...rest}>{@render children?.()}</select
>
