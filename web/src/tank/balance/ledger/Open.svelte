<script lang="ts">
  import type { LedgerLine, Schemas, Tried } from '../../../api/client';
  import { figure } from '../../../lib/units.svelte';
  import { about } from '../../../lib/words';
  import Button from '../../../ui/Button.svelte';
  import Check from '../../../ui/Check.svelte';

  let {
    entry,
    tries,
    ontry,
    onclose,
  }: {
    entry: LedgerLine;
    tries: Tried[];
    ontry: (tried: Tried[]) => void;
    onclose: () => void;
  } = $props();

  type Slider = Schemas['Slider'];
  const same = (tried: Tried, slider: Slider) =>
    tried.kind === slider.kind && tried.id === slider.id;

  function tried(slider: Slider): number {
    return tries.find((one) => same(one, slider))?.amount ?? slider.now;
  }

  function move(slider: Slider, amount: number) {
    const within = Math.min(slider.most, Math.max(slider.least, amount));
    const rest = tries.filter(
      (one) =>
        !same(one, slider) &&
        // one water at a time
        !(
          (slider.kind === 'CHANGE_WATER' || slider.kind === 'TOP_OFF') &&
          one.kind === slider.kind
        ),
    );
    const steady = Math.abs(within - slider.now) < slider.step / 10;
    ontry(
      steady
        ? rest
        : [...rest, { kind: slider.kind as Tried['kind'], id: slider.id, amount: within }],
    );
  }

  function words(slider: Slider, amount: number): string {
    if (slider.unit.startsWith('of ')) return `${Math.round(amount * 100)} % ${slider.unit}`;
    return `${about(amount)} ${slider.unit}`;
  }
</script>

<div
  class="border-primary my-1 grid gap-x-10 gap-y-1 border-l-2 py-1 pl-4 sm:ml-[52px] sm:grid-cols-2"
  data-testid="ledger-open"
>
  <div>
    <p class="font-semibold">
      {entry.name} <span class="text-neutral font-normal">· {entry.source}</span>
    </p>
    <dl class="grid grid-cols-[1fr_auto] gap-x-4">
      {#each entry.sum as term (term.label)}
        <dt title={term.origin}>{term.label}</dt>
        <dd class="text-right tabular-nums">{figure(term.value ?? 0, term.unit)}</dd>
      {/each}
      <dt class="text-neutral">likely range</dt>
      <dd class="text-neutral text-right">
        {about(entry.perDay.low)} to {about(entry.perDay.high)}
      </dd>
    </dl>
  </div>
  <div class="flex flex-col gap-1">
    {#each entry.tries as slider (slider.kind + slider.id)}
      {#if slider.kind === 'CHANGE_WATER' || slider.kind === 'TOP_OFF'}
        <Check
          dense
          checked={tried(slider) > 0}
          onchange={(event) => move(slider, event.currentTarget.checked ? 1 : 0)}
          >{slider.kind === 'TOP_OFF' ? 'top off with' : 'change with'}
          {slider.name}</Check
        >
      {:else}
        <label class="flex flex-col">
          <span
            >Try {slider.name}:
            <strong data-testid="tried">{words(slider, tried(slider))}</strong></span
          >
          <span class="flex items-center gap-1">
            <button
              class="size-11 text-xl sm:size-7"
              aria-label="less {slider.name}"
              onclick={() => move(slider, tried(slider) - slider.step)}>−</button
            >
            <input
              type="range"
              class="slider h-11 flex-1 sm:h-6"
              min={slider.least}
              max={slider.most}
              step={slider.step}
              value={tried(slider)}
              aria-label="try {slider.name}"
              aria-valuetext={words(slider, tried(slider))}
              oninput={(event) => move(slider, Number(event.currentTarget.value))}
              data-testid="try-slider"
            />
            <button
              class="size-11 text-xl sm:size-7"
              aria-label="more {slider.name}"
              onclick={() => move(slider, tried(slider) + slider.step)}>+</button
            >
          </span>
        </label>
      {/if}
    {:else}
      <p class="text-neutral">Nothing to try here; it follows from the rest.</p>
    {/each}
    <Button dense class="self-start" onclick={onclose}>Close this line</Button>
  </div>
</div>

<style>
  .slider {
    accent-color: var(--color-primary);
  }
</style>
