<script lang="ts">
  import { api, type Schemas } from '../api/client';

  import { Latest } from '../lib/latest';
  import { numberOf } from '../lib/numbers';
  import { level, volume } from '../lib/units.svelte';
  import { about, addDays, longDay, percent, shortDay, timesInTen } from '../lib/words';
  import FeederPage from '../sitting/FeederPage.svelte';
  import Sitters from './Sitters.svelte';
  import DayField from '../ui/DayField.svelte';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';
  import Select from '../ui/Select.svelte';

  const uid = $props.id();
  let { tanks, today }: { tanks: Schemas['UpkeepTank'][]; today: string } = $props();
  // svelte-ignore state_referenced_locally
  let tank = $state(tanks[0]?.id ?? '');
  // svelte-ignore state_referenced_locally
  let from = $state(addDays(today, 3));
  // svelte-ignore state_referenced_locally
  let to = $state(addDays(today, 10));
  /** What the keeper says is fed; empty for the usual of such animals. */
  let grams = $state('');
  let away = $state.raw<Schemas['Absence'] | null>(null);
  let problem = $state('');
  let fedNumber = $derived(numberOf(grams));
  let unread = $derived(grams.trim() !== '' && !(fedNumber !== undefined && fedNumber >= 0));
  const asking = new Latest();

  $effect(() => {
    if (!unread) void work(tank, from, to, fedNumber);
  });

  async function work(id: string, first: string, last: string, gramsPerDay?: number) {
    if (!first || !last) return;
    const answer = await asking.ask((signal) =>
      api.POST('/api/tanks/{id}/absence', {
        params: { path: { id } },
        body: { from: first, to: last, gramsPerDay },
        signal,
      }),
    );
    if (!answer) return;
    away = answer.data ?? null;
    problem = answer.data ? '' : (answer.error?.detail ?? 'That can’t be worked out.');
  }

  /** What is fed, g a day. */
  let fed = $derived(away?.gramsPerDay ?? 0);
  const WHY: Record<NonNullable<Schemas['Absence']['why']>, string> = {
    FRY: 'fry are fed as ever; somebody must come, or take them in',
    GROWING: 'growing animals can’t go without',
    SEA: 'animals of the sea are fed half',
    SENSITIVE: 'such animals are fed a little',
    LONG: 'for more than a week a third is enough',
    GROWN: 'grown fish do without for a week',
  };
  let name = $derived(tanks.find((one) => one.id === tank)?.name ?? '');
</script>

<div class="flex flex-wrap gap-x-6 print:hidden">
  <Label
    >Tank
    <Select bind:value={tank}>
      {#each tanks as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
    </Select></Label
  >
  <Label
    >away from <DayField
      bind:value={() => from, (day) => (from = day ?? from)}
      {today}
      toCome
    /></Label
  >
  <Label>to <DayField bind:value={() => to, (day) => (to = day ?? to)} {today} toCome /></Label>
  <Label
    >fed
    <Input
      class="w-16 text-center"
      inputmode="decimal"
      bind:value={grams}
      placeholder={about(fed)}
      aria-invalid={unread}
      aria-describedby={unread ? `${uid}-grams` : undefined}
      data-testid="away-grams"
    /> g a day</Label
  >
</div>
{#if unread}
  <p id="{uid}-grams" class="text-error" role="alert">What is fed must be a number, 0 or more.</p>
{/if}
{#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
{#if away}
  <div data-testid="absence">
    <p class="mt-3 font-serif text-xl leading-8">
      {#if away.without.probabilityWithinLines >= away.confidence}
        No change is needed before.
      {:else if away.with}
        Change <strong>{percent(away.with.changeBefore)}</strong> ({volume(away.with.litres)}) on
        <strong>{longDay(away.changeOn, today)}</strong> before leaving.
      {:else}
        No single change of {percent(away.largestFraction)} or less is enough: begin earlier, or have
        less fed.
      {/if}
    </p>
    <p>
      {#if away.with}
        With it your limits hold {timesInTen(away.with.probabilityWithinLines)}, nitrate up to about {level(
          'nitrate',
          away.with.nitratePeakMgL,
        )} and phosphate {level('phosphate', away.with.phosphatePeakMgL)}. Without it
        {timesInTen(away.without.probabilityWithinLines)}.
      {:else}
        Your limits hold {timesInTen(away.without.probabilityWithinLines)}; nitrate goes up to about {level(
          'nitrate',
          away.without.nitratePeakMgL,
        )} and phosphate {level('phosphate', away.without.phosphatePeakMgL)}.
      {/if}
      Test on {shortDay(away.testOn)}, after the return.
    </p>
    <p class="text-neutral">
      Usual is about {about(away.rationGPerDay)} g a day; {fed > 0
        ? `this is ${percent(away.shareOfRation)} of it. Holiday feeders overfeed: weigh a portion first.`
        : 'nothing is fed meanwhile.'}
      {#if away.why}Assumed because {WHY[away.why]}.{/if}
    </p>
    <section
      class="border-base-content mt-5 border p-4"
      aria-label="For whoever feeds"
      data-testid="feeder-page"
    >
      <FeederPage {name} {from} {to} gramsPerDay={fed} />
      <p class="mt-3">Call: ______________________ Vet: ______________________</p>
    </section>
    <div class="mt-4 print:hidden"><Sitters {tank} {from} {to} gramsPerDay={fed} /></div>
  </div>
{/if}
