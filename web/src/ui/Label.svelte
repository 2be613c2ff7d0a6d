<script lang="ts">
  import type { HTMLLabelAttributes } from 'svelte/elements';

  /** Words and the field they name, on one line. */
  let {
    dense = false,
    class: extra,
    children,
    ...rest
  }: HTMLLabelAttributes & {
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();
</script>

<label class={['flex min-h-11 items-center gap-2', dense && 'sm:min-h-8', extra]} {...rest}
  >{@render children?.()}</label
>
