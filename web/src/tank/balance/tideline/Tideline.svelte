<script lang="ts">
  import { untrack } from 'svelte';
  import { scaleUtc } from 'd3-scale';
  import type { LineOfTank, Outlook, Pictured, Schemas } from '../../../api/client';
  import { addDays, dayEnd, dayStart, daysBetween, shortDay, small } from '../../../lib/words';
  import { Gradually } from '../../../lib/gradually.svelte';
  import { said } from '../../../lib/said';
  import { Hand } from './hand.svelte';
  import { readOut } from './readOut';
  import { Time } from './time.svelte';
  import Axis from './Axis.svelte';
  import Brush from './Brush.svelte';
  import Changes from './Changes.svelte';
  import Lanes, { LANE_HEIGHT, usedLanes } from './Lanes.svelte';
  import Panel from './Panel.svelte';
  import Young from './Young.svelte';
  import TableTwin from './TableTwin.svelte';
  import WorkAhead from './WorkAhead.svelte';

  let {
    balance,
    outlook,
    compare,
    then,
    lines,
    stale,
    online,
    onadopt,
    onescape,
  }: {
    balance: Pictured;
    outlook: Outlook;
    /** The routine followed now, drawn beside what is tried. */
    compare: Outlook | null;
    /** What was forecast on an earlier day. */
    then: Schemas['Then'] | null;
    lines: { nitrate: LineOfTank; phosphate: LineOfTank };
    stale: boolean;
    online: (nutrient: 'nitrate' | 'phosphate', line: LineOfTank) => void;
    onadopt: () => void;
    onescape: () => void;
  } = $props();

  const STRIP = 34;
  const AXIS = 20;
  /** Room for a panel's name above it. */
  const GAP = 20;
  /** Days of the past that each range shows; as much again, or nearly, of what is to come. */
  const RANGES = { month: 30, season: 120, year: 365, all: Infinity } as const;
  type Range = keyof typeof RANGES;

  // told once the page is laid out; asked for sooner, it would be laid out an extra time
  let room = $state.raw<DOMRectReadOnly>();
  let width = $derived(room?.width ?? 0);
  let height = $derived(room?.height ?? 0);
  let today = $derived(balance.tank.today);
  let narrow = $derived(width > 0 && width < 600);
  let left = $derived(narrow ? 34 : 52);
  let right = $derived(width - 2);
  let first = $derived(balance.past.nitrate.fit[0]?.on ?? today);
  const time = new Time();
  const gradually = new Gradually(0, 1, () => (width ? 3 : 0));
  const hand = new Hand(time, () => ({ x, left, right, today }));

  function showRange(name: Range) {
    const known = Math.max(14, daysBetween(first, today));
    const back = Math.min(known, narrow && name !== 'all' ? RANGES[name] / 2 : RANGES[name]);
    const ahead = Math.min(daysBetween(today, outlook.until), Math.max(21, back * 0.75));
    time.show(
      dayStart(addDays(today, -Math.round(back))).getTime(),
      dayEnd(addDays(today, Math.floor(ahead))).getTime(),
    );
    hand.range = name;
  }

  // The bounds follow the tank and the first sight is a season; what the keeper chose stays.
  $effect.pre(() => {
    const least = dayStart(addDays(first, -1)).getTime();
    const most = dayEnd(outlook.until).getTime();
    untrack(() => {
      const fresh = time.to === 1;
      time.bounds(Math.min(least, dayStart(addDays(today, -14)).getTime()), most);
      if (fresh) showRange('season');
    });
  });
  $effect(() => {
    if (narrow) untrack(() => showRange('season'));
  });

  let x = $derived(scaleUtc([new Date(time.from), new Date(time.to)], [left, right]));
  let shownLanes = $derived(usedLanes(balance.past.lanes, time.from, time.to));
  let young = $derived(outlook.young);
  let youngHeight = $derived(young ? Math.min(90, Math.round(height * 0.22)) : 0);
  let panels = $derived(
    height - STRIP - AXIS - GAP - shownLanes.length * LANE_HEIGHT - 6 - youngHeight,
  );
  let upper = $derived({ top: STRIP + 2, height: Math.round(panels * 0.62) });
  let lower = $derived({
    top: upper.top + upper.height + GAP,
    height: panels - Math.round(panels * 0.62) - 2,
  });
  let youngTop = $derived(lower.top + lower.height + GAP / 2);
  let axisY = $derived(lower.top + lower.height + youngHeight);
  let now = $derived(x(dayEnd(today)));
  let pointed = $derived(hand.pointed ? readOut(hand.pointed, balance, outlook) : '');
  let cutsAhead = $derived(balance.work.filter((work) => work.kind === 'HARVEST'));
