<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../api/client';
  import { said } from '../lib/said';
  import { volume } from '../lib/units.svelte';
  import Button from '../ui/Button.svelte';
  import Check from '../ui/Check.svelte';
  import Select from '../ui/Select.svelte';
  import Outcome from './Outcome.svelte';
  import {
    FEEDINGS,
    NOTHING,
    amounts,
    begun,
    isLooked,
    lived,
    save,
    saved,
    type Game,
  } from './game';

  /** Invented tanks to practise on: eight weeks each, and afterwards what was true. */
  const SEEDS = 1_000_000;
  let offers = $state.raw<Schemas['PracticeOffer'][]>([]);
  let game = $state.raw<Game | null>(null);
  let now = $state.raw<Schemas['PracticeState'] | null>(null);
  let choice = $state({ ...NOTHING });
  let problem = $state('');
  let busy = $state(false);
  let heading = $state<HTMLHeadingElement>();
  let offer = $derived(offers.find((one) => one.term === game?.term));

  onMount(async () => {
    const answer = await api.GET('/api/practice');
    if (!answer.data) {
      problem = answer.error?.detail ?? 'Practice can’t be reached now.';
      return;
    }
    offers = answer.data;
    const before = saved();
    if (before && offers.some((one) => one.term === before.term)) await play(before);
  });

  /** What the page shows is always what the server made of the weeks so far. */
  async function play(next: Game) {
    busy = true;
    const answer = await api.POST('/api/practice/{name}', {
      params: { path: { name: next.term } },
      body: { seed: next.seed, weeks: next.weeks, looked: next.looked },
    });
    busy = false;
    if (!answer.data) {
      problem = answer.error?.detail ?? 'Practice can’t be reached now; nothing is lost.';
      return;
    }
    problem = '';
    game = next;
    now = answer.data;
    save(next);
  }

  async function begin(term: string, seed = Math.floor(Math.random() * SEEDS)) {
    forget();
    await play(begun(term, seed));
    heading?.focus();
  }

  function forget() {
    choice = { ...NOTHING };
  }

  async function live() {
    if (!game) return;
    await play(lived(game, $state.snapshot(choice)));
    choice.adsorber = false;
    heading?.focus();
  }

  function leave() {
    game = null;
    now = null;
    save(null);
  }
</script>

