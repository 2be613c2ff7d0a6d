<script lang="ts">
  import { area, line } from 'd3-shape';
  import { scaleLinear } from 'd3-scale';
  import type { LineOfTank, Schemas } from '../../../api/client';
  import { clock, dayEnd } from '../../../lib/words';
  import { drawn, fromShown, labelOf, level, toShown } from '../../../lib/units.svelte';
  import { axisTop, mark, paths, ticks } from './marks';

  let {
    name,
    colour,
    past,
    outlook,
    compare,
    ghost,
    limits,
    x,
    top,
    height,
    left,
    right,
    stale,
    online,
    onadopt,
    onescape,
  }: {
    name: 'nitrate' | 'phosphate';
    colour: string;
    past: Schemas['NutrientPast'];
    outlook: Schemas['NutrientOutlook'];
    /** The routine followed now, while another is tried. */
    compare: Schemas['NutrientOutlook'] | null;
    /** What was forecast on an earlier day. */
    ghost: Schemas['Band'][] | null;
    limits: LineOfTank;
    /** From time to pixels. */
    x: (time: Date) => number;
    top: number;
    height: number;
    left: number;
    right: number;
    stale: boolean;
    online: (line: LineOfTank) => void;
    onadopt: () => void;
    onescape: () => void;
  } = $props();

  const uid = $props.id();
  type End = 'ceiling' | 'floor';
  let dragged = $state<{ end: End; mgL: number } | null>(null);
  let frozenTop: number | null = $state(null);
  let visible = $derived(
    past.fit.filter((day) => {
      const at = x(dayEnd(day.on));
      return at >= left && at <= right;
    }),
  );
  let shownDays = $derived(
    outlook.days.filter((day) => {
      const at = x(dayEnd(day.on));
      return at >= left && at <= right;
    }),
  );
  let most = $derived(
    frozenTop ??
      axisTop(
        limits.ceilingMgL,
        visible.map((day) => day.p90),
        shownDays.map((day) => day.p90),
      ),
  );
  let y = $derived(scaleLinear([0, most], [top + height, top]));
  let ceiling = $derived(dragged?.end === 'ceiling' ? dragged.mgL : limits.ceilingMgL);
  let floor = $derived(dragged?.end === 'floor' ? dragged.mgL : (limits.floorMgL ?? 0));
  let step = $derived(most > 10 ? 1 : most > 1 ? 0.05 : 0.01);

  type Band = Schemas['Band'];
  type FitDay = Schemas['FitDay'];
  const now = (): Band => ({
    on: past.fit.at(-1)?.on ?? outlook.days[0]?.on ?? '',
    ...outlook.now,
  });
  let future = $derived(
    x(dayEnd(past.fit.at(-1)?.on ?? outlook.days[0]?.on ?? '')) >= left
      ? [now(), ...shownDays]
      : shownDays,
  );
  const edges = (days: Band[], of: 'p10' | 'p50' | 'p90') =>
    line<Band>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d[of]),
    )(days.filter((d) => x(dayEnd(d.on)) >= left && x(dayEnd(d.on)) <= right)) ?? '';
  let compared = $derived(compare ? edges(compare.days, 'p10') + edges(compare.days, 'p90') : '');
  let ghosts = $derived(
    ghost
      ? { edges: edges(ghost, 'p10') + edges(ghost, 'p90'), middle: edges(ghost, 'p50') }
      : null,
  );
  let wide = $derived(
    area<Band>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d.p10),
      (d) => y(d.p90),
    )(future),
  );
  let narrow = $derived(
    area<Band>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d.p25),
      (d) => y(d.p75),
    )(future),
  );
  let middle = $derived(
    line<Band>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d.p50),
    )(future),
  );
  let fit = $derived(
    line<FitDay>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d.p50),
    )(visible),
  );
  let seen = $derived(
    past.tests
      .map((test) => ({ test, at: x(clock(test.at)) }))
      .filter(({ at }) => at >= left && at <= right)
      .map(({ test, at }) => ({ ...mark(test, at, y, top), contradicts: test.contradicts })),
  );
  let marks = $derived(paths(seen));
  let cards = $derived(seen.filter((m) => m.kind === 'bar').length);

  function round(value: number): number {
    return Number((Math.round(value / step) * step).toPrecision(6));
  }

  /** Moves an end, never past the other. */
  function moveTo(end: End, value: number) {
    const next =
      end === 'ceiling'
        ? Math.max(round(floor + step), round(value))
        : Math.max(0, Math.min(round((ceiling ?? most) - step), round(value)));
    if (next !== (end === 'ceiling' ? ceiling : floor)) {
      dragged = { end, mgL: next };
      online({ ...limits, [`${end}MgL`]: next });
    }
  }

  /** A first line, a little under the top of the picture; it is there to be moved. */
  function draw() {
    moveTo('ceiling', most * 0.9);
    dragged = null;
  }

  function keydown(event: KeyboardEvent, end: End) {
    const moves: Record<string, number> = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 };
    const move = moves[event.key];
    const at = end === 'ceiling' ? ceiling : floor;
    if (move !== undefined && at !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      moveTo(end, at + move * step);
      dragged = null;
    } else if (event.key === 'Enter') onadopt();
    else if (event.key === 'Escape') onescape();
  }

  function pointerdown(event: PointerEvent, end: End) {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    frozenTop = most;
    const at = end === 'ceiling' ? ceiling : floor;
    dragged = at === undefined ? null : { end, mgL: at };
    event.stopPropagation();
  }

  function pointermove(event: PointerEvent, end: End) {
    if (frozenTop === null) return;
    const svg = (event.currentTarget as SVGElement).ownerSVGElement;
    if (!svg) return;
    event.stopPropagation();
    moveTo(end, Math.min(most, y.invert(event.clientY - svg.getBoundingClientRect().top)));
  }

  function pointerup() {
    frozenTop = null;
    dragged = null;
  }
