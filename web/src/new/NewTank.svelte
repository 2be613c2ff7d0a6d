<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Problem, type Schemas } from '../api/client';

  import { goTo } from '../lib/place.svelte';
  import { loadTanks } from '../lib/tanks.svelte';
  import { drawn } from '../lib/units.svelte';
  import { addDays, longDay } from '../lib/words';
  import Field from '../tank/make-up/Field.svelte';
  import MassHelp from '../tank/make-up/MassHelp.svelte';
  import { daysOf, kept } from '../tank/make-up/routine';
  import VolumeHelp from '../tank/make-up/VolumeHelp.svelte';
  import Button from '../ui/Button.svelte';
  import Check from '../ui/Check.svelte';
  import Input from '../ui/Input.svelte';
  import Select from '../ui/Select.svelte';

  /** A new tank in a few questions; what nobody answered is assumed, and said to be. */
  let lists = $state.raw<Schemas['Lists'] | null>(null);
  let problem = $state.raw<Problem | null>(null);
  let busy = $state(false);
  let helping = $state(false);
  let asked = $state({
    name: '',
    way: 'fish-only',
    volume: undefined as number | undefined,
    animals: 'Fish',
    count: 6,
    massG: 2,
    form: 'dry',
    gramsPerFeed: 0.3,
    feedsPerWeek: 7,
    tapNitrate: 10,
    tapPhosphate: 0.2,
    plants: '',
    plantG: 50,
    nitrate: undefined as number | undefined,
    phosphate: undefined as number | undefined,
    running: true,
    changes: true,
    percent: 25,
    everyDays: 7,
    lastOn: addDays(new Date().toISOString().slice(0, 10), -4),
    weeks: 12,
  });
  let touched = $state<Record<string, boolean>>({});
  const today = new Date();

  onMount(async () => {
    lists = (await api.GET('/api/lists')).data ?? null;
  });

  const WORDS: Record<string, string> = {
    'fish-only': 'fish, few or no plants',
    sensitive: 'sensitive fish, fry, shrimp, amphibians',
    'planted-low-light': 'planted, low light',
    'planted-high-light': 'planted, strong light and CO2',
    'no-change': 'plants do the work, no changes',
    'marine-fish-only': 'sea water, fish only',
    'mixed-reef': 'soft corals, mixed reef',
    'stony-reef': 'stony corals',
    'small-marine': 'small sea water tank, under 40 L',
    brackish: 'brackish',
  };
  let way = $derived(lists?.ways.find((one) => one.term === asked.way));
  const figureOf = (label: string) => way?.figures.find((one) => one.label === label)?.value;
  let water = $derived(way?.figures.find((one) => one.label === 'water')?.unit ?? 'freshwater');
  let saysLines = $derived.by(() => {
    const nitrate = figureOf('nitrate ceiling');
    const phosphate = figureOf('phosphate ceiling');
    return [
      nitrate === undefined ? '' : `nitrate under ${drawn('nitrate', nitrate)}`,
      phosphate === undefined ? '' : `phosphate under ${drawn('phosphate', phosphate)}`,
    ]
      .filter(Boolean)
      .join(', ');
  });

  let habit = $derived({
    percent: asked.running && asked.changes ? asked.percent : 0,
    everyDays: asked.everyDays,
    lastOn: asked.lastOn,
    weeks: asked.weeks,
  });
  let changeDays = $derived(touched.changes ? daysOf(habit) : []);
  // salt is mixed with water that holds next to nothing; from the tap comes what the tap holds
  let tapNitrate = $derived(touched.tapNitrate || water === 'freshwater' ? asked.tapNitrate : 0.2);
  let tapPhosphate = $derived(
    touched.tapPhosphate || water === 'freshwater' ? asked.tapPhosphate : 0.02,
  );

  function touch<K extends keyof typeof asked>(key: K, value: unknown) {
    asked[key] = value as (typeof asked)[K];
    touched[key] = true;
  }

  function line(nutrient: string) {
    return {
      floorMgL: figureOf(`${nutrient} floor`),
      ceilingMgL: figureOf(`${nutrient} ceiling`),
    };
  }

  async function start(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    problem = null;
    const id = crypto.randomUUID();
    const salty = water !== 'freshwater';
    const day = today.toISOString().slice(0, 10);
    const until = touched.changes
      ? kept(habit, asked.volume ?? 0, day, (one) => new Date(`${one}T12:00`).toISOString())
      : { routine: undefined, log: [] };
    const test = (analyte: string, value: number | undefined, unit: string) =>
      value === undefined ? [] : [{ at: today.toISOString(), type: 'test', analyte, value, unit }];
    const file = JSON.stringify({
      format: 'umberline-tank',
      version: 1,
      tank: {
        name: asked.name.trim(),
        water,
        netVolumeL: asked.volume,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        ...(asked.running ? {} : { startedOn: day }),
      },
      lines: { nitrate: line('nitrate'), phosphate: line('phosphate') },
      limits: { maxChangeFraction: figureOf('largest change') },
      waters: [
        {
          id: 'tap',
          name: salty ? 'New mixed water' : 'Tap water',
          nitrateMgL: tapNitrate,
          phosphateMgL: tapPhosphate,
          ...(salty ? { salinityPpt: water === 'marine' ? 35 : 12 } : {}),
        },
      ],
      changeWater: [{ water: 'tap', share: 1 }],
      ...(until.routine ? { routine: { waterChange: until.routine } } : {}),
      foods: [{ id: 'food', name: 'Food', form: asked.form }],
      feeding: [
        { food: 'food', gramsPerFeed: asked.gramsPerFeed, feedsPerWeek: asked.feedsPerWeek },
      ],
      livestock: [{ name: asked.animals, count: asked.count, massG: asked.massG }],
      plants: asked.plants
        ? [{ id: 'plants', name: 'Plants', kind: asked.plants, wetMassG: asked.plantG }]
        : [],
      exports: [{ id: 'filter', kind: 'mechanical', captureFractionPerDay: 0.3 }],
      log: [
        ...until.log,
        ...test('nitrate', asked.nitrate, 'mg/L NO3'),
        ...test('phosphate', asked.phosphate, 'mg/L PO4'),
      ],
    });
    const answer = await api.POST('/api/tanks', { body: { id, file } });
    busy = false;
    if (answer.error) {
      problem = answer.error;
      return;
    }
    void loadTanks();
    goTo(`/tank/${id}`);
  }
