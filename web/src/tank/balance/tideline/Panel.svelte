<script lang="ts">
  import { area, line } from 'd3-shape';
  import { scaleLinear } from 'd3-scale';
  import type { LineOfTank, Schemas } from '../../../api/client';
  import { clock, dayEnd } from '../../../lib/words';
  import { fromShown, labelOf, level, toShown } from '../../../lib/units.svelte';
  import Limits from './Limits.svelte';
  import { axisTop, mark, paths, type Dragged } from './marks';

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
  let dragged = $state<Dragged | null>(null);
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
  // round numbers in the keeper's own unit
  let ticks = $derived(
    scaleLinear([0, toShown(name, most)], [0, 1])
      .ticks(height > 150 ? 5 : 3)
      .map((shown) => ({ shown, tick: fromShown(name, shown) })),
  );
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
  {#each ticks as { shown, tick } (shown)}
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

  <Limits
    {name}
    {limits}
    {y}
    {most}
    {step}
    {left}
    {right}
    {top}
    bind:dragged
    onhold={(held) => (frozenTop = held ? most : null)}
    {online}
    {onadopt}
    {onescape}
  />
  <text
    x={left + 6}
    y={top - 5}
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
