<script lang="ts">
  import { area, line } from 'd3-shape';
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../../../api/client';
  import { about, clock, dayEnd } from '../../../lib/words';
  import { mark, paths } from './marks';

  /** Ammonia and nitrite of a tank whose filter grows in, on one small axis. */
  let {
    young,
    today,
    ammoniaTests,
    nitriteTests,
    x,
    left,
    right,
    top,
    height,
  }: {
    young: Schemas['YoungTank'];
    today: string;
    ammoniaTests: Schemas['TestMark'][];
    nitriteTests: Schemas['TestMark'][];
    x: (time: Date) => number;
    left: number;
    right: number;
    top: number;
    height: number;
  } = $props();

  type Day = Schemas['FitDay'];
  const within = (days: Day[]) =>
    days.filter((day) => x(dayEnd(day.on)) >= left && x(dayEnd(day.on)) <= right);
  let ammonia = $derived(within(young.ammonia));
  let nitrite = $derived(within(young.nitrite));
  let most = $derived(
    Math.max(
      ...[...ammonia, ...nitrite].map((day) => day.p90),
      ...[...ammoniaTests, ...nitriteTests].map((test) => test.readMgL),
      0.6,
    ),
  );
  let y = $derived(scaleLinear([0, most * 1.1], [top + height, top]));
  const band = (days: Day[]) =>
    area<Day>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d.p10),
      (d) => y(d.p90),
    )(days);
  const middle = (days: Day[]) =>
    line<Day>(
      (d) => x(dayEnd(d.on)),
      (d) => y(d.p50),
    )(days);
  const marks = (tests: Schemas['TestMark'][], shift: number) =>
    paths(
      tests
        .map((test) => mark(test, x(clock(test.at)) + shift, y, top))
        .filter((m) => m.x >= left && m.x <= right),
    );
  let series = $derived([
    {
      name: 'Ammonia',
      days: ammonia,
      marks: marks(ammoniaTests, -2),
      colour: 'var(--color-accent)',
      dash: '',
    },
    {
      name: 'Nitrite',
      days: nitrite,
      marks: marks(nitriteTests, 2),
      colour: 'var(--color-error)',
      dash: '6 3',
    },
  ]);
</script>

<g data-testid="young">
  {#each y.ticks(2) as tick (tick)}
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
      fill="var(--color-neutral)">{tick}</text
    >
  {/each}
  {#each series as one (one.name)}
    <path d={band(one.days)} fill={one.colour} opacity="0.2" />
    <path
      d={middle(one.days)}
      fill="none"
      stroke={one.colour}
      stroke-width="1.8"
      stroke-dasharray={one.dash}
    />
    <path
      d={one.marks.bars + one.marks.whiskers + one.marks.tails}
      fill="none"
      stroke="var(--color-base-content)"
      stroke-width="1.3"
      opacity="0.72"
    />
    <path
      d={one.marks.diamonds + one.marks.rings}
      fill="var(--color-base-100)"
      stroke="var(--color-base-content)"
    />
  {/each}
  <text
    x={left + 6}
    y={top + 12}
    font-size="13"
    stroke="var(--color-base-100)"
    stroke-width="4"
    paint-order="stroke"
  >
    <tspan font-family="var(--font-serif)" font-weight="600" fill="var(--color-base-content)"
      >Ammonia, and nitrite dashed</tspan
    ><tspan dx="5" font-size="12" fill="var(--color-neutral)"
      >mg/L NH3, NO2 · now about {about(
        young.ammonia.find((day) => day.on === today)?.p50 ?? 0,
      )}</tspan
    >
  </text>
</g>
