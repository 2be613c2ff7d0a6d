<script lang="ts">
  import { dismiss, toast } from './toast.svelte';
</script>

<div aria-live="polite">
  {#if toast.now}
    <div
      data-testid="toast"
      class="border-base-content bg-base-100 fixed bottom-4 left-1/2 z-20 flex w-max max-w-[92vw] -translate-x-1/2 items-center gap-4 rounded-box border px-4 py-2 text-sm"
    >
      <span class:text-error={toast.now.kind === 'problem'}>{toast.now.text}</span>
      {#if toast.now.action}
        {@const action = toast.now.action}
        <button
          class="min-h-11 px-2 font-semibold underline sm:min-h-8"
          onclick={() => {
            // taken before the notice goes, and with it what is on it
            const run = action.run;
            dismiss();
            run();
          }}>{action.label}</button
        >
      {/if}
      <button class="min-h-11 px-2 sm:min-h-8" aria-label="Close the notice" onclick={dismiss}
        >×</button
      >
    </div>
  {/if}
</div>
