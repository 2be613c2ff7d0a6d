<script lang="ts">
  import { dismiss, toast } from '../lib/toast.svelte';
  import Button from './Button.svelte';
</script>

<div aria-live="polite">
  {#if toast.now}
    <div
      data-testid="toast"
      class="border-base-content bg-base-100 fixed bottom-18 left-1/2 z-20 flex w-max sm:bottom-4 max-w-[92vw] -translate-x-1/2 items-center gap-4 rounded-box border px-4 py-2 text-sm"
    >
      <span class:text-error={toast.now.kind === 'problem'}>{toast.now.text}</span>
      {#if toast.now.action}
        {@const action = toast.now.action}
        <Button
          kind="strong"
          dense
          class="px-2"
          onclick={() => {
            // taken before the notice goes, and with it what is on it
            const run = action.run;
            dismiss();
            run();
          }}>{action.label}</Button
        >
      {/if}
      <Button kind="bare" dense class="px-2" aria-label="Close the notice" onclick={dismiss}
        >×</Button
      >
    </div>
  {/if}
</div>
