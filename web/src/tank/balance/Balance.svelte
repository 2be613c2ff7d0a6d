<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import {
    api,
    type Balance,
    type Ledgers,
    type Outlook,
    type Pictured,
    type Schemas,
    type Problem,
  } from '../../api/client';
  import { Gradually } from '../../lib/gradually.svelte';
  import { painted } from '../../lib/paint';
  import { connection, whenRenewed } from '../../lib/connection.svelte';
  import { may } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import { interval, percent } from '../../lib/words';
  import { volume } from '../../lib/units.svelte';
  import { Waiting } from '../../lib/waiting.svelte';
  import EntryLine from '../log/EntryLine.svelte';
  import Progress from '../../ui/Progress.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import NewTank from './NewTank.svelte';
  import NotYet from '../../rounds/NotYet.svelte';
  import Sentence from './Sentence.svelte';
  import Ways from './Ways.svelte';
  import { Trial, type Lines } from './trial.svelte';
  import Button from '../../ui/Button.svelte';
  import TextLink from '../../ui/TextLink.svelte';

  let { tank }: { tank: string } = $props();

  const SHEETS = {
    working: 'Working',
    'other ways': 'Other ways',
    'other balances': 'Other balances',
    'what-ifs': 'What-ifs',
    'track record': 'Track record',
  } as const;
  type SheetName = keyof typeof SHEETS;
  let balance = $state.raw<Balance | null>(null);
  let past = $state.raw<Schemas['Past'] | null>(null);
  /** Why there is no picture. */
  let unseen = $state('');
  let pictured = $derived<Pictured | null>(balance && past && { ...balance, past });
  let ledgers = $state.raw<Ledgers | null>(null);
  let missing = $state('');
  let sheet = $state<SheetName | ''>('');
  const waiting = new Waiting();
  /** What was forecast on an earlier day, when the keeper wants to see it. */
  let then = $state.raw<Schemas['Then'] | null>(null);
  const trial = new Trial(
    () => tank,
    () => balance,
  );
  const gradually = new Gradually(1, 1, () => (balance ? 4 : 0));
  const params = () => ({ path: { id: tank } });

  /** How often it was asked for or saved: what comes later is not undone by an earlier answer. */
  let asked = 0;

  async function load() {
    const mine = ++asked;
    waiting.start(tank);
    const answer = await api.GET('/api/tanks/{id}/balance', { params: params() });
    waiting.stop();
    if (answer.data) {
      // the sentence first; what stands in a picture already changes with its past
      if (!past) {
        balance = answer.data;
        await painted();
      }
      const behind = await api.GET('/api/tanks/{id}/past', { params: params() });
      past = behind.data ?? past;
      unseen = past ? '' : (behind.error?.detail ?? 'It can’t be shown.');
      if (mine === asked) balance = answer.data;
      void loadLedger();
    } else missing = answer.error?.detail ?? 'This tank can’t be shown.';
  }

  async function loadLedger() {
    ledgers =
      (await api.GET('/api/tanks/{id}/ledger', { params: { ...params(), query: {} } })).data ??
      ledgers;
  }

  async function showThen(asOf: string) {
    then = asOf
      ? ((await api.GET('/api/tanks/{id}/then', { params: { ...params(), query: { asOf } } }))
          .data ?? null)
      : null;
  }

  whenRenewed(() => void load());
  onMount(() => {
    void load();
    return () => {
      waiting.stop();
      trial.leave();
    };
  });

  async function saveLines(next: Lines): Promise<boolean> {
    const body = {
      version: balance?.tank.version ?? 0,
      nitrate: next.nitrate,
      phosphate: next.phosphate,
    };
    return taken(await api.PUT('/api/tanks/{id}/lines', { params: params(), body }));
  }

  async function saveRoutine(next: Outlook['routine']): Promise<boolean> {
    const body = {
      version: balance?.tank.version ?? 0,
      fraction: next?.fraction,
      everyDays: next?.everyDays,
      nextOn: next?.nextOn,
    };
    return taken(await api.PUT('/api/tanks/{id}/routine', { params: params(), body }));
  }

  /** Shows what was saved, or why it was not. */
  function taken(answer: { data?: Balance; error?: Problem }): boolean {
    if (!answer.data) return refused(answer.error?.detail);
    asked++;
    balance = answer.data;
    trial.putBack();
    return true;
  }

  function refused(detail: string | undefined): false {
    show({
      kind: 'problem',
      text: detail ?? 'That was not saved.',
      action: { label: 'Load again', run: () => void load() },
    });
    return false;
  }

  /** Keeps what is tried: a line that was moved, or a routine, or both. */
  async function adopt() {
    const routine = trial.outlook?.routine;
    const moved = trial.movedLines;
    const before = balance;
    if (!before || trial.stale) return;
    const withRoutine = routine && (trial.routineTried || !moved) ? routine : null;
    if (moved && !(await saveLines(moved))) return;
    if (withRoutine && !(await saveRoutine(withRoutine))) return;
    if (!moved && !withRoutine) return;
    const undo = async () => {
      if (moved) await saveLines(before.lines);
      if (withRoutine) await saveRoutine(before.standing);
    };
    show({
      kind: 'done',
      text: withRoutine
        ? `Adopted: ${percent(withRoutine.fraction)} every ${interval(withRoutine.everyDays)}.`
        : 'The line is drawn anew.',
      action: { label: 'Undo', run: () => void undo() },
    });
  }

  function recorded() {
    untrack(() => trial.putBack());
    void load();
  }
</script>

<svelte:head><title>{balance?.tank.name ?? 'Tank'} · Umberline</title></svelte:head>

