<script lang="ts">
  import type { HTMLAnchorAttributes } from 'svelte/elements';

  /** Words that lead somewhere else. */
  let {
    kind = 'plain',
    dense = false,
    class: extra,
    children,
    ...rest
  }: HTMLAnchorAttributes & {
    kind?: 'plain' | 'strong';
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();
</script>

<a
  class={[
    'link inline-flex min-h-11 items-center underline-offset-4',
    dense && 'sm:min-h-7',
    kind === 'strong' && 'font-semibold decoration-2',
    extra,
  ]}
  {...rest}>{@render children?.()}</a
>
