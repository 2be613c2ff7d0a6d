<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../../api/client';

  import { show } from '../../lib/toast.svelte';
  import { tanks } from '../../lib/tanks.svelte';
  import { level } from '../../lib/units.svelte';
  import { addDays, longDay, nearDay, shortDay } from '../../lib/words';
  import { reach } from '../../rounds/sites';
  import NotYet from '../../rounds/NotYet.svelte';
  import EntryLine from '../log/EntryLine.svelte';
  import Button from '../../ui/Button.svelte';
  import Chip from '../../ui/Chip.svelte';
  import Count from '../../ui/Count.svelte';
  import TextLink from '../../ui/TextLink.svelte';

  let { tank }: { tank: string } = $props();

  let all = $state.raw<Schemas['VisitLine'][] | null>(null);
  let visit = $state.raw<Schemas['Visit'] | null>(null);
  let seen = $state('');
  let advice = $state('');
  let busy = $state(false);
  /** Days until the next visit; nothing where none is named. */
  let nextIn = $state<number | undefined>();
  let photos = $state.raw<Schemas['Photo'][]>([]);
  const AGAIN = [7, 14, 28];
  let name = $derived(tanks.all.find((one) => one.id === tank)?.name ?? '');

  async function load(id?: string) {
    const answer = await api.GET('/api/tanks/{id}/visits', { params: { path: { id: tank } } });
    all = answer.data ?? all;
    const shown = id ?? all?.find((one) => !one.ended)?.id;
    if (shown) await open(shown);
    else visit = null;
  }
  onMount(() => void load());

  async function open(id: string) {
    const answer = await api.GET('/api/tanks/{id}/visits/{visit}', {
      params: { path: { id: tank, visit: id } },
    });
    visit = answer.data ?? null;
    advice = visit?.advice ?? '';
    if (visit) await loadPhotos(visit);
  }

  /** The photos taken on the days of the visit. */
  async function loadPhotos(of: Schemas['Visit']) {
    const answer = await api.GET('/api/tanks/{id}/photos', { params: { path: { id: tank } } });
    const from = of.begunAt.slice(0, 10);
    const to = (of.endedAt ?? of.today).slice(0, 10);
    photos = (answer.data ?? []).filter((photo) => photo.day >= from && photo.day <= to);
  }

  async function begin() {
    const id = crypto.randomUUID();
    busy = true;
    const answer = await api.POST('/api/tanks/{id}/visits', {
      params: { path: { id: tank } },
      body: { id, seen },
    });
    busy = false;
    if (!answer.response.ok) {
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not saved.' });
      return;
    }
    seen = '';
    await load();
  }

  async function leave() {
    if (!visit) return;
    const id = visit.id;
    busy = true;
    const answer = await api.PUT('/api/tanks/{id}/visits/{visit}/end', {
      params: { path: { id: tank, visit: id } },
      body: {
        advice,
        nextOn: nextIn === undefined ? undefined : addDays(visit.today, nextIn),
      },
    });
    busy = false;
    if (!answer.response.ok)
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not saved.' });
    await load(id);
  }
</script>

