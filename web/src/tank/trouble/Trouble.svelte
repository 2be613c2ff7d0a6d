<script lang="ts">
  import { onMount } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, type Schemas } from '../../api/client';
  import { note } from '../../lib/outbox.svelte';
  import { said } from '../../lib/said';
  import { may, tanks } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import { dayAndMonth, dayStart, ownDay } from '../../lib/words';
  import { figure } from '../../lib/units.svelte';
  import NotYet from '../../rounds/NotYet.svelte';
  import Button from '../../ui/Button.svelte';
  import Chip from '../../ui/Chip.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import TextLink from '../../ui/TextLink.svelte';
  import Photos from '../log/Photos.svelte';
  import { SEVERITIES, chanceWords, lineOf, order } from './seen';

  /** From a sign to what it comes from in this tank, and what to do about it. */
  let { tank }: { tank: string } = $props();

  let trouble = $state.raw<Schemas['Trouble'] | null>(null);
  let examined = $state.raw<Schemas['Examined'] | null>(null);
  let problem = $state('');
  let sign = $state('');
  let severity = $state(1);
  let open = $state('');
  let photos = $state(false);
  const looks = new SvelteSet<string>();
  let name = $derived(tanks.all.find((one) => one.id === tank)?.name ?? '');
  let known = $derived(trouble?.signs.find((one) => one.sign === sign));
  let standing = $derived(trouble?.standing.find((one) => one.sign === sign));
  const today = ownDay(new Date().toISOString());
  const day = (date: string) => dayAndMonth(dayStart(date));

  onMount(async () => {
    await load();
    const first = trouble?.standing[0];
    if (first) choose(first.sign, trouble?.first);
  });

  async function load() {
    const answer = await api.GET('/api/tanks/{id}/trouble', { params: { path: { id: tank } } });
    if (answer.data) trouble = answer.data;
    else problem = answer.error?.detail ?? 'What is known of signs can’t be reached now.';
  }

  function choose(next: string, answer?: Schemas['Examined']) {
    sign = next;
    examined = answer ?? null;
    open = answer?.candidates[0]?.cause ?? '';
    looks.clear();
    const seen = trouble?.standing.find((one) => one.sign === next);
    seen?.looks.forEach((look) => looks.add(look));
    severity = seen?.severity ?? 1;
    if (!answer) void examine();
  }

  function toggle(look: string) {
    if (!looks.delete(look)) looks.add(look);
    void examine();
  }

  /** An answer to an earlier question is not shown. */
  let question = 0;
  async function examine() {
    const mine = ++question;
    const answer = await api.GET('/api/tanks/{id}/trouble/{sign}', {
      params: { path: { id: tank, sign }, query: { looks: [...looks] } },
    });
    if (mine !== question) return;
    problem = answer.error ? (answer.error.detail ?? 'That can’t be worked out.') : '';
    examined = answer.data ?? null;
    open ||= examined?.candidates[0]?.cause ?? '';
  }

  async function write(how: number) {
    const id = crypto.randomUUID();
    const text = lineOf(sign, how, [...looks]);
    const sent = await note({ id, tank, text, at: new Date().toISOString() });
    if ('refused' in sent) show({ kind: 'problem', text: sent.refused });
    else {
      show({ kind: 'done', text: `Noted: ${sent.recorded.understood.join('; ')}.` });
      await load();
      void examine();
    }
  }
</script>

<svelte:head><title>Trouble · {name} · Umberline</title></svelte:head>

