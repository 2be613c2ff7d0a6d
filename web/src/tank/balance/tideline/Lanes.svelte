<script lang="ts" module>
  import type { Schemas } from '../../../api/client';
  import { clock } from '../../../lib/words';

  type Entry = Schemas['LaneMark'];
  export const LANE_HEIGHT = 12;
  const LANES = ['fed', 'cut', 'cleaned', 'dosed', 'noted', 'died'] as const;

  /** The lanes that have something in them in the time that is shown. */
  export function usedLanes(entries: Entry[], from: number, to: number): string[] {
    const shown = entries.filter((entry) => {
      const at = clock(entry.at).getTime();
      return at >= from && at <= to;
    });
    return LANES.filter((lane) => shown.some((entry) => entry.lane === lane));
  }
</script>

<script lang="ts">
  import type { ScaleTime } from 'd3-scale';

  /** Feeding, harvest, cleaning and the like, each on a thin line of its own. */
  let {
    lanes,
    shown,
    x,
    left,
    right,
    narrow,
    top,
  }: {
    lanes: Entry[];
    shown: string[];
    x: ScaleTime<number, number>;
    left: number;
    right: number;
    narrow: boolean;
    top: number;
  } = $props();

  /** One path a lane: hundreds of marks move as one. */
  let paths = $derived(
    shown.map((lane) =>
      lanes
        .filter((entry) => entry.lane === lane)
        .map((entry) => x(clock(entry.at)))
        .filter((at) => at >= left && at <= right)
        .map((at) => `M${(at - 3).toFixed(1)} -3.5h6v7h-6z`)
        .join(''),
    ),
  );
</script>

{#each shown as lane, i (lane)}
  {@const y = top + (i + 0.5) * LANE_HEIGHT}
  <text x={left - 8} {y} dy="0.32em" text-anchor="end" font-size="11" fill="var(--color-neutral)"
    >{narrow ? '' : lane}</text
  >
  <path
    d="M{left} {y}H{right}"
    stroke="var(--color-base-content)"
    stroke-width="0.5"
    opacity="0.25"
  />
  <path d={paths[i]} transform="translate(0 {y})" fill="var(--color-base-content)" opacity="0.8" />
{/each}
