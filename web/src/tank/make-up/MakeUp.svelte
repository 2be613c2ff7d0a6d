<script lang="ts">
  import { onMount } from 'svelte';
  import { said } from '../../lib/said';
  import { api, type Problem, type Schemas } from '../../api/client';
  import { Latest } from '../../lib/latest';
  import { show } from '../../lib/toast.svelte';
  import { loadTanks } from '../../lib/tanks.svelte';
  import { labelOf, level } from '../../lib/units.svelte';
  import { about, interval, longDay, nearDay, percent, timesInTen } from '../../lib/words';
  import Field from './Field.svelte';
  import MassHelp from './MassHelp.svelte';
  import PutAway from './PutAway.svelte';
  import VolumeHelp from './VolumeHelp.svelte';
  import {
    SECTIONS,
    choices,
    fieldsOf,
    list,
    nameOf,
    ofKind,
    put,
    type Entry,
    type Section,
    type TankFile,
    type Value,
  } from './sections';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';

  let { tank }: { tank: string } = $props();

  const TRY_AFTER_MS = 350;
  let kept = $state.raw<Schemas['MakeUp'] | null>(null);
  let file = $state.raw<TankFile>({});
  let effect = $state.raw<Schemas['MakeUpEffect'] | null>(null);
  let before = $state.raw<Schemas['MakeUpEffect'] | null>(null);
  let problem = $state.raw<Problem | null>(null);
  let stale = $state(false);
  let missing = $state('');
  let opened = $state('');
  let helping = $state(false);
  let site = $state('');
  let timer: ReturnType<typeof setTimeout> | undefined;
  const asking = new Latest();
  const params = () => ({ path: { id: tank } });
  let changed = $derived(
    kept !== null && JSON.stringify(file) !== JSON.stringify(JSON.parse(kept.file)),
  );
  let today = $derived(new Date().toISOString().slice(0, 10));
  let tankPart = $derived((file.tank ?? {}) as Entry);
  let paper = $derived(new Map(effect?.paper.map((one) => [`${one.kind} ${one.id}`, one]) ?? []));

  onMount(() => {
    void load();
    return () => {
      clearTimeout(timer);
      asking.giveUp();
    };
  });

  async function load() {
    const answer = await api.GET('/api/tanks/{id}/make-up', { params: params() });
    if (answer.data) take(answer.data);
    else missing = answer.error?.detail ?? 'This tank can’t be shown.';
  }

  function take(next: Schemas['MakeUp']) {
    kept = next;
    file = JSON.parse(next.file) as TankFile;
    site = next.site;
    problem = null;
    before = null;
    void look();
  }

  function edit(next: TankFile) {
    file = next;
    stale = true;
    clearTimeout(timer);
    timer = setTimeout(() => void look(), TRY_AFTER_MS);
  }

  /** Asks what the make-up as it stands would lead to. */
  async function look() {
    stale = true;
    const answer = await asking.ask((signal) =>
      api.POST('/api/tanks/{id}/make-up/effect', {
        params: params(),
        body: { file: JSON.stringify(file) },
        signal,
      }),
    );
    if (!answer) return;
    stale = false;
    if (answer.data) {
      effect = answer.data;
      before ??= answer.data;
      problem = null;
    } else problem = answer.error ?? null;
  }

  async function keep(text = JSON.stringify(file), words = 'Kept.') {
    const old = kept;
    if (!old) return;
    const answer = await api.PUT('/api/tanks/{id}/make-up', {
      params: params(),
      body: { version: old.version, file: text },
    });
    if (!answer.data) {
      problem = answer.error ?? null;
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not kept.' });
      return;
    }
    take(answer.data);
    void loadTanks();
    show({
      kind: 'done',
      text: words,
      action: { label: 'Undo', run: () => void keep(old.file, 'As it was before.') },
    });
  }

  async function keepSite() {
    await api.PUT('/api/tanks/{id}/site', { params: params(), body: { site } });
    void loadTanks();
  }

  function set(path: (string | number)[], value: Value) {
    edit(put(file, path, value));
  }

  function setIn(section: Section, index: number, field: string, value: Value) {
    const entry = list(file, section.key)[index];
    if (section.key === 'exports' && field === 'kind' && entry)
      set([section.key, index], ofKind(entry, String(value)));
    else if (field === 'steps' && typeof value === 'string')
      set(
        [section.key, index, 'steps'],
        value
          .split(/[\s;,]+/)
          .filter(Boolean)
          .map((step) => (Number.isFinite(Number(step)) ? Number(step) : step)),
      );
    else set([section.key, index, field], value);
  }

  function add(section: Section) {
    const entries = list(file, section.key);
    edit({ ...file, [section.key]: [...entries, section.fresh(file, today)] });
    opened = `${section.key} ${entries.length}`;
  }

  function remove(section: Section, index: number) {
    const old = file;
    edit({ ...file, [section.key]: list(file, section.key).filter((_, i) => i !== index) });
    opened = '';
    show({
      kind: 'done',
      text: 'Left out; nothing is kept yet.',
      action: { label: 'Undo', run: () => edit(old) },
    });
  }

  function does(section: Section, entry: Entry): string {
    const key = `${section.key} ${String(section.key === 'feeding' ? entry.food : section.key === 'dosing' ? entry.fertiliser : entry.id)}`;
    const one = paper.get(key);
    if (!one || (one.nitrogenMgPerDay === 0 && one.phosphorusMgPerDay === 0)) return '';
    const say = (value: number) =>
      `${value < 0 ? 'takes up to' : 'brings'} ${about(Math.abs(value))}`;
    return [
      one.nitrogenMgPerDay ? `${say(one.nitrogenMgPerDay)} mg N` : '',
      one.phosphorusMgPerDay ? `${say(one.phosphorusMgPerDay)} mg P` : '',
    ]
      .filter(Boolean)
      .join(', ')
      .concat(' a day');
  }

  const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

  function sayRoutine(one: Schemas['MakeUpEffect']): string {
    if (one.routine)
      return `change ${percent(one.routine.fraction)} every ${interval(one.routine.everyDays)}, next ${nearDay(one.routine.nextOn, today)}`;
    return one.verdict === 'STUCK'
      ? 'no water change can keep it under your limits'
      : 'no change is needed';
  }

  const TANK = [
    'name',
    'water',
    'netVolumeL',
    'temperatureC',
    'pH',
    'alkalinityDkh',
    'salinityPpt',
    'surfaceAreaCm2',
    'startedOn',
    'timeZone',
  ];
  const LIMITS = [
    'maxChangeFraction',
    'confidence',
    'horizonDays',
    'maxNitrateStepMgL',
    'maxSalinityStepPpt',
    'maxAlkalinityStepDkh',
  ];
  const fieldProblem = (prefix: string) =>
    problem?.fields?.filter((one) => one.field.startsWith(prefix)) ?? [];
