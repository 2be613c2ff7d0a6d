<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from './Button.svelte';

  let {
    title,
    open,
    onclose,
    children,
    printable = false,
  }: {
    title: string;
    open: boolean;
    onclose: () => void;
    children: Snippet;
    printable?: boolean;
  } = $props();

  let dialog: HTMLDialogElement;
  $effect(() => {
    if (open && !dialog.open) dialog.showModal();
    if (!open && dialog.open) dialog.close();
  });
</script>

<dialog
  bind:this={dialog}
  {onclose}
  aria-label={title}
  class="sheet bg-base-100 text-base-content border-base-content my-0 mr-0 ml-auto h-dvh max-h-dvh w-[min(46rem,100vw)] max-w-none overflow-auto border-l text-sm"
  data-testid="sheet"
>
  {#if open}
    <div
      class="border-base-300 bg-base-100 sticky top-0 z-10 flex items-center gap-4 border-b px-5"
    >
      <h2 class="flex-1 py-2 font-serif text-xl">{title}</h2>
      {#if printable}
        <Button class="print:hidden" onclick={() => print()}>Print</Button>
      {/if}
      <Button class="print:hidden" onclick={onclose}>Close</Button>
    </div>
    <div class="px-5 pt-3 pb-10">{@render children()}</div>
  {/if}
</dialog>

<style>
  .sheet::backdrop {
    background: color-mix(in oklab, var(--color-base-content) 25%, transparent);
  }
  @media print {
    .sheet {
      position: static;
      width: 100%;
      height: auto;
      max-height: none;
      border: 0;
      overflow: visible;
    }
  }
</style>
