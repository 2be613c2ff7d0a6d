<script lang="ts">
  import { line } from 'd3-shape';
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../../../api/client';
  import { dayEnd, shortDay } from '../../../lib/words';
  import { Time } from './time.svelte';

  let {
    time,
    fit,
    left,
    right,
    today,
  }: {
    time: Time;
    fit: Schemas['FitDay'][];
    left: number;
    right: number;
    today: number;
  } = $props();

  const HEIGHT = 24;
  let x = $derived(scaleLinear([time.earliest, time.latest], [left, right]));
  let shape = $derived.by(() => {
    const y = scaleLinear([0, Math.max(...fit.map((day) => day.p50), 0.01)], [HEIGHT - 2, 2]);
    return line<Schemas['FitDay']>(
      (day) => x(dayEnd(day.on).getTime()),
      (day) => y(day.p50),
    )(fit);
  });
  let dragged: 'from' | 'to' | 'all' | '' = '';
  let grip = 0;

  function at(event: PointerEvent): number {
    const svg = (event.currentTarget as SVGElement).closest('svg') as SVGElement;
    return x.invert(event.clientX - svg.getBoundingClientRect().left);
  }

  function down(event: PointerEvent, what: typeof dragged) {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragged = what;
    grip = at(event) - time.from;
    event.preventDefault();
  }

  function move(event: PointerEvent) {
    if (dragged === 'all') time.show(at(event) - grip, at(event) - grip + (time.to - time.from));
    else if (dragged) time.end(dragged, at(event));
  }

  function keydown(event: KeyboardEvent, which: 'from' | 'to') {
    const days: Record<string, number> = {
      ArrowLeft: -7,
      ArrowDown: -7,
      ArrowRight: 7,
      ArrowUp: 7,
      PageUp: 30,
      PageDown: -30,
    };
    const by = days[event.key];
    if (by === undefined) return;
    event.preventDefault();
    time.end(which, time[which] + by * Time.DAY);
  }

  const say = (ms: number) => shortDay(new Date(ms).toISOString().slice(0, 10));
</script>

<svg
  width={right + 2}
  height={HEIGHT}
  class="block touch-none"
  role="group"
  aria-label="range of time"
  data-testid="brush"
>
  <path d={shape} fill="none" stroke="var(--color-neutral)" stroke-width="1" />
  <path d="M{x(today)} 0V{HEIGHT}" stroke="var(--color-base-content)" stroke-width="1" />
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <rect
    x={x(time.from)}
    y="0.5"
    width={Math.max(2, x(time.to) - x(time.from))}
    height={HEIGHT - 1}
    fill="var(--color-primary)"
    fill-opacity="0.12"
    stroke="var(--color-primary)"
    class="cursor-grab"
    onpointerdown={(event) => down(event, 'all')}
    onpointermove={move}
    onpointerup={() => (dragged = '')}
    onpointercancel={() => (dragged = '')}
  />
  {#each ['from', 'to'] as const as which (which)}
    <rect
      x={x(time[which]) - 4}
      y="0"
      width="8"
      height={HEIGHT}
      fill="var(--color-primary)"
      fill-opacity="0.7"
    />
    <rect
      x={Math.min(right - 24, Math.max(left, x(time[which]) - 12))}
      y="0"
      width="24"
      height={HEIGHT}
      fill="transparent"
      class="cursor-ew-resize outline-offset-0"
      role="slider"
      tabindex="0"
      aria-label={which === 'from' ? 'first day shown' : 'last day shown'}
      aria-valuemin={time.earliest}
      aria-valuemax={time.latest}
      aria-valuenow={time[which]}
      aria-valuetext={say(time[which])}
      onkeydown={(event) => keydown(event, which)}
      onpointerdown={(event) => down(event, which)}
      onpointermove={move}
      onpointerup={() => (dragged = '')}
      onpointercancel={() => (dragged = '')}
    />
  {/each}
</svg>