</script>

<svelte:head><title>{String(tankPart.name ?? 'Tank')}, make-up · Umberline</title></svelte:head>

{#snippet row(section: string, path: (string | number)[], value: Value, name = String(path.at(-1)))}
  <Field
    {name}
    value={Array.isArray(value)
      ? value.join(', ')
      : (value as string | number | boolean | undefined)}
    choices={choices(file, section, name)}
    onchange={(next) => set(path, next)}
  />
{/snippet}

{#if kept}
  <div
    class="grid min-h-0 flex-1 gap-x-10 px-4 pb-8 text-sm sm:px-10 lg:grid-cols-[1fr_21rem] lg:overflow-y-auto"
  >
    <div class="order-2 min-w-0 lg:order-1" data-testid="make-up">
      <h1 class="pt-4 font-serif text-2xl">What {String(tankPart.name ?? 'the tank')} is</h1>
      <section class="border-base-content mt-2 border-t pt-1" aria-label="The tank">
        <h2 class="font-serif text-lg">The tank</h2>
        <div class="grid gap-x-8 sm:grid-cols-2">
          {#each TANK as name (name)}{@render row('tank', ['tank', name], tankPart[name])}{/each}
          <div class="flex min-h-11 items-center gap-2 sm:min-h-8">
            <label for="site" class="text-neutral w-40 shrink-0">stands in</label>
            <Input
              id="site"
              dense
              class="min-w-0 flex-1"
              bind:value={site}
              maxlength={60}
              onchange={keepSite}
            />
          </div>
          {#each ['kind', 'areaCm2', 'depthCm'] as name (name)}
            {@render row(
              'substrate',
              ['tank', 'substrate', name],
              ((tankPart.substrate ?? {}) as Entry)[name],
            )}
          {/each}
        </div>
        <Button dense onclick={() => (helping = !helping)} data-testid="help-volume"
          >{helping ? 'I know the volume' : 'Find the net volume'}</Button
        >
        {#if helping}
          <VolumeHelp
            {tank}
            temperatureC={Number(tankPart.temperatureC ?? 25)}
            onvolume={(litres) => {
              set(['tank', 'netVolumeL'], litres);
              helping = false;
            }}
          />
        {/if}
      </section>
      <section class="border-base-content mt-3 border-t pt-1" aria-label="Lines and limits">
        <h2 class="font-serif text-lg">Lines and limits</h2>
        <div class="grid gap-x-8 sm:grid-cols-2">
          {#each ['nitrate', 'phosphate'] as const as nutrient (nutrient)}
            {#each ['floor', 'ceiling'] as end (end)}
              <div>
                <span class="text-neutral text-xs">{nutrient} {end}</span>
                {@render row(
                  'lines',
                  ['lines', nutrient, `${end}MgL`],
                  (((file.lines ?? {}) as Record<string, Entry>)[nutrient] ?? {})[`${end}MgL`],
                  `${nutrient}MgL`,
                )}
              </div>
            {/each}
          {/each}
          {#each LIMITS as name (name)}
            {@render row('limits', ['limits', name], ((file.limits ?? {}) as Entry)[name])}
          {/each}
          <Label dense class="sm:col-span-2">
            <input
              type="checkbox"
              checked={tankPart.stance === 'fixed-routine'}
              onchange={(event) =>
                set(['tank', 'stance'], event.currentTarget.checked ? 'fixed-routine' : 'by-need')}
              data-testid="fixed-routine"
            />
            I change on my routine’s own days, whether or not the water needs it
          </Label>
        </div>
      </section>
      {#each SECTIONS as section (section.key)}
        <section class="border-base-content mt-3 border-t pt-1" aria-label={section.title}>
          <h2 class="font-serif text-lg">{section.title}</h2>
          {#if section.key === 'feeding'}
            <p class="text-neutral">
              Where a ration changed, end the old one and add a new one: what was fed before stays
              as it was.
            </p>
          {/if}
          <ul>
            {#each list(file, section.key) as entry, index (index)}
              {@const key = `${section.key} ${index}`}
              <li class="border-base-300 border-b">
                <button
                  class="flex min-h-11 w-full flex-wrap items-center gap-x-4 text-left sm:min-h-8"
                  aria-expanded={opened === key}
                  onclick={() => (opened = opened === key ? '' : key)}
                  data-testid="make-up-entry"
                >
                  <span class="min-w-0 flex-1 truncate" class:text-neutral={entry.to}
                    >{nameOf(file, section.key, entry)}{entry.to
                      ? `, until ${String(entry.to)}`
                      : ''}</span
                  >
                  <span class="text-neutral" data-testid="does">{does(section, entry)}</span>
                </button>
                {#if opened === key}
                  <div class="border-primary mb-2 border-l-2 pl-4" data-testid="entry-fields">
                    <div class="grid gap-x-8 sm:grid-cols-2">
                      {#each fieldsOf(section, entry) as field (field)}
                        <Field
                          name={field}
                          value={Array.isArray(entry[field])
                            ? entry[field].join(', ')
                            : (entry[field] as string | number | boolean | undefined)}
                          choices={choices(file, section.key, field)}
                          onchange={(value) => setIn(section, index, field, value)}
                        />
                      {/each}
                    </div>
                    {#if section.key === 'livestock'}
                      <MassHelp onmass={(grams) => setIn(section, index, 'massG', grams)} />
                    {/if}
                    {#if section.key === 'foods'}
                      <p class="text-neutral">
                        A serving (cube, pinch, pot) is weighed once and then used by name. What is
                        left empty is assumed from the form.
                      </p>
                    {/if}
                    {#if section.key === 'exports' && entry.kind === 'carbon-dose'}
                      <p>
                        Ethanol burns: label, ventilation, away from flame and children. Cloudy
                        water or gasping animals: stop, aerate.
                      </p>
                    {/if}
                    <Button dense onclick={() => remove(section, index)}>Leave it out</Button>
                    {#if entry.from !== undefined && !entry.to}
                      <Button dense class="ml-5" onclick={() => setIn(section, index, 'to', today)}
                        >It ended today</Button
                      >
                    {/if}
                  </div>
                {/if}
                {#each fieldProblem(`/${section.key}/${index}`) as one (one.field)}
                  <p class="text-error" role="alert">
                    {one.field.split('/').slice(3).join(' ')}: found {one.found}; allowed: {one.allowed}
                  </p>
                {/each}
              </li>
            {/each}
          </ul>
          {#if section.key === 'waters'}
            {#each (file.changeWater ?? []) as Entry[] as part, index (index)}
              <div class="flex flex-wrap gap-x-4">
                <span class="text-neutral self-center">change water</span>
                {@render row('changeWater', ['changeWater', index, 'water'], part.water)}
                {@render row('changeWater', ['changeWater', index, 'share'], part.share)}
              </div>
            {/each}
            {#if list(file, 'waters').length > ((file.changeWater ?? []) as Entry[]).length}
              <Button
                dense
                onclick={() => {
                  const parts = (file.changeWater ?? []) as Entry[];
                  const free = list(file, 'waters').find(
                    (w) => !parts.some((p) => p.water === w.id),
                  );
                  edit({
                    ...file,
                    changeWater: [...parts, { water: free?.id, share: parts.length ? 0 : 1 }],
                  });
                }}>Mix another into the change water</Button
              >
            {/if}
            <div class="flex flex-wrap gap-x-4">
              <span class="text-neutral self-center">top off with</span>
              {#if !Array.isArray((file.topOff as Entry | undefined)?.water)}
                {@render row(
                  'topOff',
                  ['topOff', 'water'],
                  (file.topOff as Entry | undefined)?.water,
                )}
              {/if}
              {@render row(
                'topOff',
                ['topOff', 'litresPerDay'],
                (file.topOff as Entry | undefined)?.litresPerDay,
              )}
            </div>
          {/if}
          <Button dense onclick={() => add(section)} data-testid="add-{section.key}"
            >Add a {section.one}</Button
          >
        </section>
      {/each}
      <PutAway {tank} name={String(tankPart.name ?? 'The tank')} />
    </div>
    <aside
      class="bg-base-100 order-1 border-b pt-4 pb-2 lg:sticky lg:top-0 lg:order-2 lg:self-start lg:border-b-0 lg:border-l lg:pl-6"
      aria-label="What it comes to"
      data-testid="effect"
    >
      <h2 class="font-serif text-lg">What it comes to</h2>
      {#if problem}
        <div role="alert" data-testid="make-up-problem">
          <p class="text-error font-semibold">{problem.detail}</p>
          {#each problem.fields ?? [] as one (one.field)}
            <p><code>{one.field}</code>: found {one.found}; allowed: {one.allowed}</p>
          {/each}
        </div>
      {:else if effect}
        <div class="transition-opacity duration-150" class:opacity-50={stale}>
          {#each effect.warnings as warning, i (i)}
            <p class="border-error mb-2 border-l-4 pl-3" role="alert" data-testid="effect-warning">
              {said(warning, today)}
            </p>
          {/each}
          <p class="font-serif text-base" data-testid="effect-routine">
            {capital(sayRoutine(effect))}, {timesInTen(effect.probabilityWithinLines)}.
          </p>
          {#if before && sayRoutine(before) !== sayRoutine(effect)}
            <p class="text-neutral">As kept: {sayRoutine(before)}.</p>
          {/if}
          <p>
            Now nitrate about {level('nitrate', effect.nitrateNow.p50)} ({level(
              'nitrate',
              effect.nitrateNow.p10,
            )} to {level('nitrate', effect.nitrateNow.p90)})
            {labelOf('nitrate')}, phosphate about {level('phosphate', effect.phosphateNow.p50)} ({level(
              'phosphate',
              effect.phosphateNow.p10,
            )} to {level('phosphate', effect.phosphateNow.p90)}) {labelOf('phosphate')}.
          </p>
          <p>
            {effect.leftAloneNitrate.likely
              ? `Left alone, nitrate crosses the line about ${longDay(effect.leftAloneNitrate.likely, today)}.`
              : ''}
            {effect.leftAlonePhosphate.likely
              ? `Left alone, phosphate crosses the line about ${longDay(effect.leftAlonePhosphate.likely, today)}.`
              : ''}
          </p>
          <p class="text-neutral">
            On paper: in {about(
              effect.paper.reduce((sum, one) => sum + Math.max(0, one.nitrogenMgPerDay), 0),
            )}, out at best {about(
              effect.paper.reduce((sum, one) => sum + Math.max(0, -one.nitrogenMgPerDay), 0),
            )} mg N a day.
          </p>
        </div>
      {:else}
        <p class="text-neutral">Working out…</p>
      {/if}
      {#if changed}
        <p class="mt-2 flex gap-5">
          <Button
            kind="strong"
            disabled={problem !== null}
            onclick={() => keep()}
            data-testid="keep-make-up">Keep this</Button
          >
          <Button onclick={() => kept && take(kept)}>Put back</Button>
        </p>
      {/if}
    </aside>
  </div>
{:else if missing}
  <p class="px-10 pt-8 font-serif text-xl" role="alert">{missing}</p>
{/if}
