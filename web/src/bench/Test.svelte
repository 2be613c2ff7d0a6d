<script lang="ts">
  import { numberOf } from '../lib/numbers';
  import { Latest } from '../lib/latest';
  import { sayDays } from '../lib/words';
  import { onDestroy } from 'svelte';
  import { api, type Schemas } from '../api/client';

  import { note } from '../lib/outbox.svelte';
  import Timer from '../ui/Timer.svelte';
  import { show } from '../lib/toast.svelte';
  import Button from '../ui/Button.svelte';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';
  import Select from '../ui/Select.svelte';
  import Stepper from '../ui/Stepper.svelte';

  let {
    tank,
    test,
    sample = '',
    sound,
    onnoted,
  }: {
    tank: Schemas['BenchTank'];
    test: Schemas['BenchTest'];
    /** Which of a pair of samples this is, such as “before the change”; empty for a single one. */
    sample?: string;
    sound: boolean;
    onnoted: () => Promise<void>;
  } = $props();

  interface Taken {
    values: (number | null)[];
    qualifier: '=' | '<' | '>';
    dilution: number;
    lowRange: number;
    remark: string;
  }
  const MOST = 9;
  const ASK_EVERY_MS = 700;
  // svelte-ignore state_referenced_locally
  const store = `umberline-bench-${tank.id}-${test.analyte}-${test.kit ?? ''}${sample && `-${sample}`}`;
  const nothing = (): Taken => ({
    values: [null],
    qualifier: '=',
    dilution: 1,
    lowRange: 1,
    remark: sample,
  });

  // what was read and not yet noted stays over a reload
  let taken = $state<Taken>(JSON.parse(localStorage.getItem(store) ?? 'null') ?? nothing());
  let result = $state.raw<Schemas['BenchResult'] | null>(null);
  let problem = $state('');
  let special = $state(false);
  let meter = $state('');
  let measuring = '';
  let timer: Timer | undefined = $state();
  const asking = new Latest();
  let gone = false;
  onDestroy(() => (gone = true));

  let read = $derived(taken.values.filter((value): value is number => value !== null));

  export function startTimer() {
    timer?.start();
  }

  function changed() {
    localStorage.setItem(store, JSON.stringify(taken));
    void work();
  }

  async function work() {
    asking.giveUp();
    if (read.length === 0) {
      result = null;
      problem = '';
      return;
    }
    const answer = await asking.ask((signal) =>
      api.POST('/api/tanks/{id}/bench/result', {
        params: { path: { id: tank.id } },
        body: { ...$state.snapshot(taken), values: read, analyte: test.analyte, kit: test.kit },
        signal,
      }),
    );
    if (!answer) return;
    result = answer.data ?? null;
    problem = answer.data ? '' : (answer.error?.detail ?? 'That can’t be read.');
  }
  // svelte-ignore state_referenced_locally
  if (read.length > 0) void work();

  function type(i: number, typed: string) {
    const text = typed.trim();
    const mark = /^[<>]/.exec(text)?.[0] as '<' | '>' | undefined;
    if (mark) taken.qualifier = mark;
    taken.values[i] = numberOf(text.replace(/^[<>]/, '')) ?? null;
    changed();
  }

  /** One step up or down: along the card, or by a fiftieth of what is there. */
  function step(i: number, by: number) {
    const now = taken.values[i] ?? 0;
    if (test.card.length > 0) {
      const at = test.card.findIndex((value) => value >= now);
      const place = Math.max(0, Math.min(test.card.length - 1, (at < 0 ? 0 : at) + by));
      taken.values[i] = test.card[place] ?? now;
    } else {
      const size = now >= 10 ? 1 : now >= 1 ? 0.1 : 0.01;
      taken.values[i] = Math.max(0, Number((now + by * size).toPrecision(4)));
    }
    changed();
  }

  /** Reads the photometer; lost on the way, the same measurement goes on when it is back. */
  async function measure() {
    measuring ||= crypto.randomUUID();
    const id = measuring;
    while (!gone && measuring === id) {
      const answer = await api.PUT('/api/tanks/{id}/bench/measurements/{measurement}', {
        params: { path: { id: tank.id, measurement: id }, query: { kit: test.kit ?? '' } },
      });
      const measured = answer.data;
      if (!measured) {
        meter = answer.error?.detail ?? 'The photometer can’t be asked.';
        measuring = '';
      } else if (measured.state === 'done') {
        const place = taken.values.findIndex((value) => value === null);
        const value = measured.value ?? 0;
        if (place >= 0) taken.values[place] = value;
        else taken.values.push(value);
        taken.qualifier = measured.qualifier as Taken['qualifier'];
        meter = '';
        measuring = '';
        changed();
      } else {
        meter =
          measured.state === 'measuring'
            ? 'measuring…'
            : `${measured.trouble} It is asked again by itself.`;
        await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
      }
    }
  }

  function leaveMeter() {
    measuring = '';
    meter = '';
  }

  async function noteIt() {
    if (!result) return;
    const line = result.line;
    const sent = await note({
      id: crypto.randomUUID(),
      tank: tank.id,
      text: line,
      at: new Date().toISOString(),
    });
    if ('refused' in sent) {
      problem = sent.refused;
      return;
    }
    localStorage.removeItem(store);
    taken = nothing();
    result = null;
    show({ kind: 'done', text: `${tank.name}: ${sent.recorded.understood.join('; ')}.` });
    await onnoted();
  }