<div class="flex min-h-0 flex-1 flex-col overflow-x-clip px-4 pb-2 sm:px-10 lg:overflow-y-auto">
  <div class="flex flex-col gap-x-8 pt-1.5 sm:flex-row sm:items-end">
    <div class="flex shrink-0 items-baseline gap-3 sm:w-[26rem]">
      {#if balance}
        <span class="font-serif text-xl font-semibold">{balance.tank.name}</span>
        <span class="text-neutral text-sm"
          >{volume(balance.tank.netVolumeL)} · {balance.tank.water}</span
        >
        <TextLink
          dense
          class="text-neutral text-sm"
          href="/api/tanks/{tank}/file"
          download
          data-testid="tank-file">tank file</TextLink
        >
      {/if}
    </div>
    <div class="flex-1"><EntryLine {tank} onrecorded={recorded} /></div>
  </div>
  {#if balance && trial.outlook && trial.lines}
    <div class="pt-2 sm:pl-[52px]">
      <Sentence
        balance={{ ...balance, lines: trial.lines }}
        outlook={trial.outlook}
        trying={trial.trying}
        lineMoved={trial.movedLines !== null && !trial.routineTried}
        stale={trial.stale}
        held={trial.held}
        ontry={trial.part}
        onhold={(part) => (trial.held = part)}
        onadopt={adopt}
        onescape={trial.putBack}
      >
        {#snippet main()}
          {#if trial.trying}
            <!-- what is tried is kept or put back first -->
          {:else if balance?.today.fraction !== undefined}
            <TextLink kind="main" dense href="/tank/{tank}/change" data-testid="do-it"
              >Run sheet</TextLink
            >
          {:else if balance?.today.verdict === 'TEST_FIRST' && may(tank, 'HELPER')}
            <Button
              kind="main"
              dense
              onclick={() => document.getElementById('entry-line')?.focus()}
              data-testid="do-it">Enter the reading</Button
            >
          {/if}
        {/snippet}
        {#each Object.entries(SHEETS) as [name, title] (name)}
          <Button
            dense
            class="text-neutral"
            onclick={() => (sheet = name as SheetName)}
            data-testid="open-{name.replace(' ', '-')}">{title}</Button
          >
        {/each}
        {#if then}
          <Button dense onclick={() => (then = null)}>hide the forecast of {then.asOf}</Button>
        {/if}
      </Sentence>
    </div>
    <div class="shrink-0 pt-1 sm:pl-[52px]">
      {#if trial.outlook.young}
        <div class="min-h-12 sm:min-h-7"><NewTank {tank} {balance} /></div>
      {/if}
      {#if gradually.has(1)}
        <Ways {balance} onway={trial.way} onhelp={trial.help} />
      {/if}
    </div>
    <div class="h-[27rem] shrink-0 pt-1 sm:h-auto sm:flex-[1_0_20rem]">
      <!-- the sentence is read while the picture is fetched and drawn -->
      {#if pictured && gradually.has(2)}
        {#await import('./tideline/Tideline.svelte') then { default: Tideline }}
          <Tideline
            balance={pictured}
            outlook={trial.outlook}
            compare={trial.answer ? balance.shown : null}
            {then}
            lines={trial.lines}
            stale={trial.stale}
            online={trial.line}
            onadopt={adopt}
            onescape={trial.putBack}
          />
        {/await}
      {:else if unseen}
        <p class="text-neutral pt-4" role="alert">The picture is missing: {unseen}</p>
      {/if}
    </div>
    <div class="min-h-[9.5rem] shrink-0">
      {#if ledgers && gradually.has(3)}
        {#await import('./ledger/Ledger.svelte') then { default: Ledger }}
          <Ledger {ledgers} tries={trial.tries} ontry={trial.ledger} />
        {/await}
      {/if}
    </div>
    {#if balance.notCounted.length > 0}
      <p class="text-neutral pt-1 text-xs sm:pl-[52px]">
        Not counted yet: {balance.notCounted
          .map((text) => text.replace(/^[^:]*: /, ''))
          .join('; ')}.
      </p>
    {/if}
    <Sheet
      title={sheet ? SHEETS[sheet] : ''}
      open={sheet !== ''}
      onclose={() => (sheet = '')}
      printable={sheet === 'working' || sheet === 'track record'}
    >
      {#if sheet === 'working'}
        {#await import('./sheets/Working.svelte') then { default: Working }}
          <Working {balance} />
        {/await}
      {:else if sheet === 'other ways'}
        {#await import('./sheets/OtherWays.svelte') then { default: OtherWays }}
          <OtherWays
            {balance}
            onway={(way) => {
              sheet = '';
              trial.way(way);
            }}
            onhelp={(help) => {
              sheet = '';
              trial.help(help);
            }}
          />
        {/await}
      {:else if sheet === 'other balances'}
        {#await import('./sheets/OtherBalances.svelte') then { default: OtherBalances }}
          <OtherBalances {tank} />
        {/await}
      {:else if sheet === 'what-ifs'}
        {#await import('./sheets/WhatIfs.svelte') then { default: WhatIfs }}
          <WhatIfs {tank} tries={trial.tries} tried={trial.answer} />
        {/await}
      {:else if sheet === 'track record' && pictured}
        {#await import('./sheets/TrackRecord.svelte') then { default: TrackRecord }}
          <TrackRecord balance={pictured} onthen={showThen} />
        {/await}
      {/if}
    </Sheet>
  {:else if missing}
    <p class="pt-8 font-serif text-xl" role="alert">{missing}</p>
  {:else if connection.away}
    <NotYet words="" {tank} />
  {:else if waiting.words}
    <div class="pt-8 font-serif text-xl" role="status" data-testid="waiting">
      <Progress words={waiting.words} share={waiting.share} />
    </div>
  {/if}
</div>
