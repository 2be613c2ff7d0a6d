<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../../api/client';
  import { numberOf } from '../../lib/numbers';
  import { note } from '../../lib/outbox.svelte';
  import { said } from '../../lib/said';
  import { may, tanks } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import { volume } from '../../lib/units.svelte';
  import { dayAndMonth, dayStart, ownDay, shortDay } from '../../lib/words';
  import Button from '../../ui/Button.svelte';
  import Chip from '../../ui/Chip.svelte';
  import Input from '../../ui/Input.svelte';
  import Select from '../../ui/Select.svelte';
  import NotYet from '../../rounds/NotYet.svelte';
  import { OTHERS, amount, lineOf, typed } from './asking';

  /** Working amounts of what goes into a tank, always for its own volume, each with its ceiling. */
  let { tank }: { tank: string } = $props();

  const AFTER_TYPING_MS = 250;

  let doses = $state.raw<Schemas['Doses'] | null>(null);
  let problem = $state('');
  let what = $state('nitrate');
  let from = $state('');
  let to = $state('');
  let having = $state('');
  let source = $state('');
  let litres = $state('');
  let percent = $state('3');
  let gave = $state('');
  let seconds = $state('60');
  let daily = $state('');
  let placement = $state<'reactor' | 'bag'>('reactor');
  let binds = $state('');
  let label = $state('');
  let dose = $state.raw<Schemas['Dose'] | null>(null);
  let noted = $state<string[]>([]);
  let name = $derived(tanks.all.find((one) => one.id === tank)?.name ?? '');
  let raised = $derived(doses?.raise.find((one) => one.what === what));
  const today = ownDay(new Date().toISOString());

  onMount(async () => {
    const answer = await api.GET('/api/tanks/{id}/doses', { params: { path: { id: tank } } });
    if (!answer.data) {
      problem = answer.error?.detail ?? 'Doses can’t be worked out now.';
      return;
    }
    doses = answer.data;
    source = answer.data.carbon[0]?.id ?? '';
    choose('nitrate');
  });

  function choose(next: string) {
    what = next;
    problem = '';
    dose = null;
    const one = doses?.raise.find((raisable) => raisable.what === next);
    const lowers = next === 'adsorber' || next === 'precipitant';
    const phosphate = doses?.raise.find((raisable) => raisable.what === 'phosphate');
    from = typed(lowers ? phosphate?.now : one?.now);
    to = typed(lowers ? doses?.lowerPhosphateTo : one?.to);
    having = one?.with[0]?.id ?? '';
    label = typed(doses?.conditionerMlPer100L);
    void ask();
  }

  let later: ReturnType<typeof setTimeout> | undefined;
  function asked() {
    clearTimeout(later);
    later = setTimeout(() => void ask(), AFTER_TYPING_MS);
  }

  /** Asks once every blank is filled; an answer to an earlier question is not shown. */
  let question = 0;
  async function ask() {
    const mine = ++question;
    const answer = await answered();
    if (mine !== question) return;
    dose = answer?.data ?? null;
    noted = [];
    problem = answer?.error
      ? (answer.error.fields?.map((field) => field.allowed).join('; ') ??
        answer.error.detail ??
        'That can’t be worked out.')
      : '';
  }

  function answered() {
    const params = { path: { id: tank } };
    if (raised) {
      const levels = { from: numberOf(from), to: numberOf(to) };
      if (levels.from === undefined || levels.to === undefined) return undefined;
      return api.POST('/api/tanks/{id}/doses/raise', {
        params,
        body: { what, from: levels.from, to: levels.to, with: having },
      });
    }
    if (what === 'carbon')
      return api.POST('/api/tanks/{id}/doses/carbon', { params, body: { source } });
    if (what === 'adsorber' || what === 'precipitant') {
      const levels = { from: numberOf(from), to: numberOf(to), mgPerMl: numberOf(binds) };
      if (levels.from === undefined || levels.to === undefined) return undefined;
      const body = { from: levels.from, to: levels.to };
      if (what === 'adsorber')
        return api.POST('/api/tanks/{id}/doses/adsorber', { params, body: { ...body, placement } });
      if (levels.mgPerMl === undefined) return undefined;
      return api.POST('/api/tanks/{id}/doses/precipitant', {
        params,
        body: { ...body, mgPerMl: levels.mgPerMl },
      });
    }
    if (what === 'conditioner') {
      const body = { litres: numberOf(litres), mlPer100L: numberOf(label) };
      if (body.litres === undefined || body.mlPer100L === undefined) return undefined;
      return api.POST('/api/tanks/{id}/doses/conditioner', {
        params,
        body: { litres: body.litres, mlPer100L: body.mlPer100L },
      });
    }
    if (what === 'peroxide') {
      const body = { litres: numberOf(litres), percent: numberOf(percent) };
      if (body.litres === undefined || body.percent === undefined) return undefined;
      return api.POST('/api/tanks/{id}/doses/peroxide', {
        params,
        body: { litres: body.litres, percent: body.percent },
      });
    }
    const run = { ml: numberOf(gave), seconds: numberOf(seconds), mlPerDay: numberOf(daily) };
    if (run.ml === undefined || run.seconds === undefined || run.mlPerDay === undefined)
      return undefined;
    return api.POST('/api/tanks/{id}/doses/pump', {
      params,
      body: { ml: run.ml, seconds: run.seconds, mlPerDay: run.mlPerDay },
    });
  }

  /** Notes a dose as given now. */
  async function given(line: string, key: string) {
    noted = [...noted, key];
    const id = crypto.randomUUID();
    const sent = await note({ id, tank, text: line, at: new Date().toISOString() });
    if ('refused' in sent) {
      noted = noted.filter((one) => one !== key);
      show({ kind: 'problem', text: sent.refused });
    } else show({ kind: 'done', text: `Noted: ${sent.recorded.understood.join('; ')}.` });
  }
