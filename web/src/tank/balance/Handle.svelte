<script lang="ts">
  let {
    value,
    text,
    label,
    steps,
    parse,
    held,
    onchange,
    onhold,
    onadopt,
    onescape,
  }: {
    value: number;
    /** The value as it stands in the sentence. */
    text: string;
    label: string;
    /** Values that keys, wheel and dragging step through, ascending. */
    steps: number[];
    /** What was typed, as a value; null when it is none. */
    parse: (typed: string) => number | null;
    held: boolean;
    onchange: (value: number) => void;
    onhold: () => void;
    onadopt: () => void;
    onescape: () => void;
  } = $props();

  const PIXELS_PER_STEP = 9;
  let typed = $state<string | null>(null);
  let dragFrom: { x: number; place: number; moved: boolean } | null = null;
  let shown = $derived(typed ?? text);

  /** Place of the step nearest to the value. */
  function placeOf(number: number): number {
    let best = 0;
    steps.forEach((step, i) => {
      if (Math.abs(step - number) < Math.abs((steps[best] ?? 0) - number)) best = i;
    });
    return best;
  }

  function toPlace(place: number) {
    const step = steps[Math.max(0, Math.min(steps.length - 1, place))];
    typed = null;
    if (step !== undefined && step !== value) onchange(step);
  }

  function by(count: number) {
    const place = placeOf(value);
    const at = steps[place] ?? value;
    // From between two steps the first move goes to the neighbour on that side.
    const from = count > 0 && at > value ? place - 1 : count < 0 && at < value ? place + 1 : place;
    toPlace(from + count);
  }

  function commit() {
    if (typed === null) return;
    const number = parse(typed);
    typed = null;
    if (number !== null && number !== value) onchange(number);
  }

  function keydown(event: KeyboardEvent) {
    const moves: Record<string, number> = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 };
    const move = moves[event.key];
    if (move !== undefined) {
      event.preventDefault();
      by(move);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      if (typed !== null) commit();
      else onadopt();
    } else if (event.key === 'Escape') {
      event.preventDefault();
      typed = null;
      onescape();
    }
  }

  function pointerdown(event: PointerEvent) {
    if (event.pointerType !== 'mouse' || document.activeElement === event.currentTarget) return;
    dragFrom = { x: event.clientX, place: placeOf(value), moved: false };
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    event.preventDefault();
  }

  function pointermove(event: PointerEvent) {
    if (!dragFrom) return;
    const distance = event.clientX - dragFrom.x;
    if (Math.abs(distance) > 4) dragFrom.moved = true;
    if (dragFrom.moved) toPlace(dragFrom.place + Math.round(distance / PIXELS_PER_STEP));
  }

  function pointerup(event: PointerEvent) {
    if (dragFrom && !dragFrom.moved) {
      const field = event.currentTarget as HTMLInputElement;
      field.focus();
      field.select();
    }
    dragFrom = null;
  }
</script>

<span class="inline-flex items-baseline whitespace-nowrap">
  <button
    type="button"
    tabindex="-1"
    class="hidden size-11 shrink-0 items-center justify-center self-center text-2xl pointer-coarse:inline-flex"
    aria-label="less: {label}"
    onclick={() => by(-1)}>−</button
  >
  <input
    type="text"
    role="spinbutton"
    inputmode="decimal"
    aria-label={label}
    aria-valuenow={value}
    aria-valuetext={text}
    title="drag, arrow keys or type; Enter adopts, Escape puts back"
    class="handle border-primary h-[1.35em] cursor-ew-resize border-b-2 bg-transparent px-0.5 text-center font-semibold"
    class:border-dotted={held}
    style="--characters: {shown.length}"
    value={shown}
    oninput={(event) => (typed = event.currentTarget.value)}
    onfocus={(event) => event.currentTarget.select()}
    onblur={commit}
    onkeydown={keydown}
    onwheel={(event) => {
      if (document.activeElement !== event.currentTarget) return;
      event.preventDefault();
      by(event.deltaY < 0 ? 1 : -1);
    }}
    onpointerdown={pointerdown}
    onpointermove={pointermove}
    onpointerup={pointerup}
    onpointercancel={() => (dragFrom = null)}
  />
  <button
    type="button"
    tabindex="-1"
    class="hidden size-11 shrink-0 items-center justify-center self-center text-2xl pointer-coarse:inline-flex"
    aria-label="more: {label}"
    onclick={() => by(1)}>+</button
  >
  {#if held}
    <button
      type="button"
      class="text-neutral ml-1 min-h-6 px-1 font-sans text-sm underline"
      onclick={onhold}>held</button
    >
  {/if}
</span>

<style>
  .handle {
    width: calc(var(--characters) * 0.62em);
  }
  @supports (field-sizing: content) {
    .handle {
      width: auto;
      min-width: 1.5em;
      field-sizing: content;
    }
  }
</style>
