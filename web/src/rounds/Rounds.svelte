<script lang="ts">
  import { onMount } from 'svelte';
  import { MediaQuery } from 'svelte/reactivity';
  import { api, type RoundsLine, type Schemas } from '../api/client';
  import { whenRenewed } from '../lib/connection.svelte';
  import { MANY, NO_ROOM, VIEWS, arrange, wantsHand, type View } from './rounds';
  import { byStop, siteOf, type Site } from './sites';
  import { show } from '../lib/toast.svelte';
  import { tanks } from '../lib/tanks.svelte';
  import { addDays, nearDay, shortDay } from '../lib/words';
  import Line from './Line.svelte';
  import Progress from '../ui/Progress.svelte';
  import TakeIn from './TakeIn.svelte';
  import Room from './Room.svelte';
  import Row from './Row.svelte';
  import { heading, takes } from './words';
  import Button from '../ui/Button.svelte';
  import Chip from '../ui/Chip.svelte';
  import TextLink from '../ui/TextLink.svelte';
  import Input from '../ui/Input.svelte';

  /** What is being worked out anew is asked for so often. */
  const AGAIN_MS = 1500;

  let lines = $state<RoundsLine[] | null>(null);
  let slow = $state(false);
  let site = $state(localStorage.getItem('umberline-site') ?? '');
  let busy = $state('');

  /** Since when the lines are known that are being worked out anew, by tank. */
  let renewed = $state<Record<string, string>>({});
  /** Tanks that nothing is known of yet. */
  let coming = $state.raw<Schemas['Coming'][]>([]);
  let again: ReturnType<typeof setTimeout> | undefined;

  async function load() {
    clearTimeout(again);
    const timer = setTimeout(() => (slow = true), 300);
    const answer = await api.GET('/api/rounds/known');
    clearTimeout(timer);
    slow = false;
    lines = answer.data?.lines ?? lines ?? [];
    renewed = Object.fromEntries((answer.data?.renewed ?? []).map((one) => [one.tank, one.from]));
    coming = answer.data?.coming ?? [];
    clearTimeout(again);
    if (mounted && coming.length + Object.keys(renewed).length > 0)
      again = setTimeout(() => void load(), AGAIN_MS);
  }
  let mounted = true;
  whenRenewed(() => void load());
  onMount(() => {
    void load();
    return () => {
      mounted = false;
      clearTimeout(again);
    };
  });

  const phone = new MediaQuery('max-width: 639px');
  let rooms = $derived([...new Set((lines ?? []).map((line) => line.site).filter(Boolean))].sort());
  // on a phone rooms are headings of their own view
  let here = $derived(
    (lines ?? []).filter(
      (line) => phone.current || !site || !rooms.includes(site) || line.site === site,
    ),
  );

  /** Who the rooms are looked after for, and the visits to them, once rooms are looked at. */
  let sites = $state.raw<Site[]>([]);
  let visits = $state.raw<Schemas['Listed'][]>([]);

  let looked = $state('');
  let chosen = $state<View | null>(null);
  let choosing = $derived(here.length > (phone.current ? 1 : MANY));
  let view = $derived<View>(chosen ?? (choosing ? 'today' : 'all'));
  let arranged = $derived(arrange(here, view, looked, byStop(sites)));
  let opened = $state<string | null>(null);
  let mostUrgent = $derived(arranged.groups[0]?.lines.find((line) => line.verdict !== 'SKIP'));
  /** The tank that stands open on a phone: the one pressed, or else the most urgent. */
  let open = $derived(opened ?? mostUrgent?.tank.id ?? '');

  async function loadSites() {
    sites = (await api.GET('/api/sites')).data ?? sites;
    visits = (await api.GET('/api/visits')).data ?? visits;
  }
  $effect(() => {
    if (view === 'rooms' || site) void loadSites();
  });

  function choose(name: string) {
    site = name;
    localStorage.setItem('umberline-site', name);
  }

  /** Notes the change as done, under an id that makes sending it twice harmless. */
  async function done(line: RoundsLine) {
    const id = crypto.randomUUID();
    const tank = line.tank.id;
    const share = Math.round((line.fraction ?? 0) * 100);
    busy = tank;
    const answer = await api.POST('/api/tanks/{id}/log', {
      params: { path: { id: tank } },
      body: { id, text: `change ${share}%`, at: new Date().toISOString() },
    });
    busy = '';
    if (!answer.data) {
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not noted.' });
      return;
    }
    void load();
    show({
      kind: 'done',
      text: `${line.tank.name}: ${answer.data.understood.join('; ')}.`,
      action: {
        label: 'Undo',
        run: () =>
          void api
            .PUT('/api/tanks/{id}/log/{line}/withdrawn', {
              params: { path: { id: tank, line: id } },
              body: { withdrawn: true },
            })
            .then(load),
      },
    });
  }

  type Routine = NonNullable<RoundsLine['routine']>;

  async function setRoutine(line: RoundsLine, version: number, routine: Routine | undefined) {
    const answer = await api.PUT('/api/tanks/{id}/routine', {
      params: { path: { id: line.tank.id } },
      body: {
        version,
        fraction: routine?.fraction,
        everyDays: routine?.everyDays,
        nextOn: routine?.nextOn,
      },
    });
    if (!answer.data)
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not saved.' });
    // the lines' versions must be fresh before anything else is pressed
    await load();
    return answer.data?.tank.version;
  }

  /** Moves the next change to a later day; the rhythm and share stay. */
  async function later(line: RoundsLine, days: number, words: string) {
    const routine = line.standing ?? line.routine;
    if (!routine) return;
    busy = line.tank.id;
    const from = routine.nextOn > line.tank.today ? routine.nextOn : line.tank.today;
    const nextOn = addDays(from, days);
    const version = await setRoutine(line, line.tank.version, { ...routine, nextOn });
    busy = '';
    if (version === undefined) return;
    show({
      kind: 'done',
      text: `${line.tank.name}: ${words}, next ${nearDay(nextOn, line.tank.today)}.`,
      action: {
        label: 'Undo',
        run: () => {
          busy = line.tank.id;
          void setRoutine(line, version, line.standing).then(() => (busy = ''));
        },
      },
    });
  }
