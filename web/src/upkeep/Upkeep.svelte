<script lang="ts">
  import { onMount } from 'svelte';
  import { MediaQuery } from 'svelte/reactivity';
  import { api, type Schemas } from '../api/client';
  import { whenRenewed } from '../lib/connection.svelte';
  import { note } from '../lib/outbox.svelte';
  import { said } from '../lib/said';
  import Sheet from '../ui/Sheet.svelte';
  import { show } from '../lib/toast.svelte';
  import { longDay, nearDay, sayDays, shortDay } from '../lib/words';
  import Absence from './Absence.svelte';
  import Band from './Band.svelte';
  import Calendar from './Calendar.svelte';
  import CareForm from './CareForm.svelte';
  import Feeder from './Feeder.svelte';
  import Habits from './Habits.svelte';
  import Button from '../ui/Button.svelte';
  import TextLink from '../ui/TextLink.svelte';
  import Label from '../ui/Label.svelte';
  import NotYet from '../rounds/NotYet.svelte';

  type UpkeepTank = Schemas['UpkeepTank'];
  type Occurrence = Schemas['Occurrence'];
  const WEEKS = 6;

  // on a phone the weeks are a list
  const wide = new MediaQuery('(width >= 48rem)');
  let tanks = $state.raw<UpkeepTank[] | null>(null);
  let sheet = $state<'' | 'absence' | 'calendar' | 'care' | 'habits'>('');
  let chosen = $state('');
  let site = $state(localStorage.getItem('umberline-site') ?? '');

  async function load() {
    const answer = await api.GET('/api/upkeep', { params: { query: { days: WEEKS * 7 } } });
    tanks = answer.data?.tanks ?? tanks;
  }
  whenRenewed(() => void load());
  onMount(() => void load());

  let sites = $derived([...new Set((tanks ?? []).map((one) => one.site).filter(Boolean))].sort());
  let here = $derived(
    (tanks ?? []).filter((one) => !site || !sites.includes(site) || one.site === site),
  );
  let today = $derived(tanks?.[0]?.today ?? '');
  let todo = $derived(
    here.flatMap((tank) =>
      tank.occurrences.filter((one) => one.on === tank.today).map((one) => ({ tank, one })),
    ),
  );
  let missed = $derived(here.filter((tank) => tank.catchUp));

  /** What the model knows of the work. */
  function reasonOf(tank: UpkeepTank, one: Occurrence): string {
    return said(tank.works.find((work) => work.key === one.work)?.reason ?? [], tank.today);
  }

  async function done(tank: UpkeepTank, one: Occurrence) {
    const id = crypto.randomUUID();
    const sent = await note({
      id,
      tank: tank.id,
      text: one.doneAs,
      at: new Date().toISOString(),
    });
    if ('refused' in sent) {
      show({ kind: 'problem', text: sent.refused });
      return;
    }
    void load();
    show({
      kind: 'done',
      text: `${tank.name}: ${sent.recorded.understood.join('; ')}.`,
      action: {
        label: 'Undo',
        run: () =>
          void api
            .PUT('/api/tanks/{id}/log/{line}/withdrawn', {
              params: { path: { id: tank.id, line: id } },
              body: { withdrawn: true },
            })
            .then(load),
      },
    });
  }

  async function move(tank: UpkeepTank, work: string, nextOn: string, words: string) {
    const answer = await api.PUT('/api/tanks/{id}/upkeep/{work}', {
      params: { path: { id: tank.id, work } },
      body: { version: tank.careVersion, nextOn },
    });
    if (!answer.response.ok) {
      const why = answer.error?.fields?.[0]?.allowed ?? answer.error?.detail ?? 'It stays.';
      show({ kind: 'problem', text: sayDays(why, today) });
    } else show({ kind: 'done', text: `${tank.name}: ${words} on ${shortDay(nextOn)}.` });
    await load();
  }

  function open(which: typeof sheet, tank = '') {
    chosen = tank || here[0]?.id || '';
    sheet = which;
  }
</script>

<svelte:head><title>Upkeep · Umberline</title></svelte:head>