</script>

<figure class="flex h-full flex-col" aria-label="Nitrate and phosphate over time">
  <div class="relative min-h-0 flex-1" bind:contentRect={room}>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <svg
      {width}
      {height}
      class="absolute inset-0 block touch-pan-y"
      role="group"
      aria-label="Tideline; arrow keys read out day by day, with shift they move along time, plus and minus zoom"
      tabindex="0"
      onpointermove={hand.move}
      onpointerdown={hand.down}
      onpointerup={hand.up}
      onpointercancel={hand.up}
      onpointerleave={hand.leave}
      onwheel={hand.wheel}
      onkeydown={hand.key}
      data-testid="tideline"
    >
      {#if gradually.has(0)}
        <Changes {balance} {outlook} {x} {left} {right} {narrow} height={STRIP} />

        <Panel
          name="nitrate"
          colour="var(--color-primary)"
          past={balance.past.nitrate}
          outlook={outlook.nitrate}
          compare={compare?.nitrate ?? null}
          ghost={then?.nitrate ?? null}
          limits={lines.nitrate}
          {x}
          {left}
          {right}
          {stale}
          top={upper.top}
          height={upper.height}
          online={(line) => online('nitrate', line)}
          {onadopt}
          {onescape}
        />
      {/if}
      {#if gradually.has(1)}
        <Panel
          name="phosphate"
          colour="var(--color-secondary)"
          past={balance.past.phosphate}
          outlook={outlook.phosphate}
          compare={compare?.phosphate ?? null}
          ghost={then?.phosphate ?? null}
          limits={lines.phosphate}
          {x}
          {left}
          {right}
          {stale}
          top={lower.top}
          height={lower.height}
          online={(line) => online('phosphate', line)}
          {onadopt}
          {onescape}
        />
      {/if}
      {#if gradually.has(2)}
        <WorkAhead
          work={balance.work}
          {today}
          {x}
          {left}
          {right}
          {narrow}
          top={lower.top}
          height={lower.height}
        />
        {#if young}
          <Young
            {young}
            {today}
            ammoniaTests={balance.past.ammoniaTests}
            nitriteTests={balance.past.nitriteTests}
            {x}
            {left}
            {right}
            top={youngTop}
            height={youngHeight - GAP}
          />
        {/if}

        <Axis {x} {right} y={axisY} span={time.to - time.from} />
        <Lanes
          lanes={balance.past.lanes}
          shown={shownLanes}
          {x}
          {left}
          {right}
          {narrow}
          top={axisY + AXIS}
        />
        <path
          d="M{now} 0V{axisY + AXIS + shownLanes.length * LANE_HEIGHT}"
          stroke="var(--color-base-content)"
          stroke-width="1"
        />
        <text
          x={now + 5}
          y={upper.top + upper.height - 8}
          font-size="12"
          font-weight="650"
          fill="var(--color-base-content)"
          stroke="var(--color-base-100)"
          stroke-width="3.5"
          paint-order="stroke">{shortDay(today)}</text
        >
        {#if hand.pointed}
          <path
            d="M{x(dayEnd(hand.pointed))} 0V{axisY}"
            stroke="var(--color-base-content)"
            stroke-width="0.8"
            stroke-dasharray="3 3"
            pointer-events="none"
          />
        {/if}
      {/if}
    </svg>
  </div>
  <div class="h-6">
    {#if gradually.has(2)}
      <Brush {time} fit={balance.past.nitrate.fit} {left} {right} today={dayEnd(today).getTime()} />
    {/if}
  </div>
  <figcaption class="flex min-h-6 flex-wrap items-center gap-x-4 text-xs sm:pl-[52px]">
    <span class="flex gap-3" role="group" aria-label="How much of the past">
      {#each Object.keys(RANGES) as name (name)}
        <button
          class="min-h-11 sm:min-h-6"
          class:font-bold={hand.range === name}
          class:underline={hand.range === name}
          aria-pressed={hand.range === name}
          onclick={() => showRange(name as Range)}>{name}</button
        >
      {/each}
    </span>
    <span class="min-w-0 flex-1" aria-live="polite" data-testid="read-out">{pointed}</span>
    {#if cutsAhead.length > 0 && !pointed}
      <span class="text-neutral" data-testid="cuts-ahead"
        >counted on: {cutsAhead.map((work) => small(said(work.words, today))).join(', ')}</span
      >
    {/if}
    <TableTwin {balance} {outlook} />
  </figcaption>
</figure>
