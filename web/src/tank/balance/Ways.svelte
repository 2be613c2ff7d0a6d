<script lang="ts">
  import type { Balance, Schemas } from '../../api/client';
  import { interval, minutesText, percent, timesInTen } from '../../lib/words';
  import { figure, volume } from '../../lib/units.svelte';
  import { said } from '../../lib/said';
  import { does, WAY_NAMES } from './ways';
  import Button from '../../ui/Button.svelte';

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

  const MOST_HELPS = 3;
  const ORDER = Object.keys(WAY_NAMES) as Schemas['Way']['kind'][];
  /** What comes to the same stands once, under all its names. */
  let ways = $derived.by(() => {
    const shown: { names: string; way: Schemas['Way'] }[] = [];
    for (const kind of ORDER) {
      const way = balance.otherWays.ways.find((one) => one.kind === kind);
      if (!way) continue;
      const same = shown.find((one) => one.way.holds === way.holds && does(one.way) === does(way));
      if (same) same.names += `, ${WAY_NAMES[kind].toLowerCase()}`;
      else shown.push({ names: WAY_NAMES[kind], way });
    }
    return shown;
  });
  let workDue = $derived(balance.work.some((work) => work.added));
  let helps = $derived(
    balance.otherWays.helps.filter((help) => help.tries.length > 0).slice(0, MOST_HELPS),
  );

  function takes(way: Schemas['Way']): string {
    const parts = [minutesText(way.minutesPer28Days), volume(way.litresPer28Days)];
    if (way.saltGramsPer28Days > 0)
      parts.push(`${figure(Math.round(way.saltGramsPer28Days / 100) / 10, 'kg')} salt`);
    return parts.join(' · ');
  }

  const allows = (help: Schemas['Help']) =>
    help.fraction === undefined
      ? ''
      : help.fraction === 0
        ? ' → no change'
        : ` → ${percent(help.fraction)} every ${interval(help.everyDays)}`;
</script>

<!-- on a phone the picture comes first: all of this is under Other ways -->
{#if ways.length > 1}
  <ul
    class="border-base-content/40 hidden auto-cols-fr grid-flow-col border-t text-sm sm:grid"
    aria-label="Ways, with what each takes in 28 days"
    data-testid="ways-strip"
  >
    {#each ways as { names, way } (way.kind)}
      <li class="border-base-300 border-l px-3 py-1 first:border-l-0 first:pl-0">
        <button class="block min-h-11 w-full text-left sm:min-h-6" onclick={() => onway(way)}>
          <span class="font-serif">{names}</span>
          <span class="block">{does(way)}</span>
          <span class="text-neutral block text-xs"
            >{way.holds
              ? takes(way)
              : `holds only ${timesInTen(way.probabilityWithinLines)}${way.kind === 'AS_NOW' && workDue ? ', the work that is due undone' : ''}`}</span
          >
        </button>
      </li>
    {/each}
  </ul>
{/if}
{#if helps.length > 0}
  <p
    class="border-base-300 hidden flex-wrap items-baseline gap-x-5 border-t py-0.5 text-sm sm:flex"
    data-testid="helps-strip"
  >
    <span class="text-neutral">What else helps:</span>
    {#each helps as help, i (i)}
      <Button kind="bare" dense class="text-left" onclick={() => onhelp(help)}
        ><span class="underline underline-offset-4">{said(help.words, balance.tank.today)}</span
        >{allows(help)}</Button
      >
    {/each}
  </p>
{/if}
