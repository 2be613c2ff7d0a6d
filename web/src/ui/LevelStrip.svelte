<script lang="ts">
  import type { Schemas } from '../api/client';
  import { drawn, labelOf, level as shown } from '../lib/units.svelte';

  let {
    level,
    name,
    colour,
    bare = false,
  }: {
    level: Schemas['Level'];
    name: 'nitrate' | 'phosphate';
    colour: string;
    /** Whether it stands without words, in a row that has no room for them. */
    bare?: boolean;
  } = $props();

  let width = $derived(bare ? 90 : 250);
  const uid = $props.id();
  let top = $derived(
    Math.max((level.line.ceilingMgL ?? level.now.p90 * 1.2) * 1.35, level.now.p90 * 1.08, 0.01),
  );
  let x = $derived((mgL: number) => (mgL / top) * width);
  let text = $derived(`${name} about ${shown(name, level.now.p50)}`);
  let line = $derived(
    level.line.ceilingMgL === undefined ? undefined : drawn(name, level.line.ceilingMgL),
  );
</script>

<figure class="w-full max-w-[250px]">
  <svg
    viewBox="0 0 {width} 18"
    class="block w-full"
    role="img"
    aria-label="{text} {labelOf(name)}, between {shown(name, level.now.p10)} and {shown(
      name,
      level.now.p90,
    )}, limit {line ?? 'none'}"
  >
    <defs>
      <pattern id="{uid}-out" width="6" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 0L6 6" stroke="var(--color-primary)" stroke-width="0.7" opacity="0.55" />
      </pattern>
    </defs>
    {#if level.line.ceilingMgL !== undefined}
      <rect
        x={x(level.line.ceilingMgL)}
        y="4"
        width={width - x(level.line.ceilingMgL)}
        height="12"
        fill="url(#{uid}-out)"
      />
    {/if}
    {#if level.line.floorMgL}
      <rect x="0" y="4" width={x(level.line.floorMgL)} height="12" fill="url(#{uid}-out)" />
    {/if}
    <path d="M0 16H{width}" stroke="var(--color-base-content)" stroke-width="0.6" opacity="0.5" />
    <rect
      x={x(level.now.p10)}
      y="6"
      width={Math.max(1.5, x(level.now.p90) - x(level.now.p10))}
      height="10"
      fill={colour}
      opacity="0.28"
    />
    <rect x={x(level.now.p50) - 1.25} y="4" width="2.5" height="12" fill={colour} />
    {#if level.line.ceilingMgL !== undefined}
      <path d="M{x(level.line.ceilingMgL)} 0V18" stroke="var(--color-primary)" stroke-width="2.5" />
    {/if}
  </svg>
  {#if !bare}
    <figcaption class="text-neutral text-xs leading-5">
      {text}
      {labelOf(name)}{line === undefined ? ', no limit' : `, limit ${line}`}
    </figcaption>
  {/if}
</figure>
