<script lang="ts">
  import { Gradually } from '../lib/gradually.svelte';
  import type { Schemas } from '../api/client';
  import { said } from '../lib/said';
  import { addDays, dayStart, daysBetween, shortDay } from '../lib/words';

  type UpkeepTank = Schemas['UpkeepTank'];

  let {
    tanks,
    days,
    onmove,
    onopen,
  }: {
    tanks: UpkeepTank[];
    days: number;
    /** Wants a piece of work on another day. */
    onmove: (tank: UpkeepTank, work: string, nextOn: string, words: string) => void;
    onopen: (tank: string) => void;
  } = $props();

  const gradually = new Gradually(1, 1, () => tanks.length);
  const COMMIT_AFTER_MS = 900;
  /** What is being moved, by how many days. */
  let moving = $state<{ key: string; by: number } | null>(null);
  let from = 0;
  let width = $state(0);
  let timer: ReturnType<typeof setTimeout> | undefined;

  let today = $derived(tanks[0]?.today ?? '');
  let dates = $derived(Array.from({ length: days }, (_, i) => addDays(today, i)));
  const weekday = (day: string) => dayStart(day).getUTCDay();
  const share = (day: string) => (100 * daysBetween(today, day)) / days;

  interface Mark {
    on: string;
    why: string;
    late: number;
  }
  function rows(tank: UpkeepTank) {
    return tank.works
      .map((work) => ({
        work,
        marks: tank.occurrences
          .filter((one) => one.work === work.key)
          .map((one): Mark => ({ on: one.on, why: one.why, late: one.lateDays })),
      }))
      .filter((row) => row.marks.length > 0);
  }

  const keyOf = (tank: UpkeepTank, work: string) => `${tank.id} ${work}`;

  function shown(tank: UpkeepTank, work: string, mark: Mark): string {
    const by = moving?.key === keyOf(tank, work) ? moving.by : 0;
    return by === 0 ? mark.on : addDays(mark.on, by);
  }

  function commit(tank: UpkeepTank, work: Schemas['Work'], mark: Mark) {
    clearTimeout(timer);
    const by = moving?.by ?? 0;
    moving = null;
    if (by !== 0) onmove(tank, work.key, addDays(mark.on, by), said(work.words, tank.today));
  }

  function keydown(event: KeyboardEvent, tank: UpkeepTank, work: Schemas['Work'], mark: Mark) {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      const key = keyOf(tank, work.key);
      const before = moving?.key === key ? moving.by : 0;
      moving = { key, by: Math.max(-daysBetween(today, mark.on), before + step) };
      clearTimeout(timer);
      timer = setTimeout(() => commit(tank, work, mark), COMMIT_AFTER_MS);
    } else if (event.key === 'Enter' && moving) {
      event.preventDefault();
      commit(tank, work, mark);
    } else if (event.key === 'Escape' && moving) {
      clearTimeout(timer);
      moving = null;
    }
  }

  function down(event: PointerEvent, tank: UpkeepTank, work: string) {
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    from = event.clientX;
    moving = { key: keyOf(tank, work), by: 0 };
  }

  function drag(event: PointerEvent, tank: UpkeepTank, work: string, mark: Mark) {
    if (moving?.key !== keyOf(tank, work) || !event.buttons) return;
    const by = Math.round(((event.clientX - from) / width) * days);
    moving = { key: moving.key, by: Math.max(-daysBetween(today, mark.on), by) };
  }
</script>

<section class="mt-6" aria-label="The weeks ahead" data-testid="band">
  <div class="grid grid-cols-[13rem_1fr] text-sm">
    <p class="text-neutral self-end pb-1">Drag a mark, or move it by arrow keys.</p>
    <div class="relative h-8" bind:clientWidth={width}>
      {#each dates as day (day)}
        {#if weekday(day) === 1 || day === today}
          <span
            class="text-neutral absolute bottom-1 whitespace-nowrap"
            style="left: {share(day)}%"
            class:font-bold={day === today}
            >{day === today
              ? 'today'
              : daysBetween(today, day) < 4
                ? ''
                : shortDay(day).slice(4)}</span
          >
        {/if}
      {/each}
    </div>
    {#each gradually.of(tanks) as tank (tank.id)}
      <div class="border-base-content/40 col-span-2 flex items-baseline gap-4 border-t pt-1">
        <h2 class="font-serif text-lg">{tank.name}</h2>
        <button
          class="min-h-7 underline underline-offset-4"
          onclick={() => onopen(tank.id)}
          aria-label="how often, {tank.name}">How often</button
        >
      </div>
      {#each rows(tank) as { work, marks } (work.key)}
        <p class="truncate pr-2" title={said(work.reason, tank.today)}>
          {said(work.words, tank.today)}
        </p>
        <div class="border-base-300 relative h-7 border-b">
          {#each dates as day (day)}
            {#if weekday(day) === 1}
              <span class="border-base-300 absolute inset-y-0 border-l" style="left: {share(day)}%"
              ></span>
            {/if}
          {/each}
          {#each marks as mark, i (mark.on)}
            {@const on = i === 0 ? shown(tank, work.key, mark) : mark.on}
            {#if i === 0 && work.movable}
              <button
                class="mark absolute top-0.5 h-6 cursor-ew-resize touch-none"
                class:late={mark.late > 0}
                class:change={work.kind === 'CHANGE'}
                style="left: {share(on)}%; width: {100 / days}%"
                aria-label="{tank.name}: {said(work.words, tank.today)}, {shortDay(on)}{mark.late >
                0
                  ? `, ${mark.late} days late`
                  : ''}{mark.why ? `. ${mark.why}` : ''}; arrow keys move it"
                title="{shortDay(on)}{mark.why ? `. ${mark.why}` : ''}"
                data-testid="band-mark"
                onkeydown={(event) => keydown(event, tank, work, mark)}
                onpointerdown={(event) => down(event, tank, work.key)}
                onpointermove={(event) => drag(event, tank, work.key, mark)}
                onpointerup={() => commit(tank, work, mark)}
                onpointercancel={() => (moving = null)}
              ></button>
            {:else}
              <span
                class="mark absolute {i === 0 ? 'top-0.5 h-6' : 'follows top-1.5 h-4'}"
                class:change={work.kind === 'CHANGE'}
                style="left: {share(on)}%; width: {100 / days}%"
                title="{shortDay(on)}{mark.why ? `. ${mark.why}` : ''}"
              ></span>
            {/if}
          {/each}
        </div>
      {/each}
    {/each}
  </div>
</section>

<style>
  .mark {
    background: var(--color-secondary);
    min-width: 10px;
    clip-path: polygon(0 0, 100% 0, 50% 100%);
  }
  .change {
    background: var(--color-primary);
  }
  .late {
    background: var(--color-accent);
  }
  .follows {
    opacity: 0.55;
  }
  .mark:focus-visible {
    clip-path: none;
  }
</style>
