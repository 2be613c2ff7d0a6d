<script lang="ts">
  import type { Schemas } from '../api/client';
  import { numberOf } from '../lib/numbers';
  import { fromShown, labelOf, toShown, type QuantityName } from '../lib/units.svelte';
  import VolumeHelp from '../tank/make-up/VolumeHelp.svelte';
  import Button from '../ui/Button.svelte';
  import Chip from '../ui/Chip.svelte';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';
  import Count from '../ui/Count.svelte';
  import { AGES, CHANGES, FEEDS, KINDS, PLANTS, type QuestionKey } from './questions';
  import { changeWaterOf, changeWatersOf, figureOf, type Answers } from './talk';

  /** One question of the talk with its answers to press, and room for one's own. */
  let { key, answers, lists }: { key: QuestionKey; answers: Answers; lists: Schemas['Lists'] } =
    $props();

  let helping = $state(false);
  let own = $state(false);
  let waters = $derived(changeWatersOf(answers, lists));
  let water = $derived(changeWaterOf(answers, lists));

  const countOf = (size: string) => answers.animals.find((one) => one.size === size)?.count ?? 0;

  function setCount(size: string, count: number) {
    answers.animals = [...answers.animals.filter((one) => one.size !== size), { size, count }];
  }

  function toggle(name: string) {
    answers.cleaners = answers.cleaners.includes(name)
      ? answers.cleaners.filter((one) => one !== name)
      : [...answers.cleaners, name];
  }

  /** A number as it is typed in the keeper's unit; nothing where there is none. */
  function typed(quantity: QuantityName, text: string): number | undefined {
    const number = numberOf(text);
    return number !== undefined && number >= 0 ? fromShown(quantity, number) : undefined;
  }

  const shown = (quantity: QuantityName, value: number | undefined) =>
    value === undefined ? '' : String(Number(toShown(quantity, value).toPrecision(4)));
</script>

{#snippet number(
  label: string,
  quantity: QuantityName,
  value: number | undefined,
  set: (value: number | undefined) => void,
  field: string,
)}
  <Label>
    <span class="w-44">{label}</span>
    <Input
      class="w-24 text-right tabular-nums"
      inputmode="decimal"
      value={shown(quantity, value)}
      onchange={(event) => set(typed(quantity, event.currentTarget.value))}
      data-field={field}
    />
    <span class="text-neutral text-sm">{labelOf(quantity)}</span>
  </Label>
{/snippet}

