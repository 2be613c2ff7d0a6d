<script lang="ts">
  import type { ScaleLinear } from 'd3-scale';
  import type { LineOfTank } from '../../../api/client';
  import { drawn } from '../../../lib/units.svelte';
  import type { Dragged, End } from './marks';

  /** The umber line and the lower one, to be moved by hand or keys. */
  let {
    name,
    limits,
    y,
    most,
    step,
    left,
    right,
    top,
    dragged = $bindable(),
    onhold,
    online,
    onadopt,
    onescape,
  }: {
    name: 'nitrate' | 'phosphate';
    limits: LineOfTank;
    y: ScaleLinear<number, number>;
    /** The highest level that the picture shows, mg/L. */
    most: number;
    /** By how much a key moves a line, mg/L. */
    step: number;
    left: number;
    right: number;
    top: number;
    /** The end that is moved just now. */
    dragged: Dragged | null;
    /** Whether a hand holds a line: the picture keeps its scale meanwhile. */
    onhold: (held: boolean) => void;
    online: (line: LineOfTank) => void;
    onadopt: () => void;
    onescape: () => void;
  } = $props();

  let holding = false;
  let ceiling = $derived(dragged?.end === 'ceiling' ? dragged.mgL : limits.ceilingMgL);
  let floor = $derived(dragged?.end === 'floor' ? dragged.mgL : (limits.floorMgL ?? 0));

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
    onhold(true);
    holding = true;
    const at = end === 'ceiling' ? ceiling : floor;
    dragged = at === undefined ? null : { end, mgL: at };
    event.stopPropagation();
  }

  function pointermove(event: PointerEvent, end: End) {
    if (!holding) return;
    const svg = (event.currentTarget as SVGElement).ownerSVGElement;
    if (!svg) return;
    event.stopPropagation();
    moveTo(end, Math.min(most, y.invert(event.clientY - svg.getBoundingClientRect().top)));
  }

  function pointerup() {
    holding = false;
    onhold(false);
    dragged = null;
  }
</script>

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
    aria-label="draw a line for {name}"
    data-testid="{name}-draw"
  >
    <rect x={right - 170} y={top - 22} width="170" height="24" fill="transparent" />
    <text
      x={right - 8}
      y={top - 5}
      text-anchor="end"
      font-size="13"
      text-decoration="underline"
      stroke="var(--color-base-100)"
      stroke-width="4"
      paint-order="stroke"
      fill="var(--color-primary)">draw a line{right - left < 500 ? '' : ` for ${name}`}</text
    >
  </g>
{/if}
