<script lang="ts">
  import { untrack } from 'svelte';
  import { scaleUtc } from 'd3-scale';
  import { utcDay, utcMonday, utcMonth, utcYear } from 'd3-time';
  import type { Balance, LineOfTank, Outlook, Schemas } from '../../../api/client';
  import { addDays, clock, dayEnd, dayStart, daysBetween, shortDay } from '../../../lib/words';
  import { said } from '../../../lib/said';
  import { labelOf, level } from '../../../lib/units.svelte';
  import { notches } from './marks';
  import { Time } from './time.svelte';
  import Brush from './Brush.svelte';
  import Panel from './Panel.svelte';
  import Young from './Young.svelte';
  import TableTwin from './TableTwin.svelte';

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
    balance: Balance;
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

  const STRIP = 26;
  const AXIS = 20;
  const LANE = 12;
  const GAP = 10;
  const LANES = ['fed', 'cut', 'cleaned', 'dosed', 'noted', 'died'] as const;
  const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
  /** Days of the past that each range shows; as much again, or nearly, of what is to come. */
  const RANGES = { month: 30, season: 120, year: 365, all: Infinity } as const;
  type Range = keyof typeof RANGES;

  let width = $state(1000);
  let height = $state(420);
  let pointed = $state<string | null>(null);
  let today = $derived(balance.tank.today);
  let narrow = $derived(width < 600);
  let left = $derived(narrow ? 34 : 52);
  let right = $derived(width - 2);
  let first = $derived(balance.past.nitrate.fit[0]?.on ?? today);
  const time = new Time();
  let range = $state<Range | ''>('');

  function showRange(name: Range) {
    const known = Math.max(14, daysBetween(first, today));
    const back = Math.min(known, narrow && name !== 'all' ? RANGES[name] / 2 : RANGES[name]);
    const ahead = Math.min(daysBetween(today, outlook.until), Math.max(21, back * 0.75));
    range = name;
    time.show(
      dayStart(addDays(today, -Math.round(back))).getTime(),
      dayEnd(addDays(today, Math.floor(ahead))).getTime(),
    );
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
  let shownLanes = $derived(
    LANES.filter((lane) => balance.past.lanes.some((entry) => entry.lane === lane)),
  );
  let young = $derived(outlook.young);
  let youngHeight = $derived(young ? Math.min(90, Math.round(height * 0.22)) : 0);
  let panels = $derived(height - STRIP - AXIS - GAP - shownLanes.length * LANE - 6 - youngHeight);
  let upper = $derived({ top: STRIP + 2, height: Math.round(panels * 0.62) });
  let lower = $derived({
    top: upper.top + upper.height + GAP,
    height: panels - Math.round(panels * 0.62) - 2,
  });
  let youngTop = $derived(lower.top + lower.height + GAP / 2);
  let axisY = $derived(lower.top + lower.height + youngHeight);
  let now = $derived(x(dayEnd(today)));
  let dates = $derived.by(() => {
    const [from, to] = x.domain() as [Date, Date];
    const span = (time.to - time.from) / Time.DAY;
    const every =
      span > 900 ? utcYear : span > 75 ? utcMonth : span > 35 ? utcMonday.every(2) : utcMonday;
    const step = span > 400 && span <= 900 ? (utcMonth.every(3) ?? utcMonth) : (every ?? utcDay);
    return step.range(from, to).map((date) => ({
      date,
      text:
        span > 900
          ? `${date.getUTCFullYear()}`
          : span > 75
            ? (MONTHS[date.getUTCMonth()] ?? '') +
              (date.getUTCMonth() === 0 ? ` ${date.getUTCFullYear()}` : '')
            : `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]}`,
    }));
  });
  /** One path a lane: hundreds of marks move as one. */
  let lanePaths = $derived(
    shownLanes.map((lane) =>
      balance.past.lanes
        .filter((entry) => entry.lane === lane)
        .map((entry) => x(clock(entry.at)))
        .filter((at) => inside(at))
        .map((at) => `M${(at - 3).toFixed(1)} -3.5h6v7h-6z`)
        .join(''),
    ),
  );
  let donePaths = $derived(
    notches(
      balance.past.changes
        .map((change) => ({ x: x(clock(change.at)), fraction: change.fraction }))
        .filter((change) => inside(change.x)),
      STRIP,
    ),
  );
  let doneCount = $derived(
    balance.past.changes.filter((change) => inside(x(clock(change.at)))).length,
  );
  let plannedPaths = $derived.by(() => {
    const recovery = new Map(outlook.recovery.map((step) => [step.on, step.fraction]));
    return notches(
      outlook.changeDays
        .map((day) => ({
          x: x(new Date(dayStart(day).getTime() + 43_200_000)),
          fraction: recovery.get(day) ?? outlook.routine?.fraction ?? 0,
        }))
        .filter((change) => inside(change.x) && change.fraction > 0),
      STRIP,
    );
  });

  /** Work ahead that the forecast counts on, where it lies in the picture. */
  let workAhead = $derived(
    balance.work
      .filter((work) => work.kind === 'RENEW')
      .map((work) => ({
        ...work,
        at: x(work.on > today ? new Date(dayStart(work.on).getTime() + 43_200_000) : dayEnd(today)),
      }))
      .filter((work) => inside(work.at)),
  );
  let cutsAhead = $derived(balance.work.filter((work) => work.kind === 'HARVEST'));

  let svg = $state<SVGSVGElement>();
  const held = new Map<number, number>();
  let moved = 0;

  function place(event: { clientX: number }): number {
    return event.clientX - (svg?.getBoundingClientRect().left ?? 0);
  }

  function pointerdown(event: PointerEvent) {
    if (event.button !== 0) return;
    held.set(event.pointerId, place(event));
    moved = 0;
    point(event);
  }

  function pointermove(event: PointerEvent) {
    const before = held.get(event.pointerId);
    if (before === undefined) {
      if (event.pointerType === 'mouse') point(event);
      return;
    }
    const at = place(event);
    const other = [...held.entries()].find(([id]) => id !== event.pointerId)?.[1];
    if (other !== undefined) {
      const apart = Math.max(20, Math.abs(at - other));
      const middle = x.invert((at + other) / 2).getTime();
      time.zoom(Math.max(20, Math.abs(before - other)) / apart, middle);
      range = '';
    } else {
      moved += Math.abs(at - before);
      if (moved > 4) {
        svg?.setPointerCapture(event.pointerId);
        time.pan((before - at) / (right - left));
        range = '';
        pointed = null;
      }
    }
    held.set(event.pointerId, at);
  }

  function pointerup(event: PointerEvent) {
    held.delete(event.pointerId);
  }

  /** Sideways moves along time; with Ctrl, by pinch, or when the page has nothing to scroll, up and down zooms. */
  function wheel(event: WheelEvent) {
    const sideways = Math.abs(event.deltaX) > Math.abs(event.deltaY) || event.shiftKey;
    const scrolls = document.documentElement.scrollHeight > window.innerHeight + 1;
    if (!sideways && !event.ctrlKey && scrolls) return;
    event.preventDefault();
    range = '';
    if (sideways) time.pan((event.deltaX || event.deltaY) / (right - left));
    else time.zoom(Math.exp(event.deltaY * 0.0015), x.invert(place(event)).getTime());
  }

  let inside = (at: number) => at >= left && at <= right;

  let fitByDay = $derived({
    nitrate: new Map(balance.past.nitrate.fit.map((day) => [day.on, day])),
    phosphate: new Map(balance.past.phosphate.fit.map((day) => [day.on, day])),
  });
  let bandByDay = $derived({
    nitrate: new Map(outlook.nitrate.days.map((day) => [day.on, day])),
    phosphate: new Map(outlook.phosphate.days.map((day) => [day.on, day])),
  });

  /** A day in words: what is modelled or forecast, and what was done. */
  let readOut = $derived.by(() => {
    if (!pointed) return '';
    const day = pointed;
    const parts: string[] = [];
    for (const name of ['nitrate', 'phosphate'] as const) {
      const at = bandByDay[name].get(day) ?? fitByDay[name].get(day);
      if (at)
        parts.push(
          `${name} about ${level(name, at.p50)} (${level(name, at.p10)} to ${level(name, at.p90)}) ${labelOf(name)}`,
        );
    }
    for (const change of balance.past.changes)
      if (change.at.slice(0, 10) === day)
        parts.push(`changed ${Math.round(change.fraction * 100)} %`);
    if (outlook.changeDays.includes(day) && outlook.routine)
      parts.push(`change of ${Math.round(outlook.routine.fraction * 100)} % planned`);
    for (const name of ['nitrate', 'phosphate'] as const)
      for (const test of balance.past[name].tests)
        if (test.at.slice(0, 10) === day)
          parts.push(
            `${name} read ${test.use === 'below' ? '<' : test.use === 'above' ? '>' : ''}${test.value} ${test.unit}`,
          );
    for (const work of balance.work)
      if (work.kind === 'RENEW' && work.on === day)
        parts.push(said(work.words, today).toLowerCase());
    for (const entry of balance.past.lanes)
      if (entry.at.slice(0, 10) === day) parts.push(`${entry.lane}: ${entry.text}`);
    return `${shortDay(day)}: ${parts.join(' · ')}`;
  });

  function point(event: PointerEvent) {
    const at = place(event);
    // an end-of-day value belongs to the day that ends there
    pointed = inside(at)
      ? new Date(x.invert(at).getTime() - 43_200_000).toISOString().slice(0, 10)
      : null;
  }

  function keydown(event: KeyboardEvent) {
    if (event.target !== event.currentTarget) return;
    const moves: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };
    const move = moves[event.key];
    if (move !== undefined && event.shiftKey) {
      time.pan(move * 0.1);
      range = '';
    } else if (move !== undefined) {
      const next = addDays(pointed ?? today, move);
      pointed = next;
      if (!inside(x(dayEnd(next)))) time.pan(move > 0 ? 0.3 : -0.3);
    } else if (event.key === '+' || event.key === '-') {
      time.zoom(event.key === '+' ? 0.7 : 1 / 0.7, dayEnd(pointed ?? today).getTime());
      range = '';
    } else if (event.key === 'Home') time.pan(-1e6);
    else if (event.key === 'End') time.pan(1e6);
    else if (event.key === 'Escape') pointed = null;
    else return;
    event.preventDefault();
  }
