<script lang="ts">
  import { onMount } from 'svelte';
  import { api, postPicture, type Schemas } from '../api/client';
  import { place } from '../lib/place.svelte';
  import { show } from '../lib/toast.svelte';
  import { shortDay } from '../lib/words';
  import Button from '../ui/Button.svelte';
  import FeederPage from './FeederPage.svelte';

  /** The page of whoever feeds while the keeper is away: without an account, on its days alone. */
  type Seen = Schemas['Report']['seen'];
  const SAID: Record<Seen, string> = {
    FED: 'Noted: fed.',
    ALL_WELL: 'Noted: all well.',
    GASPING: 'Noted. Stop feeding, and call now.',
    WRONG: 'Noted. Call if it can’t wait.',
  };
  let shown = $state.raw<Schemas['Sitting'] | null>(null);
  let closed = $state('');
  let worried = $state(false);
  let remark = $state('');
  let busy = $state(false);
  let done = $state<string[]>([]);

  onMount(async () => {
    // who writes needs the token that comes with any answer
    await api.GET('/api/session');
    const answer = await api.GET('/api/sitting/{token}', {
      params: { path: { token: place.token } },
    });
    shown = answer.data ?? null;
    closed = answer.data ? '' : 'This page is not open today.';
  });

  function note(words: string) {
    done = [...done, words];
    show({ kind: 'done', text: words });
  }

  async function say(seen: Seen) {
    busy = true;
    const answer = await api.POST('/api/sitting/{token}', {
      params: { path: { token: place.token } },
      body: { id: crypto.randomUUID(), seen, remark: seen === 'WRONG' ? remark.trim() : '' },
    });
    busy = false;
    if (!answer.response.ok) {
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not noted.' });
      return;
    }
    if (seen === 'WRONG') {
      worried = false;
      remark = '';
    }
    note(SAID[seen]);
  }

  async function photo(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const picture = input.files?.[0];
    if (!picture) return;
    busy = true;
    const problem = await postPicture(
      `/api/sitting/${place.token}/photos/${crypto.randomUUID()}`,
      picture,
    );
    busy = false;
    input.value = '';
    if (problem) show({ kind: 'problem', text: problem });
    else note('Noted: a photo.');
  }
</script>

<svelte:head><title>{shown?.tank ?? 'Feeding'} · Umberline</title></svelte:head>

<main id="page" class="mx-auto w-full max-w-xl px-4 pt-4 pb-16" data-testid="sitting">
  {#if shown}
    <p class="text-neutral">{shortDay(shown.today)}</p>
    <div class="mt-3 grid grid-cols-2 gap-3 text-lg">
      <Button
        kind="main"
        class="min-h-14 text-lg"
        disabled={busy}
        onclick={() => void say('FED')}
        data-testid="sitter-fed">{shown.gramsPerDay > 0 ? 'Fed' : 'Looked in'}</Button
      >
      <button
        class="border-base-content min-h-14 rounded-field border"
        disabled={busy}
        onclick={() => void say('ALL_WELL')}
        data-testid="sitter-well">All well</button
      >
      <button
        class="border-error text-error min-h-14 rounded-field border"
        disabled={busy}
        aria-expanded={worried}
        onclick={() => (worried = !worried)}
        data-testid="sitter-wrong">Something is wrong</button
      >
      <label
        class="border-base-content flex min-h-14 cursor-pointer items-center justify-center rounded-field border focus-within:outline-2"
        >A photo<input
          type="file"
          accept="image/jpeg,image/png"
          class="sr-only"
          disabled={busy}
          onchange={photo}
        /></label
      >
    </div>
    {#if worried}
      <div class="border-error mt-3 border-l-4 pl-3">
        <Button kind="danger" disabled={busy} onclick={() => void say('GASPING')}
          >They gasp at the surface</Button
        >
        <form
          onsubmit={(event) => {
            event.preventDefault();
            void say('WRONG');
          }}
        >
          <label class="block"
            >What is it?
            <textarea
              class="border-base-content/50 mt-1 block h-20 w-full border bg-transparent p-2"
              maxlength="200"
              required
              bind:value={remark}
              data-testid="sitter-remark"></textarea></label
          >
          <Button kind="strong" disabled={busy} data-testid="sitter-say">Say it</Button>
        </form>
      </div>
    {/if}
    {#if done.length > 0}
      <ul class="text-neutral mt-3" aria-label="what you noted" data-testid="sitter-done">
        {#each done as words, i (i)}<li>{words}</li>{/each}
      </ul>
    {/if}
    <section class="border-base-content mt-5 border p-4" aria-label="What to do">
      <FeederPage
        name={shown.tank}
        from={shown.from}
        to={shown.to}
        gramsPerDay={shown.gramsPerDay}
      />
    </section>
  {:else if closed}
    <h1 class="font-serif text-2xl">{closed}</h1>
    <p class="text-neutral">Its days are over, have not come yet, or the link was withdrawn.</p>
  {/if}
</main>
