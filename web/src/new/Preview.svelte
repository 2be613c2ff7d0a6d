<script lang="ts">
  import { area, line } from 'd3-shape';
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { drawn, labelOf, level } from '../lib/units.svelte';

  /** Where the nitrate of a tank goes that is still being told. */
  let {
    preview,
    tested,
    assumed,
    stale,
  }: {
    preview: Schemas['Preview'];
    tested: boolean;
    /** What nobody has said yet. */
    assumed: string[];
    stale: boolean;
  } = $props();

  const WIDTH = 320;
  const HEIGHT = 170;
  type Band = Schemas['Band'];
  let days = $derived(preview.nitrate.days);
  let last = $derived(days.at(-1));
  let ceiling = $derived(preview.lines.nitrate.ceilingMgL);
  let most = $derived(Math.max(...days.map((day) => day.p90), (ceiling ?? 0) * 1.15, 1));
  let x = $derived(scaleLinear([0, Math.max(1, days.length - 1)], [0, WIDTH]));
  let y = $derived(scaleLinear([0, most], [HEIGHT, 4]));
  const band = (low: keyof Band, high: keyof Band) =>
    area<Band>(
      (_, i) => x(i),
      (day) => y(Number(day[low])),
      (day) => y(Number(day[high])),
    )(days) ?? '';
</script>

<div class={['transition-opacity duration-150', stale && 'opacity-60']} data-testid="preview">
  <p class="text-neutral text-sm">{tested ? 'So far' : 'So far, without a test'}</p>
  {#if last}
    <h2 class="font-serif text-2xl leading-8">
      Nitrate settles somewhere between {level('nitrate', last.p10)} and {level(
        'nitrate',
        last.p90,
      )}.
    </h2>
    <svg
      viewBox="0 0 {WIDTH} {HEIGHT + 20}"
      class="mt-4 w-full max-w-md"
      role="img"
      aria-label="Nitrate over three months, {labelOf('nitrate')}"
    >
      <path d={band('p10', 'p90')} fill="var(--color-primary)" opacity="0.17" />
      <path d={band('p25', 'p75')} fill="var(--color-primary)" opacity="0.26" />
      <path
        d={line<Band>(
          (_, i) => x(i),
          (day) => y(day.p50),
        )(days)}
        fill="none"
        stroke="var(--color-primary)"
        stroke-width="1.8"
      />
      {#if ceiling !== undefined}
        <path d="M0 {y(ceiling)}H{WIDTH}" stroke="var(--color-primary)" stroke-width="2.4" />
        <text
          x={WIDTH}
          y={y(ceiling) - 5}
          text-anchor="end"
          font-size="11"
          font-weight="650"
          fill="var(--color-primary)"
          stroke="var(--color-base-100)"
          stroke-width="4"
          paint-order="stroke">usual limit {drawn('nitrate', ceiling)}</text
        >
      {/if}
      <path d="M0 {HEIGHT}H{WIDTH}" stroke="var(--color-base-content)" stroke-width="0.6" />
      <text x="0" y={HEIGHT + 15} font-size="11" fill="var(--color-neutral)">today</text>
      <text x={WIDTH} y={HEIGHT + 15} text-anchor="end" font-size="11" fill="var(--color-neutral)"
        >three months</text
      >
    </svg>
  {/if}
  {#if assumed.length > 0}
    <p class="text-neutral mt-3 text-sm">
      Still assumed: {assumed.join(', ')}.
      {#if !tested}One nitrate test narrows it most.{/if}
    </p>
  {/if}
</div>
