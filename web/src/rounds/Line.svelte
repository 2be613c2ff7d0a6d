<script lang="ts">
  import type { RoundsLine } from '../api/client';
  import { volume } from '../lib/units.svelte';
  import LevelStrip from '../ui/LevelStrip.svelte';
  import Actions from './Actions.svelte';
  import { task } from './words';
  import AsOf from './AsOf.svelte';
  import Why from './Why.svelte';

  /** A tank of the round: what to do with it today, why, and how it stands. */
  let {
    line,
    busy,
    from,
    main,
    ondone,
    onlater,
  }: {
    line: RoundsLine;
    /** The tank that something is saved of just now. */
    busy: string;
    /** When the line was worked out, while that is done anew. */
    from: string | undefined;
    /** Whether its first action stands out as the one to press. */
    main: boolean;
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
    <Why {line} />
    <AsOf {from} />
    <Actions {line} busy={from ? line.tank.id : busy} {main} {ondone} {onlater} />
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
