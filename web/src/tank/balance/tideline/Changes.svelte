<script lang="ts">
  import type { ScaleTime } from 'd3-scale';
  import type { Outlook, Pictured } from '../../../api/client';
  import { clock, dayMiddle } from '../../../lib/words';
  import { notches } from './marks';

  /** Water changes as notches in the upper edge: filled where done, outlined where planned. */
  let {
    balance,
    outlook,
    x,
    left,
    right,
    narrow,
    height,
  }: {
    balance: Pictured;
    outlook: Outlook;
    x: ScaleTime<number, number>;
    left: number;
    right: number;
    narrow: boolean;
    height: number;
  } = $props();

  const inside = (change: { x: number }) => change.x >= left && change.x <= right;
  let done = $derived(
    balance.past.changes
      .map((change) => ({ x: x(clock(change.at)), fraction: change.fraction }))
      .filter(inside),
  );
  let planned = $derived.by(() => {
    const recovery = new Map(outlook.recovery.map((step) => [step.on, step.fraction]));
    return outlook.changeDays
      .map((day) => ({
        x: x(dayMiddle(day)),
        fraction: recovery.get(day) ?? outlook.routine?.fraction ?? 0,
      }))
      .filter((change) => inside(change) && change.fraction > 0);
  });
</script>

<text x={left - 8} y="12" text-anchor="end" font-size="11" fill="var(--color-neutral)"
  >{narrow ? '' : 'changes'}</text
>
<path d="M{left} 0.5H{right}" stroke="var(--color-base-content)" stroke-width="0.6" />
<path
  d={notches(done, height)}
  fill="var(--color-secondary)"
  data-testid="change-done"
  data-count={done.length}
/>
<path d={notches(planned, height)} fill="none" stroke="var(--color-secondary)" stroke-width="1.2" />
