<script lang="ts">
  import type { RoundsLine } from '../api/client';
  import { said } from '../lib/said';
  import { nearDay } from '../lib/words';
  import { dueWorks, planWork, reason } from './words';

  /** Why a tank's line says what it says, and what else is due in it. */
  let { line }: { line: RoundsLine } = $props();
</script>

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
  <p class="mt-0.5 text-sm" data-testid="due">
    Due: {#each dueWorks(line) as work, i (work.key)}{i > 0 ? ' · ' : ''}<a
        class="link decoration-base-content/40 inline-flex min-h-11 items-center underline-offset-4 sm:inline sm:min-h-0"
        href={work.path}>{work.words}</a
      >{/each}
  </p>
{/if}
