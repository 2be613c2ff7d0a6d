<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Problem, type RoundsLine } from '../api/client';
  import { whenRenewed } from '../lib/connection.svelte';
  import { goTo } from '../lib/place.svelte';
  import { MANY, sortOut } from './rounds';
  import { show } from '../lib/toast.svelte';
  import { drawn, volume } from '../lib/units.svelte';
  import { said } from '../lib/said';
  import { loadTanks, tanks } from '../lib/tanks.svelte';
  import { addDays, longDay, nearDay, percent, shortDay } from '../lib/words';
  import LevelStrip from '../ui/LevelStrip.svelte';
  import Button from '../ui/Button.svelte';
  import TextLink from '../ui/TextLink.svelte';
  import Input from '../ui/Input.svelte';

  let lines = $state<RoundsLine[] | null>(null);
  let refused = $state<Problem | null>(null);
  let slow = $state(false);
  let site = $state(localStorage.getItem('umberline-site') ?? '');
  let busy = $state('');

  async function load() {
    const timer = setTimeout(() => (slow = true), 300);
    const answer = await api.GET('/api/rounds');
    clearTimeout(timer);
    slow = false;
    lines = answer.data ?? [];
  }
  whenRenewed(() => void load());
  onMount(load);

  let sites = $derived([...new Set((lines ?? []).map((line) => line.site).filter(Boolean))].sort());
  let here = $derived(
    (lines ?? []).filter((line) => !site || !sites.includes(site) || line.site === site),
  );

  let looked = $state('');
  let all = $state(false);
  let sorted = $derived(sortOut(here, looked, all));

  function choose(name: string) {
    site = name;
    localStorage.setItem('umberline-site', name);
  }

  function heading(all: RoundsLine[]): string {
    if (all.length === 0) return 'No tank yet.';
    const wanting = all.filter((line) => line.verdict !== 'SKIP').length;
    if (all.length === 1) return wanting ? 'One tank wants a hand.' : 'The tank can wait.';
    if (wanting === 0) return 'All tanks can wait.';
    return `${wanting} of ${all.length} tanks ${wanting === 1 ? 'wants' : 'want'} a hand.`;
  }

  function task(line: RoundsLine): string {
    const today = line.tank.today;
    if (line.verdict === 'ACT_NOW')
      return line.fraction === undefined
        ? 'Act now'
        : `Act now: change ${percent(line.fraction)} (${volume(line.litres ?? 0)})`;
    if (line.verdict === 'STUCK')
      return line.fraction === undefined
        ? 'No water change can keep it under your limits'
        : `Change ${percent(line.fraction)} (${volume(line.litres ?? 0)}) today; no routine can keep it under`;
    if (line.verdict === 'TEST_FIRST' && line.testFirst)
      return `Test ${line.testFirst.analyte} first`;
    if (line.verdict === 'CHANGE')
      return `Change ${percent(line.fraction ?? 0)} (${volume(line.litres ?? 0)}) today`;
    if (line.fraction !== undefined && line.on)
      return `Skip until ${nearDay(line.on, today)}, then ${percent(line.fraction)} (${volume(line.litres ?? 0)})`;
    return line.crossesOn ? 'Skip for now' : 'Skip: nothing is needed';
  }

  function reason(line: RoundsLine): string {
    const holds = line.why.find((one) => one.kind === 'HOLDS_UNTIL');
    if (line.verdict === 'SKIP' && holds) return said(holds.words, line.tank.today);
    if (line.verdict === 'SKIP' && line.crossesOn)
      return `Left alone, a limit is passed about ${longDay(line.crossesOn, line.tank.today)}.`;
    if (line.verdict === 'SKIP' && line.fraction === undefined)
      return `${line.nitrate.line.ceilingMgL === undefined ? 'Phosphate' : 'Nitrate'} stays under ${
        line.nitrate.line.ceilingMgL === undefined
          ? drawn('phosphate', line.phosphate.line.ceilingMgL ?? 0)
          : drawn('nitrate', line.nitrate.line.ceilingMgL)
      } without any change.`;
    return line.why.map((one) => said(one.words, line.tank.today)).join(' ');
  }

  /** The first work that the plan asks for, where it is not due already. */
  const planWork = (line: RoundsLine) =>
    line.work
      .filter((work) => work.added && work.on > line.tank.today)
      .filter((work) => line.due.every((one) => one.work !== `renew:${work.of}`))
      .slice(0, 1);

  function due(line: RoundsLine): string {
    return line.due
      .slice(0, 3)
      .map(
        (work) =>
          `${said(work.words, line.tank.today).toLowerCase()}${work.lateDays > 0 ? `, ${work.lateDays} d late` : ''}`,
      )
      .join(' · ');
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

  const kinds: Record<string, string> = {
    freshwater: 'fresh',
    brackish: 'brackish',
    marine: 'marine',
  };

  async function takeIn(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const chosen = input.files?.[0];
    if (!chosen) return;
    refused = null;
    const id = crypto.randomUUID();
    const file = await chosen.text();
    const answer = await api.POST('/api/tanks', { body: { id, file } });
    input.value = '';
    if (answer.error) refused = answer.error;
    else {
      void loadTanks();
      goTo(`/tank/${id}`);
    }
  }
</script>

<svelte:head><title>Rounds · Umberline</title></svelte:head>

{#if lines}
  <div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
    <div class="flex flex-wrap items-baseline justify-between gap-x-8">
      <h1 class="font-serif text-2xl sm:text-3xl">{heading(here)}</h1>
      {#if sites.length > 1}
        <div
          role="group"
          aria-label="where"
          class="flex flex-wrap gap-x-4 text-sm"
          data-testid="sites"
        >
          {#each ['', ...sites] as name (name)}
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
    {#if lines[0]}
      <p class="text-neutral font-serif text-lg">{shortDay(lines[0].tank.today)}</p>
    {:else}
      <p class="mt-2 max-w-prose">
        <a class="underline" href="/new">Start a tank</a> in three minutes, or take in a tank file, and
        its forecast is here in a moment.
      </p>
    {/if}
    {#if here.length > MANY}
      <p class="mt-2 flex flex-wrap items-center gap-x-6 text-sm">
        <Input
          type="search"
          dense
          class="w-60"
          placeholder="tank or room"
          aria-label="find a tank by name or room"
          bind:value={looked}
          data-testid="find-tank"
        />
        {#if all}<Button dense onclick={() => (all = false)}>only what wants a hand</Button>{/if}
      </p>
    {/if}
    <ul class="border-base-content/40 mt-3 border-t">
      {#each sorted.shown as line (line.tank.id)}
        <li
          class="border-base-content/40 grid grid-cols-1 gap-x-8 gap-y-2 border-b py-3 md:grid-cols-[10.5rem_1fr_250px_9.5rem]"
          data-testid="rounds-line"
        >
          <div>
            <a
              href="/tank/{line.tank.id}"
              class="inline-flex min-h-11 max-w-full items-center font-serif text-xl break-words sm:min-h-0"
              >{line.tank.name}</a
            >
            <p class="text-neutral text-sm">
              {volume(line.tank.netVolumeL)} · {kinds[line.tank.water] ?? line.tank.water}{line.site
                ? ` · ${line.site}`
                : ''}
            </p>
          </div>
          <div>
            <a
              href="/tank/{line.tank.id}"
              class="inline-flex min-h-11 items-center font-serif text-xl sm:min-h-0 {line.verdict ===
              'SKIP'
                ? 'text-neutral'
                : 'decoration-primary underline decoration-2 underline-offset-4'}">{task(line)}</a
            >
            {#each line.warnings as warning, i (i)}
              <p class="border-error mt-0.5 border-l-4 pl-2 text-sm" data-testid="warning">
                {said(warning, line.tank.today)}
              </p>
            {/each}
            <p class="text-neutral mt-0.5 text-sm">{reason(line)}</p>
            {#each planWork(line) as work (work.of)}
              <p class="mt-0.5 text-sm" data-testid="plan-work">
                {said(work.words, line.tank.today)} by {nearDay(work.on, line.tank.today)}.
              </p>
            {/each}
            {#if line.due.length > 0}
              <p class="mt-0.5 text-sm" data-testid="due">Due: {due(line)}</p>
            {/if}
            {#if line.verdict === 'TEST_FIRST'}
              <p class="text-sm">
                <TextLink kind="strong" dense href="/tank/{line.tank.id}"
                  >Enter the reading</TextLink
                >
              </p>
            {:else if line.fraction !== undefined && line.verdict !== 'STUCK'}
              <p class="flex gap-x-5 text-sm">
                <TextLink
                  kind="strong"
                  dense
                  href="/tank/{line.tank.id}/change"
                  aria-label="{line.tank.name}: run sheet">Run sheet</TextLink
                >
                <Button
                  dense
                  disabled={busy === line.tank.id}
                  onclick={() => done(line)}
                  aria-label="{line.tank.name}: change done">Change done</Button
                >
                {#if line.fixedRoutine}
                  <Button
                    dense
                    disabled={busy === line.tank.id}
                    onclick={() => later(line, 1, 'a day later')}
                    aria-label="{line.tank.name}: a day later">A day later</Button
                  >
                  <Button
                    dense
                    disabled={busy === line.tank.id}
                    onclick={() =>
                      later(
                        line,
                        Math.ceil((line.standing ?? line.routine)?.everyDays ?? 7),
                        'skipped',
                      )}
                    aria-label="{line.tank.name}: skip this one">Skip this one</Button
                  >
                {/if}
              </p>
            {/if}
          </div>
          <div class="flex flex-col gap-1">
            <LevelStrip level={line.nitrate} name="nitrate" colour="var(--color-primary)" />
            <LevelStrip level={line.phosphate} name="phosphate" colour="var(--color-secondary)" />
          </div>
          <dl class="grid grid-cols-2 gap-x-4 self-start text-sm">
            <dt class="text-neutral">tested</dt>
            <dt class="text-neutral">changed</dt>
            <dd class="font-bold">
              {line.daysSinceTest === undefined ? 'never' : `${line.daysSinceTest} d ago`}
            </dd>
            <dd class="font-bold">
              {line.daysSinceChange === undefined ? 'never' : `${line.daysSinceChange} d ago`}
            </dd>
          </dl>
        </li>
      {:else}
        {#if looked}<li class="py-3">No tank or room is called “{looked}”.</li>{/if}
      {/each}
      {#if sorted.waiting.length > 0}
        <li class="border-base-content/40 border-b py-2 text-sm" data-testid="waiting">
          <Button class="text-left" onclick={() => (all = true)}
            ><span class="font-serif text-xl">{sorted.waiting.length} can wait</span></Button
          >
          <span class="text-neutral">{sorted.waiting.map((line) => line.tank.name).join(', ')}</span
          >
        </li>
      {/if}
    </ul>
    <div class="mt-4 flex flex-wrap items-center gap-x-8">
      <TextLink href="/new" class="text-sm" data-testid="new-tank">Start a new tank</TextLink>
      {#if tanks.all.some((tank) => tank.putAway)}
        <TextLink href="/account" class="text-sm"
          >{tanks.all.filter((tank) => tank.putAway).length} put away</TextLink
        >
      {/if}
      <label class="inline-flex min-h-11 cursor-pointer items-center gap-3 text-sm">
        <span class="underline underline-offset-4">Take in a tank file</span>
        <input
          type="file"
          accept=".json,application/json"
          class="max-w-[14rem] text-xs"
          onchange={takeIn}
          data-testid="take-in"
        />
      </label>
    </div>
    {#if refused}
      <div role="alert" class="border-error mt-3 border-l-2 pl-3 text-sm" data-testid="refused">
        <p class="text-error font-semibold">{refused.detail}</p>
        <ul class="mt-1">
          {#each refused.fields ?? [] as field (field.field + field.found)}
            <li>
              <code>{field.field || 'the file'}</code>: found {field.found}; allowed: {field.allowed}
            </li>
          {/each}
        </ul>
      </div>
    {/if}
  </div>
{:else if slow}
  <p class="text-neutral px-4 pt-8 font-serif text-xl sm:px-10" role="status">
    Going round the tanks…
  </p>
{/if}