</script>

<li
  class="border-base-300 grid grid-cols-1 gap-x-10 border-b py-3 lg:grid-cols-[1fr_26rem]"
  data-testid="bench-test"
  data-analyte={test.analyte}
>
  <div>
    <h3 class="text-lg">
      <span class="capitalize">{test.analyte}</span>
      {#if sample}<strong>{sample}</strong>{/if}
      <span class="text-neutral text-sm">
        {test.kit ? `with the ${test.kit.replaceAll('-', ' ')}` : 'no kit entered for it'}, {test.unit}
      </span>
    </h3>
    {#if test.why}<p class="text-sm" data-testid="bench-why">{test.why}</p>{/if}
    {#if test.shelf}<p class="text-error text-sm">{sayDays(test.shelf, tank.today)}</p>{/if}
    <ol class="mt-1 list-decimal pl-5 text-sm">
      {#each test.steps as one (one.text)}
        <li class="py-0.5">
          <span class="inline-flex flex-wrap items-center gap-3"
            >{one.text}
            {#if one.minutes !== undefined}
              <Timer
                bind:this={timer}
                name="{tank.id}-{test.analyte}-{test.kit}{sample}"
                minutes={one.minutes}
                words="{tank.name}, {test.analyte} {sample}"
                {sound}
              />
            {/if}</span
          >
        </li>
      {/each}
    </ol>
  </div>
  <div class="mt-2 lg:mt-0">
    {#each taken.values as value, i (i)}
      <div class="flex items-center gap-2">
        <Stepper
          value={value === null ? '' : `${taken.qualifier === '=' ? '' : taken.qualifier}${value}`}
          label="reading {i + 1} of {test.analyte} {sample}, {tank.name}"
          class="border-base-content w-24 text-lg font-bold"
          inputmode="decimal"
          onstep={(by) => step(i, by)}
          ontype={(text) => type(i, text)}
          data-testid="reading"
        />
        {#if i === 0}
          <Select
            aria-label="within the kit’s range: {test.analyte} {sample}, {tank.name}"
            bind:value={taken.qualifier}
            onchange={changed}
          >
            <option value="=">as read</option>
            <option value="<">below range</option>
            <option value=">">above range</option>
          </Select>
        {:else}
          <Button
            class="text-sm"
            onclick={() => {
              taken.values.splice(i, 1);
              changed();
            }}>leave out</Button
          >
        {/if}
      </div>
    {/each}
    <p class="flex flex-wrap items-center gap-x-5 text-sm">
      {#if taken.values.length < MOST}
        <Button onclick={() => taken.values.push(null)}>Another reading, or another reader</Button>
      {/if}
      {#if test.photometer}
        <Button data-testid="photometer" onclick={() => void measure()}>Read the photometer</Button>
      {/if}
      <Button aria-expanded={special} onclick={() => (special = !special)}
        >Diluted, low range</Button
      >
    </p>
    {#if meter}
      <p class="text-sm" role="status" data-testid="meter">
        {meter}
        <Button onclick={leaveMeter}>Leave it</Button>
      </p>
    {/if}
    {#if special || taken.dilution > 1 || taken.lowRange > 1}
      <p class="flex flex-wrap gap-x-5 text-sm">
        <Label
          >diluted with pure water
          <Input
            type="number"
            min="1"
            class="w-16 text-center"
            bind:value={taken.dilution}
            onchange={changed}
          /> times</Label
        >
        <Label
          >low range, sample of
          <Input
            type="number"
            min="1"
            class="w-16 text-center"
            bind:value={taken.lowRange}
            onchange={changed}
          /> times</Label
        >
      </p>
      <Label class="text-sm"
        >before or after a change, or who read it
        <Input class="flex-1" bind:value={taken.remark} onchange={changed} maxlength={200} /></Label
      >
    {/if}
    {#if problem}<p class="text-error text-sm" role="alert">{problem}</p>{/if}
    {#if result}
      <div aria-live="polite" data-testid="bench-result">
        <p class="font-serif text-lg">{result.words}</p>
        {#if test.low !== undefined && test.high !== undefined}
          <p class="text-neutral text-sm">Expected was {test.low} to {test.high} {test.unit}.</p>
        {/if}
        {#if read.length > 1}
          <p class="text-neutral text-sm">
            The median of {read.length}; they are {result.spread} apart.
          </p>
        {/if}
        {#if result.alsoIn.length > 0}
          <p class="text-neutral text-sm">
            = {result.alsoIn.map((one) => `${one.value} ${one.unit}`).join(' = ')}
          </p>
        {/if}
        {#if result.surprising}
          <p class="border-accent border-l-4 pl-2" role="alert" data-testid="surprising">
            This contradicts what was expected, {result.low} to {result.high}. Read again, with a
            fresh sample, before acting.
          </p>
        {/if}
        <Button kind="main" class="mt-1" data-testid="note-result" onclick={() => void noteIt()}
          >Note it</Button
        >
      </div>
    {/if}
  </div>
</li>