<svelte:head><title>Visit · {name} · Umberline</title></svelte:head>

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  {#if all && !visit}
    <h1 class="font-serif text-2xl sm:text-3xl">A visit to {name}</h1>
    <p class="text-neutral max-w-prose">
      The start keeps how the tank stands. What you then note belongs to the visit, and leaving
      makes one page for whoever owns it.
    </p>
    <label class="mt-3 block max-w-2xl"
      >What you see on arrival
      <textarea
        class="border-base-content/50 mt-1 block h-24 w-full border bg-transparent p-2"
        maxlength="1000"
        bind:value={seen}
        data-testid="visit-seen"></textarea></label
    >
    <Button kind="main" class="mt-2" disabled={busy} onclick={begin} data-testid="visit-begin"
      >Start visit</Button
    >
    {#if all.length > 0}
      <h2 class="mt-6 font-serif text-lg">Earlier visits</h2>
      <ul>
        {#each all as one (one.id)}
          <li>
            <Button onclick={() => void open(one.id)}>{longDay(one.on, '')}</Button>
          </li>
        {/each}
      </ul>
    {/if}
  {:else if visit}
    <div class="flex flex-wrap items-baseline gap-x-8 print:hidden">
      <h1 class="font-serif text-2xl sm:text-3xl">
        {visit.endedAt ? 'The visit of' : 'Visiting since'}
        {visit.endedAt
          ? longDay(visit.begunAt.slice(0, 10), visit.today)
          : visit.begunAt.slice(11, 16)}
      </h1>
      {#if visit.endedAt}
        <TextLink
          href="/api/tanks/{tank}/visits/{visit.id}/report.pdf"
          download
          data-testid="visit-pdf">As PDF</TextLink
        >
        <Button onclick={() => print()}>Print</Button>
        <Button onclick={() => (visit = null)}>All visits</Button>
      {/if}
    </div>
    {#if !visit.endedAt}
      <div class="mt-2 max-w-3xl">
        <EntryLine {tank} onrecorded={() => void open(visit?.id ?? '')} />
      </div>
      <p class="mt-2 flex flex-wrap gap-x-6 text-sm">
        <TextLink href="/bench">Bench</TextLink>
        <TextLink href="/tank/{tank}/log">Photos, in the log</TextLink>
        <TextLink href="/tank/{tank}/change">Run sheet of a change</TextLink>
      </p>
    {/if}
    <article class="mt-3 max-w-3xl" data-testid="visit-report">
      <h2 class="font-serif text-2xl">{visit.tank}{visit.site ? `, ${visit.site}` : ''}</h2>
      {#if visit.of?.client || visit.of?.address}
        <p>{[visit.of.client, visit.of.address].filter(Boolean).join(', ')}</p>
      {/if}
      {#if visit.of?.contact && !visit.endedAt}
        <p class="print:hidden">
          {#if reach(visit.of.contact)}<TextLink href={reach(visit.of.contact)}
              >{visit.of.contact}</TextLink
            >{:else}{visit.of.contact}{/if}
        </p>
      {/if}
      <p>
        {shortDay(visit.begunAt.slice(0, 10))}
        {visit.begunAt.slice(0, 4)}, {visit.begunAt.slice(11, 16)}{visit.endedAt
          ? ` to ${visit.endedAt.slice(11, 16)}`
          : ''}, by <span class="capitalize">{visit.by}</span>
      </p>
      {#if visit.measured.length > 0}
        <h3 class="mt-4 font-serif text-lg">Measured</h3>
        <table class="text-left" data-testid="visit-measured">
          <thead class="text-neutral text-sm"
            ><tr
              ><td></td><th class="pr-8 font-normal">before</th><th class="font-normal"
                >at this visit</th
              ></tr
            ></thead
          >
          <tbody>
            {#each visit.measured as one (one.analyte)}
              <tr class="border-base-300 border-t">
                <th class="pr-8 font-normal">{one.analyte}</th>
                <td class="pr-8"
                  >{one.before ?? 'not yet'}
                  {#if one.beforeOn}<span class="text-neutral text-sm"
                      >{longDay(one.beforeOn, visit.today)}</span
                    >{/if}</td
                >
                <td class="font-bold">{one.found}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
      <h3 class="mt-4 font-serif text-lg">Worked out</h3>
      {#if visit.stands}<p>{visit.stands}</p>{/if}
      <table class="mt-1 text-left">
        <thead class="text-neutral text-sm"
          ><tr
            ><th class="pr-8 font-normal"></th><th class="pr-8 font-normal">on arrival</th><th
              class="font-normal">{visit.endedAt ? 'on leaving' : 'now'}</th
            ></tr
          ></thead
        >
        <tbody>
          <tr class="border-base-300 border-t">
            <th class="pr-8 font-normal">nitrate, about</th>
            <td class="pr-8">{level('nitrate', visit.before.nitrateMgL)}</td>
            <td class="font-bold">{level('nitrate', visit.now.nitrateMgL)}</td>
          </tr>
          <tr class="border-base-300 border-t">
            <th class="pr-8 font-normal">phosphate, about</th>
            <td class="pr-8">{level('phosphate', visit.before.phosphateMgL)}</td>
            <td class="font-bold">{level('phosphate', visit.now.phosphateMgL)}</td>
          </tr>
        </tbody>
      </table>
      <h3 class="mt-4 font-serif text-lg">What was seen</h3>
      <p class="whitespace-pre-line">{visit.seen || 'Nothing was noted.'}</p>
      <h3 class="mt-4 font-serif text-lg">What was done</h3>
      <ul class="list-disc pl-5" data-testid="visit-done">
        {#each visit.done as line, i (i)}<li>{line}</li>{:else}<li>Looked only.</li>{/each}
      </ul>
      {#if photos.length > 0}
        <ul class="mt-3 grid grid-cols-3 gap-3" data-testid="visit-photos">
          {#each photos as photo (photo.id)}
            <li class="text-sm">
              <img
                src="/api/tanks/{tank}/photos/{photo.id}"
                alt={photo.note || `taken on ${shortDay(photo.day)}`}
                class="aspect-square w-full object-cover"
              />
              {photo.note}
            </li>
          {/each}
        </ul>
      {/if}
      <h3 class="mt-4 font-serif text-lg">What comes next</h3>
      <ul class="list-disc pl-5">
        {#each visit.next as line, i (i)}
          <li>{nearDay(line.on, visit.today)}: {line.words}</li>
        {:else}
          <li>Nothing within two weeks.</li>
        {/each}
      </ul>
      {#if visit.nextOn}
        <p class="mt-2 font-bold">Next visit: {longDay(visit.nextOn, visit.today)}.</p>
      {/if}
      {#if visit.endedAt}
        {#if visit.advice}
          <h3 class="mt-4 font-serif text-lg">Advice</h3>
          <p class="whitespace-pre-line">{visit.advice}</p>
        {/if}
      {:else}
        <label class="mt-4 block print:hidden"
          ><span class="font-serif text-lg">Advice</span>
          <textarea
            class="border-base-content/50 mt-1 block h-20 w-full border bg-transparent p-2"
            maxlength="1000"
            bind:value={advice}
            data-testid="visit-advice"></textarea></label
        >
        <p class="mt-2 flex flex-wrap items-center gap-2 print:hidden">
          <span class="mr-2">Next visit in</span>
          {#each AGAIN as days (days)}
            <Chip
              pressed={nextIn === days}
              onclick={() => (nextIn = nextIn === days ? undefined : days)}
              >{days === 7 ? 'a week' : days === 14 ? 'two weeks' : 'four weeks'}</Chip
            >
          {/each}
          <Count
            value={nextIn ?? 0}
            label="days until the next visit"
            most={365}
            onchange={(days) => (nextIn = days || undefined)}
          /> days
        </p>
        <Button
          kind="main"
          class="mt-3 print:hidden"
          disabled={busy}
          onclick={leave}
          data-testid="visit-end">Leave</Button
        >
      {/if}
    </article>
  {:else}
    <NotYet words="Looking up the visits…" {tank} />
  {/if}
</div>