</script>

<defs>
  <pattern id="{uid}-out" width="7" height="7" patternUnits="userSpaceOnUse">
    <path d="M0 0L7 7" stroke="var(--color-primary)" stroke-width="0.6" opacity="0.42" />
  </pattern>
</defs>

<g>
  {#if ceiling !== undefined && y(ceiling) > top}
    <rect x={left} y={top} width={right - left} height={y(ceiling) - top} fill="url(#{uid}-out)" />
  {/if}
  {#if floor > 0}
    <rect
      x={left}
      y={y(floor)}
      width={right - left}
      height={top + height - y(floor)}
      fill="url(#{uid}-out)"
    />
  {/if}
  {#each ticks(toShown(name, most), height > 150 ? 6 : 3).map( (shown) => ({ shown, tick: fromShown(name, shown) }) ) as { shown, tick } (shown)}
    <path
      d="M{left} {y(tick)}H{right}"
      stroke="var(--color-base-content)"
      stroke-width="0.5"
      opacity={tick === 0 ? 0.7 : 0.16}
    />
    <text
      x={left - 8}
      y={y(tick)}
      dy="0.32em"
      text-anchor="end"
      font-size="12"
      fill="var(--color-neutral)">{shown}</text
    >
  {/each}

  <g class="transition-opacity duration-150" opacity={stale ? 0.45 : 1}>
    <path d={wide} fill={colour} opacity="0.17" data-testid="{name}-band" />
    <path d={narrow} fill={colour} opacity="0.26" />
    <path d={middle} fill="none" stroke={colour} stroke-width="1.8" />
  </g>
  <path d={fit} fill="none" stroke={colour} stroke-width="1.3" />

  {#if compare}
    <path
      d={compared}
      fill="none"
      stroke="var(--color-base-content)"
      stroke-width="1"
      stroke-dasharray="2 3"
      data-testid="{name}-compared"
    />
  {/if}
  {#if ghosts}
    <path
      d={ghosts.edges}
      fill="none"
      stroke="var(--color-neutral)"
      stroke-width="1"
      stroke-dasharray="1 3"
      data-testid="{name}-ghost"
    />
    <path
      d={ghosts.middle}
      fill="none"
      stroke="var(--color-neutral)"
      stroke-width="1.6"
      stroke-dasharray="5 3"
    />
  {/if}
  <g fill="none" stroke="var(--color-base-content)">
    <path
      d={marks.bars}
      stroke-width="1.5"
      opacity="0.72"
      data-testid="{name}-card"
      data-count={cards}
    />
    <path d={marks.whiskers} stroke-width="1.2" opacity="0.72" />
    <path d={marks.tails} stroke-width="1.2" stroke-dasharray="2 2" />
    <path d={marks.diamonds + marks.rings} fill="var(--color-base-100)" stroke-width="1.3" />
  </g>
  {#each seen.filter((m) => m.contradicts) as m (m.x)}
    <text
      x={m.x + 5}
      y={Math.max(top + 14, m.y)}
      font-size="15"
      font-weight="700"
      fill="var(--color-error)">?</text
    >
  {/each}

  <g
    role="slider"
    tabindex="0"
    aria-label="lower line of {name}, mg/L"
    aria-orientation="vertical"
    aria-valuemin={0}
    aria-valuemax={round(most)}
    aria-valuenow={floor}
    aria-valuetext={floor > 0 ? `${floor}` : 'none'}
    class="cursor-ns-resize touch-none outline-offset-0"
    onkeydown={(event) => keydown(event, 'floor')}
    onpointerdown={(event) => pointerdown(event, 'floor')}
    onpointermove={(event) => pointermove(event, 'floor')}
    onpointerup={pointerup}
    onpointercancel={pointerup}
    data-testid="{name}-floor"
  >
    {#if floor > 0}
      <path d="M{left} {y(floor)}H{right}" stroke="transparent" stroke-width="14" />
      <path
        d="M{left} {y(floor)}H{right}"
        stroke="var(--color-primary)"
        stroke-width="1.5"
        stroke-dasharray="6 4"
      />
    {/if}
    <path d="M{right - 24} {y(floor) - 17}h24v17h-24z" fill="transparent" stroke="none" />
    <path
      d="M{right - 9} {y(floor) - 9}h9v9h-9z"
      fill="var(--color-base-100)"
      stroke="var(--color-primary)"
      stroke-width="1.3"
    />
  </g>
  {#if ceiling !== undefined}
    <g
      role="slider"
      tabindex="0"
      aria-label="umber line of {name}, mg/L"
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={round(most)}
      aria-valuenow={ceiling}
      class="cursor-ns-resize touch-none outline-offset-0"
      onkeydown={(event) => keydown(event, 'ceiling')}
      onpointerdown={(event) => pointerdown(event, 'ceiling')}
      onpointermove={(event) => pointermove(event, 'ceiling')}
      onpointerup={pointerup}
      onpointercancel={pointerup}
      data-testid="{name}-line"
    >
      <path d="M{left} {y(ceiling)}H{right}" stroke="transparent" stroke-width="18" />
      <path d="M{left} {y(ceiling)}H{right}" stroke="var(--color-primary)" stroke-width="2.4" />
      <path
        d="M{right - 9} {y(ceiling) - 7}h9v14h-9z"
        fill="var(--color-primary)"
        stroke="var(--color-base-100)"
      />
      <text
        x={right - 14}
        y={y(ceiling) - 6}
        text-anchor="end"
        font-size="12"
        font-weight="650"
        fill="var(--color-primary)"
        stroke="var(--color-base-100)"
        stroke-width="3"
        paint-order="stroke"
        >{right - left < 500 ? '' : `${name} stays `}under {drawn(name, ceiling)}</text
      >
    </g>
  {/if}
  {#if ceiling === undefined}
    <g
      role="button"
      tabindex="0"
      class="cursor-pointer"
      onclick={draw}
      onkeydown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') draw();
      }}
      data-testid="{name}-draw"
    >
      <rect x={right - 170} y={top + 2} width="170" height="24" fill="transparent" />
      <text
        x={right - 8}
        y={top + 18}
        text-anchor="end"
        font-size="13"
        text-decoration="underline"
        fill="var(--color-primary)">draw a line for {name}</text
      >
    </g>
  {/if}
  <text
    x={left + 6}
    y={top + height - 8}
    font-size="14"
    stroke="var(--color-base-100)"
    stroke-width="4"
    paint-order="stroke"
  >
    <tspan font-family="var(--font-serif)" font-weight="600" fill={colour}
      >{name.charAt(0).toUpperCase() + name.slice(1)}</tspan
    ><tspan dx="5" font-size="12" fill="var(--color-neutral)"
      >{labelOf(name)}{right - left < 500
        ? ''
        : ` · now about ${level(name, outlook.now.p50)}`}</tspan
    >
  </text>
</g>