</script>

<svelte:head><title>Doses · {name} · Umberline</title></svelte:head>

{#snippet blank(label: string, value: string, change: (text: string) => void)}
  <Input
    class="w-[4.5rem] text-center"
    inputmode="decimal"
    aria-label={label}
    {value}
    oninput={(event) => {
      change(event.currentTarget.value);
      asked();
    }}
  />
{/snippet}

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  {#if doses}
    <h1 class="font-serif text-2xl sm:text-3xl">Doses for {name}</h1>
    <p class="text-neutral text-sm">Worked out for its {volume(doses.litres)} of water.</p>
    <div role="group" aria-label="what is dosed" class="mt-3 flex flex-wrap gap-2 text-sm">
      {#each doses.raise as one (one.what)}
        <Chip class="px-3" pressed={what === one.what} onclick={() => choose(one.what)}
          >{one.what}</Chip
        >
      {/each}
      {#each OTHERS as one (one.key)}
        <Chip class="px-3" pressed={what === one.key} onclick={() => choose(one.key)}
          >{one.words}</Chip
        >
      {/each}
    </div>
    <p
      class="mt-4 flex max-w-4xl flex-wrap items-center gap-x-2 font-serif text-lg"
      data-testid="dose-asked"
    >
      {#if raised}
        Raise {raised.what} from {@render blank(
          'what the water holds',
          from,
          (text) => (from = text),
        )}
        to {@render blank('what it shall hold', to, (text) => (to = text))}
        {raised.unit} with
        <Select
          class="font-serif"
          aria-label="what it is raised with"
          bind:value={having}
          onchange={() => void ask()}
        >
          {#each raised.with as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
        </Select>
      {:else if what === 'carbon'}
        Feed bacteria, which take nitrate with them, with
        <Select
          class="font-serif"
          aria-label="source of carbon"
          bind:value={source}
          onchange={() => void ask()}
        >
          {#each doses.carbon as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
        </Select>
      {:else if what === 'adsorber' || what === 'precipitant'}
        Lower phosphate from {@render blank('what the water holds', from, (text) => (from = text))}
        to {@render blank('what it shall hold', to, (text) => (to = text))} mg/L PO4 with
        {#if what === 'adsorber'}
          an adsorber in a
          <Select
            class="font-serif"
            aria-label="where the adsorber lies"
            bind:value={placement}
            onchange={() => void ask()}
          >
            <option value="reactor">reactor</option>
            <option value="bag">bag</option>
          </Select>
        {:else}
          a precipitant, of which a mL binds
          {@render blank('mg PO4 that a mL binds', binds, (text) => (binds = text))} mg PO4 by its label
        {/if}
      {:else if what === 'conditioner'}
        Condition {@render blank('litres of tap water', litres, (text) => (litres = text))} L of tap water;
        the label says {@render blank('mL for 100 L', label, (text) => (label = text))} mL for 100 L
      {:else if what === 'peroxide'}
        Treat algae with peroxide of {@render blank(
          'strength, percent',
          percent,
          (text) => (percent = text),
        )}
        % while {@render blank('litres in the tank', litres, (text) => (litres = text))} L are in the
        tank
      {:else}
        The pump gave {@render blank('mL it gave', gave, (text) => (gave = text))} mL in
        {@render blank('seconds it ran', seconds, (text) => (seconds = text))} s, and
        {@render blank('mL wanted a day', daily, (text) => (daily = text))} mL a day are wanted
      {/if}
    </p>
    {#if problem}
      <p class="text-error mt-3" role="alert">{problem}</p>
    {:else if dose}
      <div aria-live="polite" class="mt-5 max-w-4xl" data-testid="dose">
        <h2
          class={[
            'font-serif text-[1.35rem] leading-8 sm:text-2xl',
            dose.refused && 'border-error border-l-4 pl-3',
          ]}
        >
          {said(dose.sentence, today)}
        </h2>
        <div class="mt-3 grid gap-x-12 gap-y-4 sm:grid-cols-2">
          {#if dose.steps.length > 0}
            <ol class="border-base-content/40 border-t text-sm" data-testid="dose-steps">
              {#each dose.steps as step, i (step.on)}
                <li
                  class="border-base-300 grid min-h-11 grid-cols-[8.5rem_1fr_auto] items-center gap-x-3 border-b sm:min-h-9"
                >
                  <span class="text-neutral"
                    >{step.until === step.on
                      ? shortDay(step.on)
                      : `${dayAndMonth(dayStart(step.on))} to ${dayAndMonth(dayStart(step.until))}`}</span
                  >
                  <span
                    ><strong>{amount(step.amount)} {dose.unit}</strong>{step.until !== step.on
                      ? ' a day'
                      : ''}{#if step.reaches !== undefined}<span class="text-neutral">
                        {' '}→ {typed(step.reaches)} {dose.reachesUnit}</span
                      >{/if}</span
                  >
                  {#if i === 0 && dose.line && may(tank, 'HELPER')}
                    <Button
                      dense
                      disabled={noted.includes(step.on)}
                      aria-label="{noted.includes(step.on)
                        ? 'Noted'
                        : 'Given'}: the dose of {shortDay(step.on)}"
                      onclick={() => void given(lineOf(dose!, step), step.on)}
                      >{noted.includes(step.on) ? 'Noted' : 'Given'}</Button
                    >
                  {/if}
                </li>
              {/each}
            </ol>
          {:else if dose.line && may(tank, 'HELPER')}
            <p>
              <Button
                kind="main"
                disabled={noted.length > 0}
                onclick={() => void given(lineOf(dose!), 'all')}>Note it as done</Button
              >
            </p>
          {/if}
          <div class="text-sm">
            <ul class="flex flex-col gap-2">
              {#each dose.notes as words, i (i)}<li>{said(words, today)}</li>{/each}
            </ul>
            {#if dose.cautions.length > 0}
              <h3 class="mt-4 font-bold">Mind</h3>
              <ul data-testid="cautions">
                {#each dose.cautions as caution (caution)}
                  <li class="border-base-300 border-t py-1">{caution}</li>
                {/each}
              </ul>
            {/if}
          </div>
        </div>
      </div>
    {:else}
      <p class="text-neutral mt-4 text-sm">Fill the blanks.</p>
    {/if}
  {:else if problem}
    <p class="pt-8 font-serif text-xl" role="alert">{problem}</p>
  {:else}
    <NotYet words="Looking at the water…" {tank} />
  {/if}
</div>