</script>

{#snippet number(
  key: 'percent' | 'everyDays' | 'weeks',
  label: string,
  least: number,
  most: number,
)}
  <Input
    type="number"
    inputmode="numeric"
    dense
    class="w-14 text-right tabular-nums"
    aria-label={label}
    min={least}
    max={most}
    value={asked[key]}
    onchange={(event) => {
      touch(key, Math.min(most, Math.max(least, event.currentTarget.valueAsNumber || least)));
      touch('changes', true);
    }}
  />
{/snippet}

<svelte:head><title>A new tank · Umberline</title></svelte:head>

<form
  class="mx-auto w-full max-w-2xl px-4 pt-4 pb-12 text-sm lg:min-h-0 lg:overflow-y-auto"
  onsubmit={start}
  data-testid="new-tank-form"
>
  <h1 class="font-serif text-2xl">A new tank</h1>
  <p class="text-neutral">
    Name and volume are enough. What is marked as assumed can be set right later; tests teach the
    rest.
  </p>
  <section class="border-base-content mt-3 border-t pt-1" aria-label="What it is">
    <h2 class="font-serif text-lg">What it is</h2>
    <Field name="name" value={asked.name} onchange={(v) => touch('name', v ?? '')} />
    <div class="flex min-h-11 items-center gap-2 sm:min-h-8">
      <label for="way" class="text-neutral w-40 shrink-0">kept as</label>
      <Select
        id="way"
        dense
        value={asked.way}
        onchange={(event) => touch('way', event.currentTarget.value)}
        data-testid="way"
      >
        {#each lists?.ways ?? [] as one (one.term)}
          <option value={one.term}>{WORDS[one.term] ?? one.term}</option>
        {/each}
      </Select>
      {#if !touched.way}<span class="text-neutral text-xs italic">assumed</span>{/if}
    </div>
    <p class="text-neutral">
      Its keepers hold {saysLines}: common practice, yours to move.
    </p>
    <Field name="netVolumeL" value={asked.volume} onchange={(v) => touch('volume', v)} />
    <Button type="button" dense onclick={() => (helping = !helping)}>Find the net volume</Button>
    <Check dense bind:checked={asked.running}
      >it has run for months already; a new one cycles first</Check
    >
  </section>
  <section class="border-base-content mt-3 border-t pt-1" aria-label="Who lives there, and on what">
    <h2 class="font-serif text-lg">Who lives there, and on what</h2>
    <Field
      name="animals"
      value={asked.animals}
      marked={!touched.animals}
      onchange={(v) => touch('animals', v ?? 'Fish')}
    />
    <Field
      name="count"
      value={asked.count}
      marked={!touched.count}
      onchange={(v) => touch('count', v ?? 0)}
    />
    <Field
      name="massG"
      value={asked.massG}
      marked={!touched.massG}
      onchange={(v) => touch('massG', v ?? 1)}
    />
    <MassHelp onmass={(grams) => touch('massG', grams)} />
    <Field
      name="food"
      value={asked.form}
      choices={lists?.foodForms.map((one) => one.term) ?? [asked.form]}
      marked={!touched.form}
      onchange={(v) => touch('form', v)}
    />
    <Field
      name="gramsPerFeed"
      value={asked.gramsPerFeed}
      marked={!touched.gramsPerFeed}
      onchange={(v) => touch('gramsPerFeed', v ?? 0)}
    />
    <Field
      name="feedsPerWeek"
      value={asked.feedsPerWeek}
      marked={!touched.feedsPerWeek}
      onchange={(v) => touch('feedsPerWeek', v ?? 0)}
    />
    <Field
      name="plants"
      value={asked.plants || 'none'}
      choices={['none', ...(lists?.plantKinds.map((one) => one.term) ?? [])]}
      marked={!touched.plants}
      onchange={(v) => touch('plants', v === 'none' ? '' : v)}
    />
    {#if asked.plants}
      <Field
        name="wetMassG"
        value={asked.plantG}
        marked={!touched.plantG}
        onchange={(v) => touch('plantG', v ?? 0)}
      />
    {/if}
  </section>
  {#if asked.running}
    <section class="border-base-content mt-3 border-t pt-1" aria-label="What you change now">
      <h2 class="font-serif text-lg">What you change now</h2>
      <p class="flex flex-wrap items-center gap-x-2">
        <Check
          dense
          checked={touched.changes === true && asked.changes}
          onchange={(event) => touch('changes', event.currentTarget.checked)}
          data-testid="changes-now">I change</Check
        >
        {@render number('percent', 'percent of the water', 1, 100)} % of the water every
        {@render number('everyDays', 'days between changes', 1, 120)} days, last on
        <Input
          type="date"
          dense
          aria-label="day of the last change"
          max={today.toISOString().slice(0, 10)}
          bind:value={asked.lastOn}
          onchange={() => touch('changes', true)}
        />
        and so for {@render number('weeks', 'weeks of this routine', 1, 520)} weeks
      </p>
      <p class="text-neutral" data-testid="changes-made">
        {#if changeDays.length > 0}
          {changeDays.length} changes are entered, from {longDay(changeDays[0] ?? '', '')} to
          {longDay(asked.lastOn, '')}; each can be put right in the log.
        {:else if touched.changes}
          No change until now.
        {:else}
          Unanswered: what was changed until now stays open, and the first forecasts are wider.
        {/if}
      </p>
    </section>
  {/if}
  <section
    class="border-base-content mt-3 border-t pt-1"
    aria-label="Change water, and a test if you have one"
  >
    <h2 class="font-serif text-lg">Change water, and a test if you have one</h2>
    <p class="text-neutral">The change water’s own</p>
    <Field
      name="nitrateMgL"
      value={tapNitrate}
      marked={!touched.tapNitrate}
      onchange={(v) => touch('tapNitrate', v)}
    />
    <Field
      name="phosphateMgL"
      value={tapPhosphate}
      marked={!touched.tapPhosphate}
      onchange={(v) => touch('tapPhosphate', v)}
    />
    <p class="text-neutral">In the tank today, if measured</p>
    <Field name="nitrateMgL" value={asked.nitrate} onchange={(v) => touch('nitrate', v)} />
    <Field name="phosphateMgL" value={asked.phosphate} onchange={(v) => touch('phosphate', v)} />
  </section>
  {#if problem}
    <div role="alert" class="border-error mt-3 border-l-2 pl-3">
      <p class="text-error font-semibold">{problem.detail}</p>
      {#each problem.fields ?? [] as one (one.field)}
        <p><code>{one.field}</code>: found {one.found}; allowed: {one.allowed}</p>
      {/each}
    </div>
  {/if}
  <button class="btn btn-primary mt-4 h-12" disabled={busy} data-testid="start-tank"
    >Show its forecast</button
  >
</form>
{#if helping}
  <div class="mx-auto w-full max-w-2xl px-4 pb-8 text-sm">
    <VolumeHelp
      temperatureC={25}
      onvolume={(litres) => {
        touch('volume', litres);
        helping = false;
      }}
    />
  </div>
{/if}
