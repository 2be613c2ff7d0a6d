<script lang="ts">
  import type { HTMLButtonAttributes } from 'svelte/elements';

  /** One of a few answers, pressed to choose it. */
  let {
    pressed,
    class: extra,
    children,
    ...rest
  }: HTMLButtonAttributes & { pressed: boolean } = $props();
</script>

<button
  type="button"
  aria-pressed={pressed}
  class={[
    'min-h-11 rounded-field border px-4 py-2 text-left',
    pressed
      ? 'bg-base-content text-base-100 border-base-content font-semibold'
      : 'border-base-content/50',
    extra,
  ]}
  {...rest}>{@render children?.()}</button
>
