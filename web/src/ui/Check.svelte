<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** A box to tick, or one of several to choose, with the words beside it. */
  let {
    checked = $bindable(false),
    type = 'checkbox',
    dense = false,
    class: extra,
    children,
    ...rest
  }: HTMLInputAttributes & {
    type?: 'checkbox' | 'radio';
    /** Whether it is no taller than a line of text where there is a mouse. */
    dense?: boolean;
  } = $props();
</script>

<label class={['flex min-h-11 items-center gap-2', dense && 'sm:min-h-8', extra]}>
  {#if type === 'radio'}
    <input type="radio" class="size-5 shrink-0 sm:size-4" {checked} {...rest} />
  {:else}
    <input type="checkbox" class="size-5 shrink-0 sm:size-4" bind:checked {...rest} />
  {/if}
  <span>{@render children?.()}</span>
</label>