<svelte:head><title>Practice · Umberline</title></svelte:head>

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  {#if !game || !offer || !now}
    <h1 class="font-serif text-2xl sm:text-3xl">Practice</h1>
    <p class="text-neutral max-w-prose">
      Five invented tanks, the easiest first. Each hides something. Keep one for eight weeks, and
      see afterwards what its water really did. Nothing here touches your own tanks.
    </p>
    {#if problem}<p class="mt-3" role="alert">{problem}</p>{/if}
    {#if offers.length === 0 && !problem}<p class="mt-3" role="status">Fetching the tanks…</p>{/if}
    <ol class="border-base-content/40 mt-4 max-w-4xl border-t" data-testid="practice-tanks">
      {#each offers as one, i (one.term)}
        <li class="border-base-300 flex flex-wrap items-baseline gap-x-6 border-b py-3">
          <div class="min-w-0 flex-1 basis-96">
            <h2 class="font-serif text-xl">{one.name}</h2>
            <p>{said(one.brief, '')}</p>
            <p class="text-neutral text-sm">{said(one.task, '')}</p>
          </div>
          <Button
            kind={i === 0 ? 'main' : 'strong'}
            disabled={busy}
            aria-label="Begin {one.name}"
            onclick={() => void begin(one.term)}>Begin</Button
          >
        </li>
      {/each}
    </ol>
  {:else}
    <h1 class="font-serif text-2xl outline-none sm:text-3xl" tabindex="-1" bind:this={heading}>
      {offer.name}{now.outcome ? '' : `, week ${game.weeks.length + 1} of ${offer.weeks}`}
    </h1>
    <p class="text-neutral max-w-prose">{said(offer.brief, '')} {said(offer.task, '')}</p>
    {#if problem}<p class="mt-3" role="alert">{problem}</p>{/if}
    <div class="mt-4 grid gap-x-12 gap-y-6 lg:grid-cols-[3fr_2fr]">
      {#if now.outcome}
        <div>
          <Outcome outcome={now.outcome} />
          <div class="mt-4 flex flex-wrap items-center gap-x-6">
            <Button kind="main" onclick={leave}>Another tank</Button>
            <Button disabled={busy} onclick={() => void begin(offer.term, game?.seed)}
              >The same once more</Button
            >
          </div>
        </div>
      {:else}
        <div data-testid="practice-week">
          <h2 class="font-serif text-xl">Look</h2>
          <div class="mt-1 flex flex-wrap gap-2">
            {#each offer.checks as check (check.term)}
              <button
                type="button"
                class="border-base-content/50 rounded-field min-h-11 border px-3 text-left text-sm disabled:opacity-60"
                disabled={busy || isLooked(game, check.term)}
                onclick={() => game && void play({ ...game, looked: [...game.looked, check.term] })}
                >{check.words} <span class="text-neutral">{check.minutes} min</span></button
              >
            {/each}
          </div>
          <ul class="mt-2 min-h-6" role="status" data-testid="practice-found">
            {#each now.found as words, i (i)}<li class="font-semibold">{said(words, '')}</li>{/each}
          </ul>
          <h2 class="mt-3 font-serif text-xl">Do</h2>
          <p class="flex flex-wrap items-center gap-x-2 font-serif text-lg">
            Change
            <Select class="font-serif" aria-label="water to change" bind:value={choice.litres}>
              {#each amounts(offer.largestChangeL) as amount (amount)}
                <option value={amount}>{amount === 0 ? 'nothing' : volume(amount)}</option>
              {/each}
            </Select>
            {#if choice.litres > 0 && offer.fillings.length > 1}
              filled up with
              <Select class="font-serif" aria-label="filled up with" bind:value={choice.filling}>
                {#each offer.fillings as filling (filling.term)}
                  <option value={filling.term}>{filling.words}</option>
                {/each}
              </Select>
            {/if}
            and feed
            <Select class="font-serif" aria-label="how much to feed" bind:value={choice.feeding}>
              {#each FEEDINGS as [factor, words] (factor)}
                <option value={factor}>{words}</option>
              {/each}
            </Select>
          </p>
          {#if offer.adsorberMinutes}
            <Check bind:checked={choice.adsorber}
              >Put in fresh phosphate adsorber ({offer.adsorberMinutes} min)</Check
            >
          {/if}
          {#if choice.litres > 0}
            <Check bind:checked={choice.testedAfter}
              >{offer.testAfter.words} ({offer.testAfter.minutes} min)</Check
            >
          {/if}
          <div class="mt-3 flex flex-wrap items-center gap-x-6">
            <Button kind="main" disabled={busy} onclick={() => void live()}>
              {game.weeks.length === offer.weeks - 1
                ? 'Let the last week pass'
                : 'Let the week pass'}
            </Button>
            <Button onclick={leave}>Give this tank up</Button>
          </div>
        </div>
      {/if}
      <div>
        <h2 class="font-serif text-xl">So far</h2>
        {#if now.weeks.length === 0}
          <p class="text-neutral text-sm">
            Each week: look first, as much as it is worth to you, then do something, or nothing.
          </p>
        {/if}
        <ol reversed class="text-sm" data-testid="practice-weeks">
          {#each now.weeks.toReversed() as week, i (now.weeks.length - i)}
            <li class="border-base-300 border-b py-2">
              <span class="text-neutral">Week {now.weeks.length - i}.</span>
              {#each week.found as words, j (j)}{j > 0 ? '; ' : ''}{said(words, '')}{/each}{week
                .found.length > 0
                ? '. '
                : ''}{said(week.done, '')}
            </li>
          {/each}
        </ol>
      </div>
    </div>
  {/if}
</div>
