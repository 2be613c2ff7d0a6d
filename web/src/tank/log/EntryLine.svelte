<script lang="ts">
  import { may } from '../../lib/tanks.svelte';
  import { onMount } from 'svelte';
  import { api, type Problem, type ReadBack } from '../../api/client';
  import { Latest } from '../../lib/latest';
  import { tanks } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import { leave, note, onSent, sendAll, type Kept, type Sent } from '../../lib/outbox.svelte';
  import Button from '../../ui/Button.svelte';

  let {
    tank,
    onrecorded,
    buttons = false,
  }: {
    tank: string;
    onrecorded: () => void;
    /** Whether the commonest beginnings stand below the line, not only while it is in use. */
    buttons?: boolean;
  } = $props();

  /** How the commonest lines begin, for a hand that is wet. */
  const STARTS = [
    ['nitrate', 'no3 '],
    ['phosphate', 'po4 '],
    ['change', 'change '],
    ['fed', 'fed '],
    ['cut', 'cut '],
    ['cleaned', 'cleaned '],
  ] as const;

  const READ_AFTER_MS = 120;
  const LONGEST = 500;
  /** A line that is not answered in this time is left to the outbox, and the field is free. */
  const FREE_AFTER_MS = 1500;
  /** A line that is entered before it was read back waits so long for a question. */
  const ASKED_WITHIN_MS = 600;
  let text = $state('');
  let readBack = $state<ReadBack | null>(null);
  let refused = $state('');
  let sending = $state(false);
  let focused = $state(false);
  /** The line that stands read back, and the one whose question was left unanswered once. */
  let readText = '';
  let asked = $state('');
  let mine = '';
  let input: HTMLInputElement | undefined = $state();
  const reading = new Latest();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const path = () => ({ path: { id: tank } });

  onMount(() => {
    // A line that was on its way when the page went arrives some time.
    const stop = onSent((item, sent) => {
      if (item.id !== mine) tell(item, sent);
    });
    void sendAll();
    return () => {
      clearTimeout(timer);
      reading.giveUp();
      stop();
    };
  });

  function changed() {
    refused = '';
    clearTimeout(timer);
    timer = setTimeout(() => void read(), READ_AFTER_MS);
  }

  async function read() {
    reading.giveUp();
    if (!text.trim()) {
      readBack = null;
      return;
    }
    const body = { text, at: new Date().toISOString() };
    const answer = await reading.ask((signal) =>
      api.POST('/api/tanks/{id}/readings', { params: path(), body, signal }),
    );
    // a line that was noted meanwhile is not read back any more
    if (!answer || body.text !== text) return;
    readText = body.text;
    readBack = answer.data ?? {
      tank,
      name: '',
      completions: [],
      understood: [],
      remarks: [],
      problems: [answer.error?.detail ?? 'That can’t be read.'],
    };
  }

  function submit(event: SubmitEvent) {
    event.preventDefault();
    if (sending || !text.trim()) return;
    void sendUnlessAsked();
  }

  /** Whoever types fast sees a question before the line is noted; a second time it is. */
  async function sendUnlessAsked() {
    if (text !== readText && text !== asked && navigator.onLine) {
      clearTimeout(timer);
      sending = true;
      const late = new Promise((resolve) => setTimeout(resolve, ASKED_WITHIN_MS));
      await Promise.race([read().catch(() => undefined), late]);
      sending = false;
      if (text === readText && readBack?.remarks.some((remark) => remark.includes('?'))) {
        asked = text;
        return;
      }
    }
    await send();
  }

  async function send() {
    // What the server refuses for its size is not worth keeping over a reload.
    if (text.length > LONGEST) {
      refused = `The line has ${text.length} characters; at most ${LONGEST} are read. Nothing was saved.`;
      return;
    }
    sending = true;
    mine = crypto.randomUUID();
    const item = { id: mine, tank, text, at: new Date().toISOString() };
    const free = setTimeout(() => {
      leave(item.id);
      mine = '';
      sending = false;
      text = '';
      readBack = null;
      show({ kind: 'done', text: 'Kept on this device; it is sent when there is a connection.' });
    }, FREE_AFTER_MS);
    const sent = await note(item);
    clearTimeout(free);
    mine = '';
    sending = false;
    if ('recorded' in sent) {
      text = '';
      readBack = null;
    }
    tell({ ...item, refused: '' }, sent);
  }

  function tell(item: Kept, sent: Sent) {
    if ('refused' in sent) {
      if (item.text === text) refused = sent.refused;
      return;
    }
    const { tank: noted, understood } = sent.recorded;
    onrecorded();
    show({
      kind: 'done',
      text: `Noted${elsewhere(noted)}: ${understood.join('; ')}.`,
      action: { label: 'Undo', run: () => void withdraw(noted, item.id) },
    });
  }

  function words(problem: Problem | undefined): string {
    return problem?.detail ?? 'That did not work; nothing was saved.';
  }

  /** “ in Paddy” for another tank than this page's. */
  function elsewhere(noted: string): string {
    const name = tanks.all.find((one) => one.id === noted)?.name;
    return noted !== tank && name ? ` in ${name}` : '';
  }

  function complete(whole: string) {
    text = whole;
    changed();
    input?.focus();
  }

  async function withdraw(noted: string, line: string) {
    const answer = await api.PUT('/api/tanks/{id}/log/{line}/withdrawn', {
      params: { path: { id: noted, line } },
      body: { withdrawn: true },
    });
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
      input?.focus();
    }
  }
