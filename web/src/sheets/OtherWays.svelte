<script lang="ts">
  import type { Balance } from '../api/client';
  import { about, interval, percent } from '../lib/words';
  import { figure, labelOf, toShown } from '../lib/units.svelte';

  let { balance }: { balance: Balance } = $props();
  let ways = $derived(balance.otherWays);

  const names: Record<string, string> = {
    feed: 'Feed',
    'harvest a week': 'Take out of every stand a week',
    skimmer: 'A skimmer that takes',
    'phosphate adsorber g': 'New phosphate adsorber',
    'media cleaned weekly': 'Clean media once a week more',
  };

  function pulled(lever: string, change: number): string {
    if (lever === 'feed') return `${Math.round(change * 100)} %`.replace('-', '−');
    if (lever === 'phosphate adsorber g') return `${Math.round(change)} g`;
    if (lever === 'media cleaned weekly' || lever.startsWith('change water')) return '';
    return percent(change);
  }

  function effect(value: number, name: 'nitrate' | 'phosphate'): string {
    const text = `${about(Math.abs(toShown(name, value)))} ${labelOf(name)} a week`;
    return Math.abs(value) < 0.0005 ? 'none' : `${value < 0 ? '−' : '+'}${text}`;
  }
</script>

<p class="text-neutral">
  The smallest change that keeps the lines, for each interval you allow, and what else would help.
</p>
<table class="mt-2 w-full text-left" data-testid="options">
  <thead>
    <tr>
      <th scope="col">every</th><th scope="col">change</th><th scope="col">chance</th><th
        scope="col">what sets it</th
      >
    </tr>
  </thead>
  <tbody>
    {#each ways.options as option (option.everyDays)}
      <tr class="border-base-300 border-t">
        <th scope="row" class="font-normal">{interval(option.everyDays)}</th>
        <td>{option.fraction === undefined ? 'not possible' : percent(option.fraction)}</td>
        <td>{percent(option.probabilityWithinLines)}</td>
        <td
          >{option.bindingLimit === 'maxChangeFraction'
            ? 'largest change'
            : option.bindingLimit}</td
        >
      </tr>
    {:else}
      <tr><td colspan="4">None is needed.</td></tr>
    {/each}
  </tbody>
</table>
{#if ways.dripLitresPerDay !== undefined}
  <p class="mt-2">Or drip: {figure(ways.dripLitresPerDay, 'L/day')} in and out, all day.</p>
{/if}
{#each ways.blends as blend (blend.water + blend.everyDays)}
  <p class="mt-1">
    With {percent(blend.share)}
    {blend.water} in the change water, {percent(blend.fraction)} every {interval(blend.everyDays)} is
    enough.
  </p>
{/each}
<h3 class="mt-5 font-serif text-lg">Other levers</h3>
<table class="w-full text-left" data-testid="levers">
  <thead>
    <tr>
      <th scope="col">do</th><th scope="col">nitrate</th><th scope="col">phosphate</th>
    </tr>
  </thead>
  <tbody>
    {#each ways.levers as lever (lever.lever + lever.change)}
      <tr class="border-base-300 border-t">
        <th scope="row" class="font-normal"
          >{names[lever.lever] ?? lever.lever} {pulled(lever.lever, lever.change)}</th
        >
        <td class="tabular-nums">{effect(lever.effectNitrateMgLPerWeek, 'nitrate')}</td>
        <td class="tabular-nums">{effect(lever.effectPhosphateMgLPerWeek, 'phosphate')}</td>
      </tr>
    {/each}
  </tbody>
</table>
<h3 class="mt-5 font-serif text-lg">Without any change</h3>
<p>
  {#if ways.noChange.feasible}
    The lines hold without. What still comes in is {about(ways.noChange.netNitrogenMgPerDay)} mg N a day.
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
{#if ways.notes.length > 0}
  <h3 class="mt-5 font-serif text-lg">The sums of splitting</h3>
  {#each ways.notes as note (note)}<p>{note}</p>{/each}
{/if}
