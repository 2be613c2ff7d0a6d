<script lang="ts">
  import type { HTMLButtonAttributes } from 'svelte/elements';

  /** A press that does something: the page's main one is filled, the others are words. */
  let {
    kind = 'plain',
    dense = false,
    class: extra,
    children,
    ...rest
  }: HTMLButtonAttributes & {
    kind?: 'main' | 'strong' | 'plain' | 'danger' | 'bare';
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();

  const LOOKS = {
    main: 'btn btn-primary h-auto px-5',
    strong: 'link font-semibold decoration-2 underline-offset-4',
    plain: 'link underline-offset-4',
    danger: 'link text-error font-semibold underline-offset-4',
    bare: '',
  };
</script>

<button class={['min-h-11', dense && 'sm:min-h-7', LOOKS[kind], extra]} {...rest}
  >{@render children?.()}</button
>
