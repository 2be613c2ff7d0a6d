<script lang="ts">
  import type { RoundsLine } from '../api/client';
  import { said } from '../lib/said';
  import { volume } from '../lib/units.svelte';
  import { nearDay } from '../lib/words';
  import LevelStrip from '../ui/LevelStrip.svelte';
  import Actions from './Actions.svelte';
  import { due, planWork, reason, task } from './words';

  /** A tank of the round: what to do with it today, why, and how it stands. */
  let {
    line,
    busy,
    ondone,
    onlater,
  }: {
    line: RoundsLine;
    /** The tank that something is saved of just now. */
    busy: string;
    ondone: (line: RoundsLine) => void;
    onlater: (line: RoundsLine, days: number, words: string) => void;
  } = $props();

  const kinds: Record<string, string> = {
    freshwater: 'fresh',
    brackish: 'brackish',
    marine: 'marine',
  };
</script>

<li
  class="border-base-content/40 grid grid-cols-1 gap-x-8 gap-y-2 border-b py-3 md:grid-cols-[10.5rem_1fr_250px_9.5rem]"
  data-testid="rounds-line"
  data-tank={line.tank.name}
>
  <div>
    <a
      href="/tank/{line.tank.id}"
      class="inline-flex min-h-11 max-w-full items-center font-serif text-xl break-words sm:min-h-0"
      >{line.tank.name}</a
    >
    <p class="text-neutral text-sm">
      {volume(line.tank.netVolumeL)} · {kinds[line.tank.water] ?? line.tank.water}{line.site
        ? ` · ${line.site}`
        : ''}
    </p>
  </div>
  <div>
    <a
      href="/tank/{line.tank.id}"
      class="inline-flex min-h-11 items-center font-serif text-xl sm:min-h-0 {line.verdict ===
      'SKIP'
        ? 'text-neutral'
        : 'decoration-primary underline decoration-2 underline-offset-4'}">{task(line)}</a
    >
    {#each line.warnings as warning, i (i)}
      <p class="border-error mt-0.5 border-l-4 pl-2 text-sm" data-testid="warning">
        {said(warning, line.tank.today)}
      </p>
    {/each}
    <p class="text-neutral mt-0.5 text-sm">{reason(line)}</p>
    {#each planWork(line) as work (work.of)}
      <p class="mt-0.5 text-sm" data-testid="plan-work">
        {said(work.words, line.tank.today)} by {nearDay(work.on, line.tank.today)}.
      </p>
    {/each}
    {#if line.due.length > 0}
      <p class="mt-0.5 text-sm" data-testid="due">Due: {due(line)}</p>
    {/if}
    <Actions {line} {busy} {ondone} {onlater} />
  </div>
  <div class="flex flex-col gap-1">
    <LevelStrip level={line.nitrate} name="nitrate" colour="var(--color-primary)" />
    <LevelStrip level={line.phosphate} name="phosphate" colour="var(--color-secondary)" />
  </div>
  <dl class="grid grid-cols-2 gap-x-4 self-start text-sm">
    <dt class="text-neutral">tested</dt>
    <dt class="text-neutral">changed</dt>
    <dd class="font-bold">
      {line.daysSinceTest === undefined ? 'never' : `${line.daysSinceTest} d ago`}
    </dd>
    <dd class="font-bold">
      {line.daysSinceChange === undefined ? 'never' : `${line.daysSinceChange} d ago`}
    </dd>
  </dl>
</li>
