<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { said } from '../../lib/said';
  import { labelOf, level } from '../../lib/units.svelte';
  import { about, interval, longDay, nearDay, percent, timesInTen } from '../../lib/words';

  /** What a make-up comes to, and what it was before it was changed. */
  let {
    effect,
    before,
    today,
    stale,
  }: {
    effect: Schemas['MakeUpEffect'];
    before: Schemas['MakeUpEffect'] | null;
    today: string;
    stale: boolean;
  } = $props();

  const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

  /** What is changed once, before the routine. */
  function once(one: Schemas['MakeUpEffect']): string {
    const [first] = one.recovery;
    if (!first) return '';
    const days = one.recovery.length;
    return `now change ${percent(first.fraction)}${days > 1 ? ` on ${days} days` : ' once'}, then `;
  }

  function routine(one: Schemas['MakeUpEffect']): string {
    if (one.routine)
      return `${once(one)}change ${percent(one.routine.fraction)} every ${interval(one.routine.everyDays)}, next ${nearDay(one.routine.nextOn, today)}`;
    return one.verdict === 'STUCK'
      ? 'no change that you allow keeps it under your limits'
      : 'no change is needed';
  }

  const sum = (sign: 1 | -1) =>
    about(effect.paper.reduce((all, one) => all + Math.max(0, sign * one.nitrogenMgPerDay), 0));
  const now = (name: 'nitrate' | 'phosphate', of: Schemas['Now']) =>
    `${name} about ${level(name, of.p50)} (${level(name, of.p10)} to ${level(name, of.p90)}) ${labelOf(name)}`;
</script>

<div class="transition-opacity duration-150" class:opacity-50={stale}>
  {#each effect.warnings as warning, i (i)}
    <p class="border-error mb-2 border-l-4 pl-3" role="alert" data-testid="effect-warning">
      {said(warning, today)}
    </p>
  {/each}
  <p class="font-serif text-xl" data-testid="effect-routine">
    {capital(routine(effect))}, {timesInTen(effect.probabilityWithinLines)}.
  </p>
  {#if before && routine(before) !== routine(effect)}
    <p class="text-neutral">Before: {routine(before)}. Nothing is kept yet.</p>
  {/if}
  <div class="hidden sm:block">
    <p class="mt-2">
      Now {now('nitrate', effect.nitrateNow)}, {now('phosphate', effect.phosphateNow)}.
    </p>
    {#each [['nitrate', effect.leftAloneNitrate], ['phosphate', effect.leftAlonePhosphate]] as const as [name, crossing] (name)}
      {#if crossing.likely}
        <p>Left alone, {name} passes your limit about {longDay(crossing.likely, today)}.</p>
      {/if}
    {/each}
    <p class="text-neutral mt-2">
      By these figures {sum(1)} mg N a day come in, and at best {sum(-1)} go out.
    </p>
  </div>
</div>