</script>

<figure class="flex h-full flex-col" aria-label="Nitrate and phosphate over time">
  <div class="relative min-h-0 flex-1" bind:clientWidth={width} bind:clientHeight={height}>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <svg
      {width}
      {height}
      class="absolute inset-0 block touch-pan-y"
      bind:this={svg}
      role="group"
      aria-label="Tideline; arrow keys read out day by day, with shift they move along time, plus and minus zoom"
      tabindex="0"
      onpointermove={pointermove}
      onpointerdown={pointerdown}
      onpointerup={pointerup}
      onpointercancel={pointerup}
      onpointerleave={() => {
        if (held.size === 0) pointed = null;
      }}
      onwheel={wheel}
      onkeydown={keydown}
      data-testid="tideline"
    >
      <text x={left - 8} y="12" text-anchor="end" font-size="11" fill="var(--color-neutral)"
        >{narrow ? '' : 'changes'}</text
      >
      <path d="M{left} 0.5H{right}" stroke="var(--color-base-content)" stroke-width="0.6" />
      <path
        d={donePaths}
        fill="var(--color-secondary)"
        data-testid="change-done"
        data-count={doneCount}
      />
      <path d={plannedPaths} fill="none" stroke="var(--color-secondary)" stroke-width="1.2" />

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

      {#each workAhead as work, i (work.of + work.on)}
        <path
          d="M{work.at} {lower.top}V{lower.top + lower.height}"
          stroke="var(--color-base-content)"
          stroke-width="1"
          stroke-dasharray="2 3"
          opacity="0.7"
          data-testid="work-ahead"
        />
        {#if !narrow && (i === 0 || work.at - (workAhead[i - 1]?.at ?? 0) > 130)}
          <text
            x={work.at + 4}
            y={lower.top - 3}
            font-size="11"
            fill="var(--color-neutral)"
            stroke="var(--color-base-100)"
            stroke-width="3"
            paint-order="stroke"
            >{said(work.words, today).toLowerCase()}{work.added ? '' : ', as usual'}</text
          >
        {/if}
      {/each}
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

      {#each dates as { date, text } (date.getTime())}
        <path
          d="M{x(date)} {axisY}v5"
          stroke="var(--color-base-content)"
          stroke-width="0.6"
          opacity="0.6"
        />
        {#if x(date) + 34 < right}
          <text x={x(date) + 3} y={axisY + 15} font-size="12" fill="var(--color-neutral)"
            >{text}</text
          >
        {/if}
      {/each}

      {#each shownLanes as lane, i (lane)}
        {@const laneY = axisY + AXIS + (i + 0.5) * LANE}
        <text
          x={left - 8}
          y={laneY}
          dy="0.32em"
          text-anchor="end"
          font-size="11"
          fill="var(--color-neutral)">{narrow ? '' : lane}</text
        >
        <path
          d="M{left} {laneY}H{right}"
          stroke="var(--color-base-content)"
          stroke-width="0.5"
          opacity="0.25"
        />
        <path
          d={lanePaths[i]}
          transform="translate(0 {laneY})"
          fill="var(--color-base-content)"
          opacity="0.8"
        />
      {/each}

      <path
        d="M{now} 0V{axisY + AXIS + shownLanes.length * LANE}"
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
      {#if pointed}
        <path
          d="M{x(dayEnd(pointed))} 0V{axisY}"
          stroke="var(--color-base-content)"
          stroke-width="0.8"
          stroke-dasharray="3 3"
          pointer-events="none"
        />
      {/if}
    </svg>
  </div>
  <Brush {time} fit={balance.past.nitrate.fit} {left} {right} today={dayEnd(today).getTime()} />
  <figcaption class="flex min-h-6 flex-wrap items-center gap-x-4 text-xs sm:pl-[52px]">
    <span class="flex gap-3" role="group" aria-label="How much of the past">
      {#each Object.keys(RANGES) as name (name)}
        <button
          class="min-h-11 sm:min-h-6"
          class:font-bold={range === name}
          class:underline={range === name}
          aria-pressed={range === name}
          onclick={() => showRange(name as Range)}>{name}</button
        >
      {/each}
    </span>
    <span class="min-w-0 flex-1" aria-live="polite" data-testid="read-out">{readOut}</span>
    {#if cutsAhead.length > 0 && !readOut}
      <span class="text-neutral" data-testid="cuts-ahead"
        >counted on: {cutsAhead
          .map((work) => said(work.words, today).toLowerCase())
          .join(', ')}</span
      >
    {/if}
    <TableTwin {balance} {outlook} />
  </figcaption>
</figure>
