<script lang="ts">
  import { Latest } from '../../lib/latest';
  import { api, type LogEntry, type ReadBack } from '../../api/client';

  import Sheet from '../../ui/Sheet.svelte';
  import { show } from '../../lib/toast.svelte';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';

  let {
    tank,
    entry,
    onclose,
  }: { tank: string; entry: LogEntry; onclose: (changed: boolean) => void } = $props();

  // svelte-ignore state_referenced_locally
  let text = $state(entry.shorthand);
  let readBack = $state<ReadBack | null>(null);
  let refused = $state('');
  let busy = $state(false);
  const reading = new Latest();
  const id = crypto.randomUUID();

  async function read() {
    refused = '';
    const body = { text, at: new Date().toISOString() };
    const answer = await reading.ask((signal) =>
      api.POST('/api/tanks/{id}/readings', { params: { path: { id: tank } }, body, signal }),
    );
    if (answer) readBack = answer.data ?? null;
  }

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const answer = await api.POST('/api/tanks/{id}/log/entries/{entry}/correction', {
      params: { path: { id: tank, entry: entry.id } },
      body: { id, text, at: new Date().toISOString() },
    });
    busy = false;
    if (!answer.data) {
      refused = answer.error?.detail ?? 'That did not work; nothing was saved.';
      return;
    }
    onclose(true);
    show({
      kind: 'done',
      text: `Corrected: ${answer.data.understood.join('; ')}.`,
      action: { label: 'Undo', run: () => void undo() },
    });
  }

  async function undo() {
    await api.PUT('/api/tanks/{id}/log/{line}/withdrawn', {
      params: { path: { id: tank, line: id } },
      body: { withdrawn: true },
    });
    onclose(true);
  }
</script>

<Sheet title="Correct an entry" open={true} onclose={() => onclose(false)}>
  <form onsubmit={keep} class="max-w-xl" data-testid="correct">
    <p class="text-neutral">Now it says: {entry.words}.</p>
    <label class="mt-3 block"
      >What it should say
      <Input
        class="border-base-content mt-1 w-full"
        bind:value={text}
        oninput={() => void read()}
        maxlength={500}
        autocomplete="off"
        spellcheck="false"
      /></label
    >
    <div class="mt-2 min-h-12 text-sm" aria-live="polite">
      {#if refused}<p class="text-error">{refused}</p>{/if}
      {#each readBack?.understood ?? [] as sentence (sentence)}<p>{sentence}</p>{/each}
      {#each readBack?.problems ?? [] as problem (problem)}<p class="text-error">
          {problem}
        </p>{/each}
    </div>
    <p class="text-neutral text-sm">What it said before stays in the log’s history.</p>
    <Button kind="main" class="mt-3" disabled={busy || text === entry.shorthand}>Correct it</Button>
  </form>
</Sheet>
