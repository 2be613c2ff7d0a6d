<script lang="ts">
  import type { ScaleTime } from 'd3-scale';
  import type { Balance } from '../../../api/client';
  import { said } from '../../../lib/said';
  import { dayEnd, dayMiddle, small } from '../../../lib/words';

  /** Renewals ahead that the forecast counts on. */
  let {
    work,
    today,
    x,
    left,
    right,
    narrow,
    top,
    height,
  }: {
    work: Balance['work'];
    today: string;
    x: ScaleTime<number, number>;
    left: number;
    right: number;
    narrow: boolean;
    top: number;
    height: number;
  } = $props();

  /** Pixels that one renewal's words need. */
  const APART = 130;
  let shown = $derived(
    work
      .filter((one) => one.kind === 'RENEW')
      .map((one) => ({ ...one, at: x(one.on > today ? dayMiddle(one.on) : dayEnd(today)) }))
      .filter((one) => one.at >= left && one.at <= right),
  );
</script>

{#each shown as one, i (one.of + one.on)}
  {@const before = one.at + APART > right}
  <path
    d="M{one.at} {top}V{top + height}"
    stroke="var(--color-base-content)"
    stroke-width="1"
    stroke-dasharray="2 3"
    opacity="0.7"
    data-testid="work-ahead"
  />
  {#if !narrow && (i === 0 || one.at - (shown[i - 1]?.at ?? 0) > (before ? 2 : 1) * APART)}
    <text
      x={one.at + (before ? -4 : 4)}
      y={top - 3}
      text-anchor={before ? 'end' : 'start'}
      font-size="11"
      fill="var(--color-neutral)"
      stroke="var(--color-base-100)"
      stroke-width="3"
      paint-order="stroke">{small(said(one.words, today))}{one.added ? '' : ', as usual'}</text
    >
  {/if}
{/each}
