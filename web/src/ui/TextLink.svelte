<script lang="ts">
  import type { HTMLAnchorAttributes } from 'svelte/elements';

  /** Words that lead somewhere else; the page's main one is filled. */
  let {
    kind = 'plain',
    dense = false,
    class: extra,
    children,
    ...rest
  }: HTMLAnchorAttributes & {
    kind?: 'main' | 'strong' | 'plain';
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();
</script>

<a
  class={[
    'inline-flex min-h-11 items-center',
    kind === 'main' ? 'btn btn-primary h-auto px-5' : 'link underline-offset-4',
    dense && 'sm:min-h-7',
    kind === 'strong' && 'font-semibold decoration-2',
    extra,
  ]}
  {...rest}>{@render children?.()}</a
>