{#if key === 'tank'}
  <Label>
    <span class="w-44">Its name</span>
    <Input class="w-60" bind:value={answers.name} maxlength={120} data-field="name" />
  </Label>
  {@render number(
    'Water in it',
    'volume',
    answers.litres,
    (value) => (answers.litres = value || undefined),
    'litres',
  )}
  <Button type="button" class="text-sm" onclick={() => (helping = !helping)}
    >{helping ? 'I know the volume' : 'Find the net volume'}</Button
  >
  {#if helping}
    <VolumeHelp
      temperatureC={25}
      onvolume={(litres) => {
        answers.litres = litres;
        helping = false;
      }}
    />
  {/if}
{:else if key === 'keeping'}
  <div class="flex flex-wrap gap-2.5">
    {#each KINDS as [kind, words] (kind)}
      <Chip pressed={answers.keeping === kind} onclick={() => (answers.keeping = kind)}
        >{words}</Chip
      >
    {/each}
  </div>
{:else if key === 'animals'}
  <ul>
    {#each lists.animalSizes as size (size.term)}
      <li class="flex items-center gap-4">
        <Count
          value={countOf(size.term)}
          label={size.term}
          onchange={(count) => setCount(size.term, count)}
        />
        <span
          >{size.term}
          <span class="text-neutral text-sm"
            >to about {figureOf(lists.animalSizes, size.term, 'length')} cm</span
          ></span
        >
      </li>
    {/each}
  </ul>
{:else if key === 'feeding'}
  <div class="flex flex-wrap gap-2.5">
    {#each lists.portions as portion (portion.term)}
      <Chip
        pressed={answers.portion === portion.term}
        onclick={() => (answers.portion = portion.term)}>{portion.term}</Chip
      >
    {/each}
  </div>
  {#if answers.portion}
    <p class="mt-2 flex items-center gap-3">
      <Count
        value={answers.portions}
        label="helpings at a feed"
        least={1}
        onchange={(count) => (answers.portions = count)}
      /> at a feed
    </p>
    <div class="mt-2 flex flex-wrap gap-2.5">
      {#each FEEDS as feed (feed.words)}
        <Chip
          pressed={answers.feedsPerWeek === feed.perWeek}
          onclick={() => (answers.feedsPerWeek = feed.perWeek)}>{feed.words}</Chip
        >
      {/each}
    </div>
    <p class="text-neutral mt-3 text-sm">
      It is taken as {figureOf(lists.portions, answers.portion, 'mass')} g until you weigh yours.
    </p>
  {/if}
{:else if key === 'plants'}
  <div class="flex flex-wrap gap-2.5">
    <Chip
      pressed={answers.plants === ''}
      onclick={() => {
        answers.plants = '';
        answers.cover = '';
      }}>nothing, or hardly anything</Chip
    >
    {#each PLANTS as [kind, words] (kind)}
      <Chip
        pressed={answers.plants === kind}
        onclick={() => {
          answers.plants = kind;
          answers.cover ||= lists.plantCovers[0]?.term ?? '';
        }}>{words}</Chip
      >
    {/each}
  </div>
  {#if answers.plants}
    <p class="mt-4">How much of it?</p>
    <div class="mt-2 flex flex-wrap gap-2.5">
      {#each lists.plantCovers as cover (cover.term)}
        <Chip pressed={answers.cover === cover.term} onclick={() => (answers.cover = cover.term)}
          >{cover.term}</Chip
        >
      {/each}
    </div>
  {/if}
{:else if key === 'filter'}
  <div class="flex flex-wrap gap-2.5">
    {#each lists.cleaners as { term } (term)}
      <Chip pressed={answers.cleaners.includes(term)} onclick={() => toggle(term)}>{term}</Chip>
    {/each}
  </div>
  <p class="mt-4">It has run</p>
  <div class="mt-2 flex flex-wrap gap-2.5">
    {#each AGES as age (age.days)}
      <Chip pressed={answers.ageDays === age.days} onclick={() => (answers.ageDays = age.days)}
        >{age.words}</Chip
      >
    {/each}
  </div>
{:else if key === 'changes'}
  <div class="flex flex-wrap gap-2.5">
    {#each CHANGES as one (one.words)}
      <Chip
        pressed={!own && answers.percent === one.percent && answers.everyDays === one.everyDays}
        onclick={() => {
          own = false;
          answers.percent = one.percent;
          answers.everyDays = one.everyDays;
        }}
        data-testid="changes-{one.percent}-{one.everyDays}">{one.words}</Chip
      >
    {/each}
    <Chip
      pressed={own}
      onclick={() => {
        own = true;
        answers.percent ??= 25;
      }}>otherwise</Chip
    >
  </div>
  {#if own}
    <p class="mt-3 flex flex-wrap items-center gap-2">
      <Count
        value={answers.percent ?? 25}
        label="percent of the water"
        least={1}
        most={100}
        onchange={(value) => (answers.percent = value)}
      />
      % of the water every
      <Count
        value={answers.everyDays}
        label="days between changes"
        least={1}
        most={120}
        onchange={(value) => (answers.everyDays = value)}
      /> days
    </p>
  {/if}
  {#if answers.percent}
    <p class="mt-4">With what?</p>
    <div class="mt-2 flex flex-wrap gap-2.5">
      {#each waters as one (one)}
        <Chip pressed={water === one} onclick={() => (answers.changeWater = one)}>{one}</Chip>
      {/each}
    </div>
    <p class="text-neutral mt-3 text-sm">
      What it holds decides how low you can get. Until you test it, nitrate {shown(
        'nitrate',
        figureOf(lists.changeWaters, water, 'nitrate'),
      )} and phosphate {shown('phosphate', figureOf(lists.changeWaters, water, 'phosphate'))} are assumed.
    </p>
    {@render number(
      'Its nitrate, if tested',
      'nitrate',
      answers.changeWaterNitrate,
      (value) => (answers.changeWaterNitrate = value),
      'source-nitrate',
    )}
    {@render number(
      'Its phosphate, if tested',
      'phosphate',
      answers.changeWaterPhosphate,
      (value) => (answers.changeWaterPhosphate = value),
      'source-phosphate',
    )}
  {/if}
{:else}
  <p class="text-neutral mb-2">Today’s, in the tank. Older ones can be entered in the log.</p>
  {@render number(
    'Nitrate',
    'nitrate',
    answers.nitrate,
    (value) => (answers.nitrate = value),
    'nitrate',
  )}
  {@render number(
    'Phosphate',
    'phosphate',
    answers.phosphate,
    (value) => (answers.phosphate = value),
    'phosphate',
  )}
{/if}
