<script lang="ts">
  import type { Schemas } from '../api/client';
  import { said } from '../lib/said';
  import { figure } from '../lib/units.svelte';
  import { path, top } from './game';

  /** What eight weeks came to: the water in truth, beside what would have been enough. */
  let { outcome }: { outcome: Schemas['PracticeOutcome'] } = $props();

  const HEIGHT = 220;
  const LEFT = 44;
  const RIGHT = 6;
  const BOTTOM = 22;
  let room = $state(640);
  let width = $derived(Math.max(200, room - LEFT - RIGHT));
  let most = $derived(
    top(
      outcome.yourCourse,
      outcome.betterCourse,
      outcome.readings.map((one) => one.value),
      [outcome.line],
    ),
  );
  let days = $derived(outcome.yourCourse.length - 1);
  const x = (day: number) => (day / days) * width;
  const y = (level: number) => HEIGHT * (1 - level / most);
  const WEEK = 7;
</script>

<div data-testid="outcome" bind:clientWidth={room}>
  <p class="max-w-prose font-serif text-2xl">{said(outcome.verdict, '')}</p>
  <div class="mt-3 grid gap-x-12 gap-y-2 sm:grid-cols-2">
    <p>
      <span class="text-neutral block text-sm">You, drawn through</span>
      {said(outcome.yours, '')}
    </p>
    <p>
      <span class="text-neutral block text-sm">Enough, known afterwards, drawn in dashes</span>
      {said(outcome.better, '')}
    </p>
  </div>
  <svg
    viewBox="{-LEFT} -6 {width + LEFT + RIGHT} {HEIGHT + BOTTOM + 6}"
    class="mt-4 w-full"
    role="img"
    aria-label="The most of each day in truth: at first {figure(
      outcome.yourCourse[0] ?? 0,
      outcome.unit,
    )}, at last {figure(outcome.yourCourse.at(-1) ?? 0, outcome.unit)}; the limit is {figure(
      outcome.line,
      outcome.unit,
    )}."
  >
    <line x1="0" x2={width} y1={HEIGHT} y2={HEIGHT} class="stroke-base-content/40" />
    {#each Array.from({ length: Math.ceil(days / WEEK) }, (_, week) => week) as week (week)}
      <line
        x1={x(week * WEEK)}
        x2={x(week * WEEK)}
        y1={HEIGHT}
        y2={HEIGHT + 5}
        class="stroke-base-content/40"
      />
      <text x={x(week * WEEK) + 4} y={HEIGHT + 17} class="fill-neutral text-[13px]">{week + 1}</text
      >
    {/each}
    <line
      x1="0"
      x2={width}
      y1={y(outcome.line)}
      y2={y(outcome.line)}
      class="stroke-primary"
      stroke-width="2"
    />
    <text x="-6" y={y(outcome.line) + 4} text-anchor="end" class="fill-base-content text-[13px]"
      >{figure(outcome.line, outcome.unit).split(' ')[0]}</text
    >
    <path
      d={path(outcome.betterCourse, most, width, HEIGHT)}
      fill="none"
      class="stroke-base-content/70"
      stroke-width="1.5"
      stroke-dasharray="5 4"
    />
    <path
      d={path(outcome.yourCourse, most, width, HEIGHT)}
      fill="none"
      class="stroke-base-content"
      stroke-width="2.5"
    />
    {#each outcome.readings as one, i (i)}
      <rect
        x={x(one.day) - 4}
        y={y(one.value) - 4}
        width="8"
        height="8"
        class="fill-base-100 stroke-base-content"
        stroke-width="1.5"
        data-testid="practice-reading"
      />
    {/each}
  </svg>
  <p class="text-neutral text-sm">
    {figure(0, outcome.unit).replace('0 ', '')}, the most of each day, week by week; the squares are
    your tests, the umber line is the limit.
  </p>
  <h2 class="mt-4 font-serif text-xl">What was hidden</h2>
  <p class="max-w-prose" data-testid="hidden">{said(outcome.hidden, '')}</p>
  <p class="mt-1 max-w-prose">{said(outcome.known, '')}</p>
</div>
