<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Balance, type Schemas } from '../../../api/client';
  import { about, interval, minutesText, nearDay, percent, timesInTen } from '../../../lib/words';
  import { figure, volume } from '../../../lib/units.svelte';
  import { said } from '../../../lib/said';
  import { does, WAY_NAMES } from '../ways';
  import OneOff from './OneOff.svelte';
  import Button from '../../../ui/Button.svelte';

  let {
    balance,
    onway,
    onhelp,
  }: {
    balance: Balance;
    /** A way, or a lever, is to be tried. */
    onway: (way: Schemas['Way']) => void;
    onhelp: (help: Schemas['Help']) => void;
  } = $props();
  let ways = $derived(balance.otherWays);
  let schools = $state.raw<Schemas['OtherSchool'][]>([]);
  onMount(async () => {
    const params = { path: { id: balance.tank.id } };
    schools = (await api.GET('/api/tanks/{id}/other-views', { params })).data ?? [];
  });

  const limits: Record<Schemas['Option']['bindingLimit'], string> = {
    NITRATE_CEILING: 'nitrate limit',
    PHOSPHATE_CEILING: 'phosphate limit',
    NONE: '',
    MAX_CHANGE_FRACTION: 'your largest change is not enough',
    SOURCE: 'the change water is at or over a limit',
    NITRATE_FLOOR: 'nitrate would fall below its lower limit',
    PHOSPHATE_FLOOR: 'phosphate would fall below its lower limit',
    SALINITY_STEP: 'its salinity is too far from the tank’s',
    ALKALINITY_STEP: 'its alkalinity is too far from the tank’s',
    NITRATE_STEP: 'nitrate would fall too far at once',
  };
  /** The interval stands beside it. */
  const change = (fraction: number, option: Schemas['Option']) =>
    option.caughtUp ? does({ ...option, fraction }) : percent(fraction);
  let salted = $derived(ways.ways.some((way) => way.saltGramsPer28Days > 0));
</script>

<p class="text-neutral">
  The smallest change that is enough at each interval, with what it takes in four weeks, and what
  else would help.
</p>
<table class="mt-2 w-full text-left [&_td]:pr-3 [&_th]:pr-3" data-testid="ways">
  <thead>
    <tr>
      <th scope="col"></th><th scope="col">change</th><th scope="col">minutes</th><th scope="col"
        >water</th
      >
      {#if salted}<th scope="col">salt</th>{/if}
      <th scope="col">keeps it under</th>
    </tr>
  </thead>
  <tbody>
    {#each ways.ways as way (way.kind)}
      <tr class="border-base-300 border-t">
        <th scope="row" class="font-normal"
          ><Button dense class="text-left" onclick={() => onway(way)}>{WAY_NAMES[way.kind]}</Button
          ></th
        >
        <td
          >{does(way)}{way.fraction > 0
            ? ` from ${nearDay(way.startsOn, balance.tank.today)}`
            : ''}</td
        >
        <td class="tabular-nums">{minutesText(way.minutesPer28Days)}</td>
        <td class="tabular-nums">{volume(way.litresPer28Days)}</td>
        {#if salted}<td class="tabular-nums">{Math.round(way.saltGramsPer28Days / 10) * 10} g</td
          >{/if}
        <td>{way.holds ? timesInTen(way.probabilityWithinLines) : 'no'}</td>
      </tr>
    {/each}
  </tbody>
</table>
<h3 class="mt-5 font-serif text-lg">By interval</h3>
<table class="w-full text-left" data-testid="options">
  <thead>
    <tr>
      <th scope="col">every</th><th scope="col">change</th><th scope="col">minutes</th><th
        scope="col">what sets it</th
      >
    </tr>
  </thead>
  <tbody>
    {#each ways.options as option (option.everyDays)}
      <tr class="border-base-300 border-t">
        <th scope="row" class="font-normal">{interval(option.everyDays)}</th>
        <td>{option.fraction === undefined ? 'not enough' : change(option.fraction, option)}</td>
        <td class="tabular-nums"
          >{option.minutesPer28Days === undefined ? '' : minutesText(option.minutesPer28Days)}</td
        >
        <td>{limits[option.bindingLimit]}</td>
      </tr>
    {:else}
      <tr><td colspan="4">None is needed.</td></tr>
    {/each}
  </tbody>
</table>
{#if ways.dripLitresPerDay !== undefined}
  <p class="mt-2">
    As much as the advised routine: {figure(ways.dripLitresPerDay, 'L/day')} dripped in and out, all day.
  </p>
{/if}
{#each ways.blends as blend (blend.water + blend.everyDays)}
  <p class="mt-1">
    With {percent(blend.share)}
    {blend.water} in the change water, {percent(blend.fraction)} every {interval(blend.everyDays)} is
    enough.
  </p>
{/each}
<h3 class="mt-5 font-serif text-lg">What else helps</h3>
<ul data-testid="helps">
  {#each ways.helps as help, i (i)}
    <li class="border-base-300 border-t py-1">
      {#if help.tries.length > 0}<Button dense class="text-left" onclick={() => onhelp(help)}
          >{said(help.words, balance.tank.today)}</Button
        >{:else}{said(
          help.words,
          balance.tank.today,
        )}{/if}{#if help.fraction === undefined}.{:else if help.fraction === 0}: <strong
          >no change</strong
        > is needed then.{:else}: <strong
          >{percent(help.fraction)} every {interval(help.everyDays)}</strong
        > is enough.{/if}
    </li>
  {:else}
    <li class="text-neutral">Nothing else is needed.</li>
  {/each}
</ul>
<h3 class="mt-5 font-serif text-lg">Once, to a level</h3>
<OneOff {balance} />
<h3 class="mt-5 font-serif text-lg">Without any change</h3>
<p>
  {#if ways.noChange.feasible}
    It stays under your limits without. What still comes in is {about(
      ways.noChange.netNitrogenMgPerDay,
    )} mg N a day.
  {:else if ways.noChange.netNitrogenMgPerDay > 0}
    {about(ways.noChange.netNitrogenMgPerDay)} mg N a day would have to go by other ways: about
    {Math.round(ways.noChange.floatingPlantsGPerWeek)} g of floating plants taken out a week, or about
    {ways.noChange.deepBedM2.toPrecision(2)} m² of deep bed.
  {:else}
    Nothing has to go by other ways.
  {/if}
</p>
<p class="mt-1">
  {percent(ways.shareOfWaterOver90Days)} of the water is older than three months. Nitrification uses about
  {figure(Math.max(0, ways.alkalinityUsedDkhPerWeek), 'dKH')} of alkalinity a week.
</p>

{#if schools.length > 0}
  <h3 class="mt-5 font-serif text-lg">The other view</h3>
  <p class="text-neutral">
    Keepers differ, and nobody is proved wrong. What others would say of this tank today:
  </p>
  <dl class="mt-1" data-testid="other-views">
    {#each schools as school (school.stance)}
      <div class="border-base-300 border-t py-1 sm:grid sm:grid-cols-[16rem_1fr] sm:gap-x-3">
        <dt class="text-neutral">Those {school.who}</dt>
        <dd>{said(school.says, balance.tank.today)}</dd>
      </div>
    {/each}
  </dl>
{/if}