</script>

<svelte:head><title>Rounds · Umberline</title></svelte:head>

{#if lines}
  <div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
    <div class="flex flex-wrap items-baseline justify-between gap-x-8">
      <h1 class="font-serif text-2xl sm:text-3xl">{heading(here, coming.length)}</h1>
      {#if rooms.length > 1}
        <div
          role="group"
          aria-label="where"
          class="hidden flex-wrap gap-x-4 text-sm sm:flex"
          data-testid="sites"
        >
          {#each ['', ...rooms] as name (name)}
            <button
              class="min-h-11 sm:min-h-7"
              class:font-bold={site === name}
              class:underline={site === name}
              aria-pressed={site === name}
              onclick={() => choose(name)}>{name || 'everywhere'}</button
            >
          {/each}
        </div>
      {/if}
    </div>
    {#if coming.length > 0}
      <div class="mt-2 max-w-prose" role="status" data-testid="coming">
        <Progress
          words="Learning from the logs of {coming.length} more"
          share={lines.length / (coming.length + lines.length)}
        />
        <p class="text-neutral mt-1 text-sm">{coming.map((tank) => tank.name).join(', ')}</p>
      </div>
    {/if}
    {#if lines[0]}
      <p class="text-neutral font-serif text-lg">
        {shortDay(lines[0].tank.today)}{#if takes(here)}
          {' '}<span class="font-sans text-sm">· {takes(here)}</span>
        {/if}
      </p>
    {:else if coming.length === 0}
      <p class="text-neutral mt-2 max-w-prose text-lg">
        Say what lives in yours and how you feed it. How much water to change, and when none is
        needed, is worked out while you speak. Three minutes are enough.
      </p>
      <p class="mt-4">
        <TextLink kind="main" href="/new" data-testid="new-tank">Start your first tank</TextLink>
      </p>
    {/if}
    {#if !phone.current && site && rooms.includes(site) && lines[0]}
      <Room
        site={siteOf(sites, site)}
        visits={visits.filter((visit) => visit.site === site)}
        today={lines[0].tank.today}
        onsaved={loadSites}
      />
    {/if}
    {#if choosing}
      <div class="mt-2 flex flex-wrap items-center gap-2 text-sm">
        <div role="group" aria-label="which tanks" class="flex gap-2">
          {#each VIEWS as one (one.key)}
            <Chip class="px-3" pressed={view === one.key} onclick={() => (chosen = one.key)}
              >{one.words}{one.key === 'today'
                ? ` ${here.filter(wantsHand).length}`
                : one.key === 'all'
                  ? ` ${here.length}`
                  : ''}</Chip
            >
          {/each}
        </div>
        {#if here.length > MANY}
          <Input
            type="search"
            class="w-full sm:w-60"
            placeholder="tank or room"
            aria-label="find a tank by name or room"
            bind:value={looked}
            data-testid="find-tank"
          />
        {/if}
      </div>
    {/if}
    {#each arranged.groups as group (group.room)}
      {#if group.room && group.room !== NO_ROOM}
        <Room
          site={siteOf(sites, group.room)}
          visits={visits.filter((visit) => visit.site === group.room)}
          today={group.lines[0]?.tank.today ?? ''}
          onsaved={loadSites}
        />
      {:else if group.room}
        <h2 class="text-neutral mt-4 text-sm font-bold">{group.room}</h2>
      {/if}
      <ul class="border-base-content/40 border-t {group.room ? 'mt-1' : 'mt-3'}">
        {#each group.lines as line (line.tank.id)}
          {#if phone.current}
            <Row
              {line}
              {busy}
              from={renewed[line.tank.id]}
              room={!group.room}
              open={open === line.tank.id}
              onopen={() => (opened = open === line.tank.id ? '' : line.tank.id)}
              ondone={done}
              onlater={later}
            />
          {:else}
            <Line
              {line}
              {busy}
              from={renewed[line.tank.id]}
              main={line === mostUrgent}
              ondone={done}
              onlater={later}
            />
          {/if}
        {:else}
          {#if looked}<li class="py-3">No tank or room is called “{looked}”.</li>{/if}
        {/each}
      </ul>
    {/each}
    {#if arranged.rest.length > 0}
      <p class="border-base-content/40 border-y py-2 text-sm" data-testid="waiting">
        <Button class="text-left" onclick={() => (chosen = 'all')}
          ><span class="font-serif text-xl">{arranged.rest.length} can wait</span></Button
        >
        <span class="text-neutral">{arranged.rest.map((line) => line.tank.name).join(', ')}</span>
      </p>
    {/if}
    <div class="mt-4 flex flex-wrap items-center gap-x-8">
      {#if lines.length > 0}
        <TextLink href="/new" class="text-sm" data-testid="new-tank">Start a new tank</TextLink>
      {/if}
      {#if tanks.all.some((tank) => tank.putAway)}
        <TextLink href="/account" class="text-sm"
          >{tanks.all.filter((tank) => tank.putAway).length} put away</TextLink
        >
      {/if}
      <TakeIn />
      <TextLink href="/practice" class="text-sm" data-testid="practice"
        >Practise on invented tanks</TextLink
      >
    </div>
  </div>
{:else if slow}
  <p class="text-neutral px-4 pt-8 font-serif text-xl sm:px-10" role="status">
    Going round the tanks…
  </p>
{/if}