</script>

<svelte:window onkeydown={shortcut} />

{#snippet starts()}
  {#each STARTS as [words, begins] (begins)}
    <button
      type="button"
      class="border-base-content/50 min-h-11 rounded-field border px-4 sm:min-h-9"
      onpointerdown={(event) => event.preventDefault()}
      onclick={() => complete(begins)}>{words}</button
    >
  {/each}
{/snippet}

{#if may(tank, 'HELPER')}
  <form class="relative w-full" onsubmit={submit}>
    <label class="sr-only" for="entry-line">What was measured or done</label>
    <div class="border-base-content flex items-center gap-2 border-b">
      <input
        id="entry-line"
        data-testid="entry-line"
        bind:this={input}
        bind:value={text}
        oninput={changed}
        onfocus={() => (focused = true)}
        onblur={() => (focused = false)}
        onkeydown={(event) => {
          const first = readBack?.completions[0];
          if (event.key === 'Tab' && !event.shiftKey && first && text.trim()) {
            event.preventDefault();
            complete(first);
          } else if (event.key === 'Escape') {
            text = '';
            readBack = null;
            refused = '';
            input?.blur();
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
          disabled={sending}>{sending ? 'sending…' : 'Note it'}</button
        >
      {:else}
        <kbd
          class="border-neutral text-neutral hidden rounded-field border px-1.5 text-xs sm:inline"
          aria-hidden="true">/</kbd
        >
      {/if}
    </div>
    <div id="entry-read-back" aria-live="polite" data-testid="read-back">
      {#if refused || readBack || (focused && !text && !buttons)}
        <div
          class="bg-base-100 border-base-content/40 absolute inset-x-0 top-full z-10 border border-t-0 px-2 py-1.5 text-sm"
        >
          {#if !refused && !readBack}
            <p class="flex flex-wrap gap-2">{@render starts()}</p>
          {/if}
          {#if refused}
            <p class="text-error">{refused}</p>
          {:else if readBack}
            {#if readBack.tank !== tank && readBack.name}
              <p class="font-semibold">In {readBack.name}:</p>
            {/if}
            {#each readBack.understood as sentence (sentence)}<p>{sentence}</p>{/each}
            {#each readBack.remarks as remark (remark)}<p class="text-neutral">{remark}</p>{/each}
            {#if asked === text}<p class="font-semibold">
                Not noted yet: once more notes it so.
              </p>{/if}
            {#each readBack.problems as problem (problem)}<p class="text-error">{problem}</p>{/each}
            {#if readBack.completions.length > 0}
              <p
                class="text-neutral flex flex-wrap items-baseline gap-x-3"
                data-testid="completions"
              >
                <span class="hidden sm:inline">Tab:</span>
                {#each readBack.completions as whole (whole)}
                  <Button type="button" dense tabindex={-1} onclick={() => complete(whole)}
                    >{whole.trim().split(' ').pop()}</Button
                  >
                {/each}
              </p>
            {/if}
          {/if}
        </div>
      {/if}
    </div>
    {#if buttons}
      <p class="mt-2 flex flex-wrap gap-2 text-sm" data-testid="entry-starts">{@render starts()}</p>
    {/if}
  </form>
{:else}
  <p class="text-neutral py-2 text-sm" data-testid="reads-only">You may look at this tank.</p>
{/if}