{#snippet list(title: string, items: Schemas['Said'][][])}
  {#if items.length > 0}
    <p class="mt-1">
      <span class="text-neutral">{title}</span>
      {#each items as words, i (i)}{i > 0 ? '; ' : ''}{said(words, today)}{/each}.
    </p>
  {/if}
{/snippet}

{#snippet chips(label: string, standingOnly: boolean)}
  <div role="group" aria-label={label} class="mt-2 flex flex-wrap gap-2 text-sm">
    {#each order(trouble!, standingOnly) as one (one.sign)}
      <Chip class="px-3" pressed={sign === one.sign} onclick={() => choose(one.sign)}
        >{one.words}</Chip
      >
    {/each}
  </div>
{/snippet}

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  {#if trouble}
    <h1 class="font-serif text-2xl sm:text-3xl">Trouble in {name}</h1>
    {#if trouble.standing.length > 0}
      <h2 class="text-neutral mt-2 text-sm">Seen, and not gone yet</h2>
      {@render chips('signs that are there', true)}
      <details class="mt-2" open={!!sign && !standing}>
        <summary
          class="flex min-h-11 cursor-pointer items-center text-sm underline underline-offset-4 sm:min-h-0"
          >Something else?</summary
        >
        <div data-testid="signs">{@render chips('signs', false)}</div>
      </details>
    {:else}
      <p class="text-neutral mt-1 text-sm">
        Nothing is noted. What do you see? Look under full light, for a few minutes.
      </p>
      <div data-testid="signs">{@render chips('signs', false)}</div>
    {/if}
    {#if trouble.pair.steps.length > 0}
      <details class="border-base-300 mt-4 border-t pt-3" data-testid="pair" open={!sign}>
        <summary class="cursor-pointer font-serif text-lg"
          >{said(trouble.pair.sentence, today)}</summary
        >
        <ol class="mt-1 list-decimal pl-5">
          {#each trouble.pair.steps as words, i (i)}
            <li class="py-0.5">{said(words, today)}</li>
          {/each}
        </ol>
        {#if trouble.pair.perPhosphate !== undefined}
          <p class="text-neutral text-sm">
            {figure(trouble.pair.perPhosphate, '')} of nitrate for one of phosphate, by weight; what grows
            takes about {figure(trouble.pair.redfield, '')}. That is a hint, no aim.
          </p>
        {/if}
      </details>
    {:else}
      <p class="text-neutral mt-3 text-sm" data-testid="pair">
        {said(trouble.pair.sentence, today)}
      </p>
    {/if}
    {#if known}
      <section class="border-base-300 mt-4 border-t pt-3" aria-label="what is seen of it">
        <h2 class="font-serif text-xl">
          {known.words.charAt(0).toUpperCase() + known.words.slice(1)}{#if standing}<span
              class="text-neutral font-sans text-sm"
            >
              {' '}since {day(standing.since)}, look again {standing.lookAgain <= today
                ? 'today'
                : `on ${day(standing.lookAgain)}`}</span
            >{/if}
        </h2>
        {#if known.looks.length > 0}
          <div
            role="group"
            aria-label="on looking closer"
            class="mt-2 flex flex-wrap items-center gap-2 text-sm"
          >
            <span class="text-neutral">Look closer:</span>
            {#each known.looks as one (one.look)}
              <Chip class="px-3" pressed={looks.has(one.look)} onclick={() => toggle(one.look)}
                >{one.words}</Chip
              >
            {/each}
          </div>
        {/if}
        {#if may(tank, 'HELPER')}
          <div class="mt-3 flex flex-wrap items-center gap-2 text-sm">
            <span class="text-neutral">How much:</span>
            <div role="group" aria-label="how much" class="flex gap-2">
              {#each SEVERITIES as words, i (words)}
                <Chip class="px-3" pressed={severity === i + 1} onclick={() => (severity = i + 1)}
                  >{words}</Chip
                >
              {/each}
            </div>
            <Button kind="main" onclick={() => void write(severity)}
              >{standing ? 'Note how it is now' : 'Note it'}</Button
            >
            {#if standing}<Button onclick={() => void write(0)}>It is gone</Button>{/if}
            <Button data-testid="photos-open" onclick={() => (photos = true)}>Photos</Button>
          </div>
        {/if}
      </section>
    {/if}
    {#if problem}
      <p class="text-error mt-4" role="alert">{problem}</p>
    {:else if examined}
      <div aria-live="polite" class="mt-5 grid gap-x-12 gap-y-6 lg:grid-cols-[1fr_22rem]">
        <div data-testid="causes">
          {#if examined.urgent.length > 0}
            <p class="border-error mb-4 border-l-4 pl-3 font-serif text-xl">
              {said(examined.urgent, today)}
            </p>
          {/if}
          {#if examined.harmless}
            <p class="mb-4 font-serif text-xl">
              On the glass alone it is normal: wipe it off. It doesn’t count as trouble.
            </p>
          {/if}
          {#if examined.asks[0]}
            <p class="border-secondary mb-4 border-l-4 pl-3" data-testid="ask">
              What would tell most: {said(examined.asks[0].text, today)}
              {#if examined.asks[0].analyte}<TextLink href="/bench">Test at the bench</TextLink
                >{/if}
            </p>
          {/if}
          <h2 class="text-neutral text-sm">Likely causes in this tank</h2>
          <ol class="border-base-content/40 mt-1 border-t">
            {#each examined.candidates as one (one.cause)}
              <li class="border-base-300 border-b py-2">
                <button
                  type="button"
                  class="flex min-h-11 w-full items-baseline justify-between gap-4 text-left sm:min-h-0"
                  aria-expanded={open === one.cause}
                  onclick={() => (open = open === one.cause ? '' : one.cause)}
                >
                  <span class="font-serif text-lg">{one.words}</span>
                  <span class="text-neutral text-sm whitespace-nowrap"
                    >{chanceWords(one.chance)}</span
                  >
                </button>
                {#if open === one.cause}
                  <div class="pb-2 text-sm">
                    {@render list('For it:', one.speaksFor)}
                    {@render list('Against it:', one.against)}
                    <ol class="mt-2 list-decimal pl-5 text-base" data-testid="steps">
                      {#each one.steps as step, i (i)}
                        <li class="py-1">
                          {said(step.text, today)}
                          {#if step.place === 'balance'}<TextLink href={`/tank/${tank}`}
                              >Balance</TextLink
                            >{:else if step.place === 'doses'}<TextLink href={`/tank/${tank}/doses`}
                              >Doses</TextLink
                            >{/if}
                        </li>
                      {/each}
                    </ol>
                    {#if one.leave.length > 0}
                      <p class="mt-2">
                        <strong>Leave alone:</strong>
                        {one.leave.map((words) => said(words, today)).join(' ')}
                      </p>
                    {/if}
                  </div>
                {/if}
              </li>
            {/each}
          </ol>
        </div>
        <div class="text-sm">
          {#each examined.remarks as words, i (i)}
            <p class="border-secondary mb-3 border-l-4 pl-3">{said(words, today)}</p>
          {/each}
          {#if examined.course.length > 1}
            <h2 class="font-bold">What was tried</h2>
            <ol data-testid="course">
              {#each examined.course as look, i (i)}
                <li class="border-base-300 border-t py-1">
                  {day(look.on)}:
                  <strong>{look.severity === 0 ? 'gone' : SEVERITIES[look.severity - 1]}</strong
                  >{#if look.done.length > 0}<span class="text-neutral"
                      >, after {look.done.map((one) => said(one.text, today)).join(', ')}</span
                    >{/if}
                </li>
              {/each}
            </ol>
          {/if}
          <h2 class="mt-3 font-bold">
            {standing ? 'What went before it' : 'The last three weeks'}
          </h2>
          {#if examined.before.length > 0}
            <ol>
              {#each examined.before as event, i (i)}
                <li class="border-base-300 border-t py-1">
                  <span class="text-neutral">{day(event.on)}</span>
                  {said(event.text, today)}
                </li>
              {/each}
            </ol>
          {:else}
            <p class="text-neutral">Nothing was noted.</p>
          {/if}
          <h2 class="mt-4 font-bold">Mind</h2>
          <ul data-testid="cautions">
            {#each examined.cautions as caution (caution)}
              <li class="border-base-300 border-t py-1">{caution}</li>
            {/each}
          </ul>
        </div>
      </div>
    {:else if sign}
      <NotYet words="Looking at the tank’s numbers…" {tank} />
    {/if}
  {:else if problem}
    <p class="pt-8 font-serif text-xl" role="alert">{problem}</p>
  {:else}
    <NotYet words="Looking at the log…" {tank} />
  {/if}
</div>
<Sheet title="Photos" open={photos} onclose={() => (photos = false)}>
  <Photos {tank} about={known?.words ?? ''} />
</Sheet>
