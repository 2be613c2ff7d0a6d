<script lang="ts">
  import type { RoundsLine } from '../api/client';
  import { volume } from '../lib/units.svelte';
  import LevelStrip from '../ui/LevelStrip.svelte';
  import TextLink from '../ui/TextLink.svelte';
  import Actions from './Actions.svelte';
  import { nearer, shortTask, task } from './words';
  import AsOf from './AsOf.svelte';
  import Why from './Why.svelte';

  /** A tank of the round in one line, for a phone; pressed, it opens in place. */
  let {
    line,
    open,
    busy,
    from,
    room = true,
    onopen,
    ondone,
    onlater,
  }: {
    line: RoundsLine;
    open: boolean;
    /** Whether its room stands beside its name. */
    room?: boolean;
    /** The tank that something is saved of just now. */
    busy: string;
    /** When the line was worked out, while that is done anew. */
    from: string | undefined;
    onopen: () => void;
    ondone: (line: RoundsLine) => void;
    onlater: (line: RoundsLine, days: number, words: string) => void;
  } = $props();

  let nutrient = $derived(nearer(line));
</script>

<li
  class={['border-b', open ? 'border-base-content' : 'border-base-300']}
  data-testid="rounds-line"
  data-tank={line.tank.name}
>
  <button
    class="grid min-h-14 w-full grid-cols-[minmax(0,1fr)_5.6rem] items-center gap-x-3 py-1.5 text-left"
    aria-expanded={open}
    onclick={onopen}
  >
    <span class="min-w-0">
      <span class="flex items-baseline gap-x-2">
        <span class="truncate font-serif text-lg leading-6 font-semibold">{line.tank.name}</span>
        {#if room && line.site}<span class="text-neutral shrink-0 text-sm">{line.site}</span>{/if}
      </span>
      {#if !open}<span class="block truncate text-sm">{shortTask(line)}</span>{/if}
    </span>
    {#if open}
      <span class="text-neutral text-right text-sm">{volume(line.tank.netVolumeL)}</span>
    {:else}
      <LevelStrip
        bare
        level={line[nutrient]}
        name={nutrient}
        colour={nutrient === 'nitrate' ? 'var(--color-primary)' : 'var(--color-secondary)'}
      />
    {/if}
  </button>
  {#if open}
    <div class="pb-3">
      <p class="font-serif text-xl leading-7">{task(line)}</p>
      <Why {line} />
      <AsOf {from} />
      <div class="mt-2">
        <Actions {line} busy={from ? line.tank.id : busy} main {ondone} {onlater} />
      </div>
      <p class="mt-1 flex gap-x-6 text-sm">
        <TextLink href="/tank/{line.tank.id}">Open {line.tank.name}</TextLink>
      </p>
    </div>
  {/if}
</li>
