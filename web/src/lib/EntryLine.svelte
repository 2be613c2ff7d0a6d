<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Problem, type ReadBack } from '../api/client';
  import { Given, untilAnswered } from './connection.svelte';
  import { show } from './toast.svelte';

  let { tank, onrecorded }: { tank: string; onrecorded: () => void } = $props();

  interface Pending {
    id: string;
    text: string;
    at: string;
  }

  const READ_AFTER_MS = 120;
  // svelte-ignore state_referenced_locally
  const store = `umberline-line-${tank}`;
  let text = $state('');
  let readBack = $state<ReadBack | null>(null);
  let refused = $state('');
  let sending = $state(false);
  let input: HTMLInputElement;
  let reading: AbortController | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const path = () => ({ path: { id: tank } });

  onMount(() => {
    // A line that was on its way when the page went is still to be sent, once.
    const kept = localStorage.getItem(store);
    if (kept) {
      const pending = JSON.parse(kept) as Pending;
      text = pending.text;
      void send(pending);
    }
    return () => {
      clearTimeout(timer);
      reading?.abort();
    };
  });

  function changed() {
    refused = '';
    clearTimeout(timer);
    timer = setTimeout(() => void read(), READ_AFTER_MS);
  }

  async function read() {
    reading?.abort();
    if (!text.trim()) {
      readBack = null;
      return;
    }
    reading = new AbortController();
    const { signal } = reading;
    try {
      const answer = await untilAnswered(
        () =>
          api.POST('/api/tanks/{id}/readings', {
            params: path(),
            body: { text, at: new Date().toISOString() },
            signal,
          }),
        signal,
      );
      if (signal.aborted) return;
      readBack = answer.data ?? {
        understood: [],
        remarks: [],
        problems: [answer.error?.detail ?? 'That can’t be read.'],
      };
    } catch (failure) {
      if (!(failure instanceof Given) && !signal.aborted) throw failure;
    }
  }

  function submit(event: SubmitEvent) {
    event.preventDefault();
    if (sending || !text.trim()) return;
    void send({ id: crypto.randomUUID(), text, at: new Date().toISOString() });
  }

  async function send(pending: Pending) {
    sending = true;
    // The line that the server refuses for its size is not worth keeping over a reload.
    if (pending.text.length <= 500) localStorage.setItem(store, JSON.stringify(pending));
    const answer = await untilAnswered(() =>
      api.POST('/api/tanks/{id}/log', { params: path(), body: pending }),
    );
    localStorage.removeItem(store);
    sending = false;
    if (!answer.data) {
      refused = words(answer.error);
      return;
    }
    text = '';
    readBack = null;
    onrecorded();
    show({
      kind: 'done',
      text: `Noted: ${answer.data.understood.join('; ')}.`,
      action: { label: 'Undo', run: () => void withdraw(pending.id) },
    });
  }

  function words(problem: Problem | undefined): string {
    return problem?.detail ?? 'That did not work; nothing was saved.';
  }

  async function withdraw(line: string) {
    const answer = await untilAnswered(() =>
      api.PUT('/api/tanks/{id}/log/{line}/withdrawn', {
        params: { path: { id: tank, line } },
        body: { withdrawn: true },
      }),
    );
    if (!answer.response.ok) {
      show({ kind: 'problem', text: words(answer.error) });
      return;
    }
    onrecorded();
    show({ kind: 'done', text: 'Taken back.' });
  }

  function shortcut(event: KeyboardEvent) {
    const inField =
      event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
    if (event.key === '/' && !inField && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      input.focus();
    }
  }
</script>

<svelte:window onkeydown={shortcut} />

<form class="relative w-full" onsubmit={submit}>
  <label class="sr-only" for="entry-line">What was measured or done</label>
  <div class="border-base-content flex items-center gap-2 border-b">
    <input
      id="entry-line"
      data-testid="entry-line"
      bind:this={input}
      bind:value={text}
      oninput={changed}
      onkeydown={(event) => {
        if (event.key === 'Escape') {
          text = '';
          readBack = null;
          refused = '';
          input.blur();
        }
      }}
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      enterkeyhint="done"
      placeholder="no3 20 · change 25% · cut moss 30g"
      aria-describedby="entry-read-back"
      readonly={sending}
      class="placeholder:text-neutral h-11 w-full bg-transparent px-1 text-base outline-offset-0 sm:h-9 sm:text-sm"
    />
    {#if text.trim()}
      <button
        class="bg-base-content text-base-100 h-9 shrink-0 rounded-field px-3 text-sm sm:h-7"
        disabled={sending}>{sending ? 'kept, sending…' : 'Note it'}</button
      >
    {:else}
      <kbd
        class="border-neutral text-neutral hidden rounded-field border px-1.5 text-xs sm:inline"
        aria-hidden="true">/</kbd
      >
    {/if}
  </div>
  <div id="entry-read-back" aria-live="polite" data-testid="read-back">
    {#if refused || readBack}
      <div
        class="bg-base-100 border-base-content/40 absolute inset-x-0 top-full z-10 border border-t-0 px-2 py-1.5 text-sm"
      >
        {#if refused}
          <p class="text-error">{refused}</p>
        {:else if readBack}
          {#each readBack.understood as sentence (sentence)}<p>{sentence}</p>{/each}
          {#each readBack.remarks as remark (remark)}<p class="text-neutral">{remark}</p>{/each}
          {#each readBack.problems as problem (problem)}<p class="text-error">{problem}</p>{/each}
        {/if}
      </div>
    {/if}
  </div>
</form>
