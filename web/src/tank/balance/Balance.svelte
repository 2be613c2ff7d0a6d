<script lang="ts">
  import { Latest } from '../../lib/latest';
  import { onMount, untrack } from 'svelte';
  import {
    api,
    type Balance,
    type Ledgers,
    type LineOfTank,
    type Outlook,
    type Schemas,
    type Tried,
    type Problem,
  } from '../../api/client';
  import { whenRenewed } from '../../lib/connection.svelte';
  import { show } from '../../lib/toast.svelte';
  import { addDays, interval, percent } from '../../lib/words';
  import { volume } from '../../lib/units.svelte';
  import { Waiting } from '../../lib/waiting.svelte';
  import EntryLine from '../log/EntryLine.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import Ledger from './ledger/Ledger.svelte';
  import Sentence from './Sentence.svelte';
  import Ways from './Ways.svelte';
  import Tideline from './tideline/Tideline.svelte';
  import Button from '../../ui/Button.svelte';
  import TextLink from '../../ui/TextLink.svelte';

  let { tank }: { tank: string } = $props();

  type Part = 'fraction' | 'everyDays' | 'nextOn';
  const SHEETS = {
    working: 'Working',
    'other ways': 'Other ways',
    'what-ifs': 'What-ifs',
    'track record': 'Track record',
  } as const;
  type SheetName = keyof typeof SHEETS;
  interface Lines {
    nitrate: LineOfTank;
    phosphate: LineOfTank;
  }

  const ASK_AFTER_MS = 60;
  let balance = $state.raw<Balance | null>(null);
  let ledgers = $state.raw<Ledgers | null>(null);
  let missing = $state('');
  let sheet = $state<SheetName | ''>('');
  const waiting = new Waiting();
  /** Lines of the ledger that are tried otherwise. */
  let tries = $state.raw<Tried[]>([]);
  /** What was forecast on an earlier day, when the keeper wants to see it. */
  let then = $state.raw<Schemas['Then'] | null>(null);
  /** What is being tried, and the newest answer to it. */
  let tried = $state.raw<Outlook | null>(null);
  let triedLines = $state.raw<Lines | null>(null);
  /** Whether the routine itself was changed, and not only what follows from a moved line. */
  let routineTried = $state(false);
  let stale = $state(false);
  let held = $state<Part | ''>('');
  const asking = new Latest();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let outlook = $derived(tried ?? balance?.shown ?? null);
  let lines = $derived(triedLines ?? balance?.lines ?? null);
  const params = () => ({ path: { id: tank } });

  async function load() {
    waiting.start(tank);
    const answer = await api.GET('/api/tanks/{id}/balance', { params: params() });
    waiting.stop();
    if (answer.data) {
      balance = answer.data;
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
      clearTimeout(timer);
      asking.giveUp();
    };
  });

  function putBack() {
    clearTimeout(timer);
    asking.giveUp();
    tried = null;
    triedLines = null;
    tries = [];
    routineTried = false;
    stale = false;
    held = '';
  }

  /** Shows the change at once and asks for what follows from it. */
  function tryPart(part: Part, value: number) {
    const routine = outlook?.routine;
    if (!balance || !outlook || !routine) return;
    const changed = {
      ...routine,
      [part]: part === 'nextOn' ? addDays(balance.tank.today, value) : value,
    };
    routineTried = true;
    tried = { ...outlook, routine: changed };
    if (part === 'fraction') ask(held === 'everyDays' ? 'NOTHING' : 'INTERVAL');
    else if (part === 'everyDays') ask(held === 'fraction' ? 'NOTHING' : 'FRACTION');
    else ask(held === 'fraction' ? 'NOTHING' : 'FRACTION');
  }

  /** Tries lines of the ledger under the routine that is shown. */
  function tryLines(next: Tried[]) {
    if (next.length === 0 && !routineTried && !triedLines) {
      putBack();
      return;
    }
    tries = next;
    ask('NOTHING');
  }

  /** Tries one of the ways that stand beside the advice. */
  function tryWay(way: Schemas['Way']) {
    if (!balance || !outlook) return;
    sheet = '';
    tries = [];
    setTried(way.fraction, way.everyDays, way.startsOn);
  }

  /** Tries a lever, with the routine that it allows. */
  function tryHelp(help: Schemas['Help']) {
    if (!balance || !outlook) return;
    sheet = '';
    tries = help.tries;
    const next = balance.shown.routine?.nextOn ?? addDays(balance.tank.today, 1);
    if (help.fraction === undefined) ask('NOTHING');
    else setTried(help.fraction, help.everyDays, next);
  }

  function setTried(fraction: number, everyDays: number, nextOn: string) {
    if (!balance || !outlook) return;
    routineTried = fraction > 0;
    const litres = fraction * balance.tank.netVolumeL;
    tried = {
      ...outlook,
      routine: fraction > 0 ? { fraction, litres, everyDays, nextOn } : undefined,
    };
    ask('NOTHING');
  }

  function tryLine(nutrient: keyof Lines, line: LineOfTank) {
    if (!balance || !lines) return;
    triedLines = { ...lines, [nutrient]: line };
    ask(held ? (held === 'fraction' ? 'INTERVAL' : 'FRACTION') : 'FRACTION');
  }

  function ask(solve: 'FRACTION' | 'INTERVAL' | 'NOTHING') {
    stale = true;
    clearTimeout(timer);
    timer = setTimeout(() => void find(solve), ASK_AFTER_MS);
  }

  async function find(solve: 'FRACTION' | 'INTERVAL' | 'NOTHING') {
    if (!balance || !outlook) return;
    // where no change is planned none is tried, unless a moved line asks for one
    const routine =
      outlook.routine ??
      (solve === 'NOTHING'
        ? undefined
        : { fraction: 0.25, everyDays: 7, nextOn: balance.tank.today });
    const body = {
      solve,
      tries,
      fraction: routine?.fraction,
      everyDays: routine?.everyDays,
      nextOn: routine?.nextOn,
      nitrate: triedLines?.nitrate,
      phosphate: triedLines?.phosphate,
    };
    const answer = await asking.ask((signal) =>
      api.POST('/api/tanks/{id}/what-if', { params: params(), body, signal }),
    );
    if (!answer) return;
    if (answer.data) tried = answer.data;
    else show({ kind: 'problem', text: answer.error?.detail ?? 'That can’t be tried.' });
    stale = false;
  }

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
    balance = answer.data;
    putBack();
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
    const routine = outlook?.routine;
    const moved = triedLines;
    const before = balance;
    if (!before || stale) return;
    const withRoutine = routine && (routineTried || !moved) ? routine : null;
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
    untrack(putBack);
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
  {#if balance && outlook && lines}
    <div class="pt-2 sm:pl-[52px]">
      <Sentence
        balance={triedLines ? { ...balance, lines } : balance}
        {outlook}
        trying={tried !== null || triedLines !== null}
        lineMoved={triedLines !== null && !routineTried}
        {stale}
        {held}
        ontry={tryPart}
        onhold={(part) => (held = part)}
        onadopt={adopt}
        onescape={putBack}
      >
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
      <Ways {balance} onway={tryWay} onhelp={tryHelp} />
    </div>
    <div class="h-[27rem] shrink-0 pt-1 sm:h-auto sm:flex-[1_0_22rem]">
      <Tideline
        {balance}
        {outlook}
        compare={tried ? balance.shown : null}
        {then}
        {lines}
        {stale}
        online={tryLine}
        onadopt={adopt}
        onescape={putBack}
      />
    </div>
    <div class="min-h-[9.5rem] shrink-0">
      {#if ledgers}
        <Ledger {ledgers} {tries} ontry={tryLines} />
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
          <OtherWays {balance} onway={tryWay} onhelp={tryHelp} />
        {/await}
      {:else if sheet === 'what-ifs'}
        {#await import('./sheets/WhatIfs.svelte') then { default: WhatIfs }}
          <WhatIfs {tank} {tries} {tried} />
        {/await}
      {:else if sheet === 'track record'}
        {#await import('./sheets/TrackRecord.svelte') then { default: TrackRecord }}
          <TrackRecord {balance} onthen={showThen} />
        {/await}
      {/if}
    </Sheet>
  {:else if missing}
    <p class="pt-8 font-serif text-xl" role="alert">{missing}</p>
  {:else if waiting.words}
    <p class="text-neutral pt-8 font-serif text-xl" role="status" data-testid="waiting">
      {waiting.words}
    </p>
  {/if}
</div>
