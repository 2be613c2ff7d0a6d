<script lang="ts">
  import { scaleUtc } from 'd3-scale';
  import { utcDay, utcMonday, utcMonth } from 'd3-time';
  import type { Balance, LineOfTank, Outlook } from '../api/client';
  import { about, addDays, clock, dayEnd, dayStart, daysBetween, shortDay } from '../lib/words';
  import { notch } from './marks';
  import Panel from './Panel.svelte';
  import TableTwin from './TableTwin.svelte';

  let {
    balance,
    outlook,
    lines,
    stale,
    online,
    onadopt,
    onescape,
  }: {
    balance: Balance;
    outlook: Outlook;
    lines: { nitrate: LineOfTank; phosphate: LineOfTank };
    stale: boolean;
    online: (nutrient: 'nitrate' | 'phosphate', line: LineOfTank) => void;
    onadopt: () => void;
    onescape: () => void;
  } = $props();

  const STRIP = 26;
  const AXIS = 20;
  const LANE = 13;
  const GAP = 12;
  const LANES = ['fed', 'cut', 'cleaned', 'noted'] as const;
  const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
  const RANGES = { month: 30, season: 120, all: 0 } as const;

  let width = $state(1000);
  let height = $state(420);
  let range = $state<keyof typeof RANGES>('season');
  let pointed = $state<string | null>(null);
  let today = $derived(balance.tank.today);
  let narrow = $derived(width < 600);
  let left = $derived(narrow ? 30 : 52);
  let right = $derived(width - 2);
  let first = $derived(balance.past.nitrate.fit[0]?.on ?? today);
  let back = $derived.by(() => {
    const known = Math.max(14, daysBetween(first, today));
    const wanted = RANGES[range] === 0 ? known : narrow ? RANGES[range] / 2 : RANGES[range];
    return Math.min(known, wanted);
  });
  let ahead = $derived(Math.min(daysBetween(today, outlook.until), Math.max(21, back * 0.75)));
  let x = $derived(
    scaleUtc(
      [dayStart(addDays(today, -back)), dayEnd(addDays(today, Math.floor(ahead)))],
      [left, right],
    ),
  );
  let shownLanes = $derived(
    LANES.filter((lane) => balance.past.lanes.some((entry) => entry.lane === lane)),
  );
  let panels = $derived(height - STRIP - AXIS - GAP - shownLanes.length * LANE - 6);
  let upper = $derived({ top: STRIP + 2, height: Math.round(panels * 0.62) });
  let lower = $derived({
    top: upper.top + upper.height + GAP,
    height: panels - Math.round(panels * 0.62) - 2,
  });
  let axisY = $derived(lower.top + lower.height);
  let now = $derived(x(dayEnd(today)));
  let dates = $derived.by(() => {
    const [from, to] = x.domain() as [Date, Date];
    const span = daysBetween(from.toISOString().slice(0, 10), to.toISOString().slice(0, 10));
    const every = span > 75 ? utcMonth : span > 35 ? utcMonday.every(2) : utcMonday;
    return (every ?? utcDay).range(from, to).map((date) => ({
      date,
      text:
        span > 75
          ? (MONTHS[date.getUTCMonth()] ?? '')
          : `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]}`,
    }));
  });
  let inside = (place: number) => place >= left && place <= right;

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
        parts.push(`${name} about ${about(at.p50)} (${about(at.p10)} to ${about(at.p90)}) mg/L`);
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
    for (const entry of balance.past.lanes)
      if (entry.at.slice(0, 10) === day) parts.push(`${entry.lane}: ${entry.text}`);
    return `${shortDay(day)}: ${parts.join(' · ')}`;
  });

  function point(event: PointerEvent) {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    const place = event.clientX - box.left;
    // an end-of-day value belongs to the day that ends there
    pointed = inside(place)
      ? new Date(x.invert(place).getTime() - 43_200_000).toISOString().slice(0, 10)
      : null;
  }

  function keydown(event: KeyboardEvent) {
    if (event.target !== event.currentTarget) return;
    const moves: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };
    const move = moves[event.key];
    if (move !== undefined) {
      event.preventDefault();
      const next = addDays(pointed ?? today, move);
      if (inside(x(dayEnd(next)))) pointed = next;
    } else if (event.key === 'Escape') pointed = null;
  }
</script>

<figure class="flex h-full min-h-[26rem] flex-col" aria-label="Nitrate and phosphate over time">
  <div class="min-h-0 flex-1" bind:clientWidth={width} bind:clientHeight={height}>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <svg
      {width}
      {height}
      class="block"
      role="group"
      aria-label="Tideline; arrow keys read out day by day"
      tabindex="0"
      style="touch-action: pan-y"
      onpointermove={point}
      onpointerdown={point}
      onpointerleave={() => (pointed = null)}
      onkeydown={keydown}
      data-testid="tideline"
    >
      <text x={left - 8} y="12" text-anchor="end" font-size="11" fill="var(--color-neutral)"
        >{narrow ? '' : 'changes'}</text
      >
      <path d="M{left} 0.5H{right}" stroke="var(--color-base-content)" stroke-width="0.6" />
      {#each balance.past.changes as change (change.at)}
        {@const at = x(clock(change.at))}
        {#if inside(at)}
          <path
            d={notch(at, change.fraction, STRIP)}
            fill="var(--color-secondary)"
            data-testid="change-done"
          />
        {/if}
      {/each}
      {#each outlook.changeDays as day (day)}
        {@const at = x(new Date(dayStart(day).getTime() + 43_200_000))}
        {#if inside(at) && outlook.routine}
          <path
            d={notch(at, outlook.routine.fraction, STRIP)}
            fill="none"
            stroke="var(--color-secondary)"
            stroke-width="1.2"
          />
        {/if}
      {/each}

      <Panel
        name="nitrate"
        colour="var(--color-primary)"
        past={balance.past.nitrate}
        outlook={outlook.nitrate}
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
        {#each balance.past.lanes.filter((entry) => entry.lane === lane) as entry, n (n)}
          {@const at = x(clock(entry.at))}
          {#if inside(at)}
            <rect
              x={at - 3}
              y={laneY - 3.5}
              width="6"
              height="7"
              fill="var(--color-base-content)"
              opacity="0.8"
            />
          {/if}
        {/each}
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
  <figcaption class="flex min-h-6 flex-wrap items-center gap-x-4 text-xs sm:pl-[52px]">
    <span class="flex gap-3" role="group" aria-label="How much of the past">
      {#each Object.keys(RANGES) as name (name)}
        <button
          class="min-h-11 sm:min-h-6"
          class:font-bold={range === name}
          class:underline={range === name}
          aria-pressed={range === name}
          onclick={() => (range = name as keyof typeof RANGES)}>{name}</button
        >
      {/each}
    </span>
    <span class="min-w-0 flex-1" aria-live="polite" data-testid="read-out">{readOut}</span>
    <TableTwin {balance} {outlook} />
  </figcaption>
</figure>