{#if tanks}
  <div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
    <div class="flex flex-wrap items-baseline justify-between gap-x-8">
      <h1 class="font-serif text-2xl sm:text-3xl">
        {todo.length === 0
          ? 'Nothing is to be done today.'
          : `${todo.length} ${todo.length === 1 ? 'piece' : 'pieces'} of work today`}
      </h1>
      <p class="flex flex-wrap gap-x-5 text-sm">
        {#if sites.length > 1}
          <Label dense
            ><span class="sr-only">where</span>
            <select class="border-base-content/40 border-b bg-transparent" bind:value={site}>
              <option value="">everywhere</option>
              {#each sites as name (name)}<option value={name}>{name}</option>{/each}
            </select></Label
          >
        {/if}
        <Button dense data-testid="absence-open" onclick={() => open('absence')}>Being away</Button>
        <Button dense data-testid="calendar-open" onclick={() => open('calendar')}>Calendar</Button>
        <Button dense data-testid="care-open" onclick={() => open('care')}
          >Buckets, devices, tasks</Button
        >
      </p>
    </div>
    {#each missed as tank (tank.id)}
      <p class="border-accent mt-2 border-l-4 pl-3 text-sm" data-testid="catch-up">
        {tank.name}: {tank.catchUp?.missed === 1
          ? 'a change was'
          : `${tank.catchUp?.missed} changes were`} missed since {longDay(
          tank.catchUp?.since ?? today,
          tank.today,
        )}. Do the next one now; the others are not added to it, and what else is late is spread
        over the days.
      </p>
    {/each}
    <ul class="border-base-content/40 mt-3 border-t" data-testid="today">
      {#each todo as { tank, one } (tank.id + one.work)}
        <li
          class="border-base-300 flex flex-wrap items-center gap-x-6 border-b py-1"
          data-testid="todo"
        >
          <a
            class="inline-flex min-h-11 w-28 items-center font-serif text-lg"
            href="/tank/{tank.id}">{tank.name}</a
          >
          <span class="min-w-0 flex-1 basis-48"
            >{said(one.words, tank.today)}
            {#if one.lateDays > 0}<span class="text-neutral text-sm">· {one.lateDays} d late</span
              >{/if}
            {#if one.why || reasonOf(tank, one)}<span class="text-neutral text-sm"
                >· {one.why || reasonOf(tank, one)}</span
              >{/if}
          </span>
          {#if one.doneAs}
            <Button
              kind="strong"
              aria-label="{tank.name}: {said(one.words, tank.today)} done"
              onclick={() => done(tank, one)}>Done</Button
            >
          {:else if one.kind === 'CHANGE'}
            <TextLink href="/tank/{tank.id}/change">Run sheet</TextLink>
          {:else if one.kind === 'TEST'}
            <TextLink href="/bench">At the bench</TextLink>
          {:else}
            <TextLink href="/tank/{tank.id}/log">Note how much</TextLink>
          {/if}
        </li>
      {/each}
    </ul>
    <Feeder />
    {#if wide.current}
      <Band tanks={here} days={WEEKS * 7} onmove={move} onopen={(tank) => open('habits', tank)} />
    {:else}
      <h2 class="mt-6 font-serif text-lg">The next days</h2>
      <ul>
        {#each here
          .flatMap((tank) => tank.occurrences
              .filter((one) => one.on > tank.today)
              .map((one) => ({ tank, one })))
          .sort((a, b) => (a.one.on < b.one.on ? -1 : 1))
          .slice(0, 20) as { tank, one } (tank.id + one.work + one.on)}
          <li class="border-base-300 flex gap-x-4 border-b py-2 text-sm">
            <span class="text-neutral w-24 shrink-0">{nearDay(one.on, tank.today)}</span>
            <span>{tank.name}: {said(one.words, tank.today)}</span>
          </li>
        {/each}
      </ul>
    {/if}
  </div>
  <Sheet title="Being away" open={sheet === 'absence'} onclose={() => (sheet = '')} printable>
    <Absence tanks={here} {today} />
  </Sheet>
  <Sheet title="Calendar" open={sheet === 'calendar'} onclose={() => (sheet = '')}>
    <Calendar />
  </Sheet>
  <Sheet
    title="Buckets, devices, tasks"
    open={sheet === 'care'}
    onclose={() => {
      sheet = '';
      void load();
    }}
  >
    <CareForm tanks={here} />
  </Sheet>
  <Sheet
    title="How often"
    open={sheet === 'habits'}
    onclose={() => {
      sheet = '';
    }}
  >
    {#each here.filter((one) => one.id === chosen) as tank (tank.id)}
      <Habits {tank} onchanged={load} />
    {/each}
  </Sheet>
{:else}
  <NotYet alone words="Laying out the weeks…" />
{/if}
