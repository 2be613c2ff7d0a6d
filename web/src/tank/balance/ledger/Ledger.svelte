<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { LedgerLine, Ledgers, Tried } from '../../../api/client';
  import { about } from '../../../lib/words';
  import { labelOf, toShown } from '../../../lib/units.svelte';
  import { closing } from './closing';
  import Open from './Open.svelte';
  import Button from '../../../ui/Button.svelte';

  let {
    ledgers,
    tries,
    ontry,
  }: {
    ledgers: Ledgers;
    tries: Tried[];
    ontry: (tried: Tried[]) => void;
  } = $props();

  /** Where it is held, as one says it. */
  const WHERE: Record<string, string> = { water: 'the water', media: 'the filter' };
  const SHOWN = 4;
  const MEASURES = ['mg a day', 'g a month', 'mg/L a week'] as const;
  let element = $state<'nitrogen' | 'phosphorus'>('nitrogen');
  let measure = $state<(typeof MEASURES)[number]>('mg a day');
  let opened = $state('');
  let all = $state(false);
  let room = $state.raw<DOMRectReadOnly>();
  let half = $derived(room ? room.width / (room.width < 640 ? 1 : 2) : 400);

  let ledger = $derived(ledgers[element]);
  let ion = $derived(element === 'nitrogen' ? ('nitrate' as const) : ('phosphate' as const));
  /** From mg of the element a day to what is shown, by the server's factors. */
  let perMg = $derived.by(() => {
    const { gramsAMonth, nitrateMgLAWeek, phosphateMgLAWeek } = ledgers.perMgADay;
    if (measure === 'mg a day') return 1;
    if (measure === 'g a month') return gramsAMonth;
    return toShown(ion, ion === 'nitrate' ? nitrateMgLAWeek : phosphateMgLAWeek);
  });
  let close = $derived(closing(ledger, perMg));
  let most = $derived(
    Math.max(...[...ledger.in, ...ledger.out].map((line) => line.perDay.high * perMg), 0.001),
  );
  let x = $derived(scaleLinear([0, most], [0, Math.max(60, half - 250)]));
  let rows = $derived(Math.max(ledger.in.length, ledger.out.length));
  let shown = $derived(all || rows <= SHOWN + 1 ? rows : SHOWN);

  function amount(mgPerDay: number): string {
    const value = mgPerDay * perMg;
    return Math.abs(value) < 0.005 ? '0' : about(Math.abs(value)) + '';
  }

  function signed(value: number, text: string): string {
    return `${value < 0 ? '−' : '+'}${text}`;
  }
</script>

{#snippet line(entry: LedgerLine, side: 'in' | 'out')}
  {@const width = Math.max(1.5, x(entry.perDay.mean * perMg))}
  {@const low = x(entry.perDay.low * perMg)}
  {@const high = Math.max(width, x(entry.perDay.high * perMg))}
  <button
    class="group flex min-h-11 w-full items-center gap-2 text-left sm:min-h-6 {side === 'in'
      ? 'flex-row-reverse text-right'
      : ''}"
    aria-expanded={opened === entry.key}
    onclick={() => (opened = opened === entry.key ? '' : entry.key)}
    data-testid="ledger-line"
  >
    <span
      class="h-[9px] shrink-0"
      style="width:{high}px; background: linear-gradient({side === 'in'
        ? 'to left'
        : 'to right'}, var({side === 'in' ? '--color-primary' : '--color-neutral'}) {(100 * low) /
        high}%, transparent 100%)"
    ></span>
    <strong class="shrink-0 tabular-nums">{amount(entry.perDay.mean)}</strong>
    <span class="truncate group-hover:underline" class:underline={opened === entry.key}
      >{entry.name}</span
    >
  </button>
{/snippet}

<section
  aria-label="Ledger of {element}"
  class="border-base-content border-t text-sm"
  data-testid="ledger"
>
  <div class="grid grid-cols-1 sm:grid-cols-2" bind:contentRect={room}>
    <div
      class="border-base-content order-1 flex flex-wrap items-baseline justify-end gap-x-3 pt-1 sm:order-none sm:border-r sm:pr-3"
    >
      <span role="group" aria-label="element" class="flex gap-2">
        {#each ['nitrogen', 'phosphorus'] as const as name (name)}
          <button
            class="min-h-11 sm:min-h-6"
            class:font-bold={element === name}
            class:underline={element === name}
            aria-pressed={element === name}
            onclick={() => (element = name)}>{name}</button
          >
        {/each}
      </span>
      <span role="group" aria-label="measure" class="text-neutral flex gap-2">
        {#each MEASURES as name (name)}
          <button
            class="min-h-11 sm:min-h-6"
            class:font-bold={measure === name}
            class:underline={measure === name}
            aria-pressed={measure === name}
            onclick={() => (measure = name)}>{name}</button
          >
        {/each}
      </span>
      <strong class="font-serif text-base">brings in {close.in}</strong>
    </div>
    <div class="order-3 pt-1 sm:order-none sm:pl-3">
      <strong class="font-serif text-base">takes out {close.out}</strong>
    </div>
    <ul class="border-base-content order-2 sm:order-none sm:border-r" aria-label="brings in">
      {#each ledger.in.slice(0, shown) as entry (entry.key)}
        <li>{@render line(entry, 'in')}</li>
      {/each}
    </ul>
    <ul class="order-4 sm:order-none" aria-label="takes out">
      {#each ledger.out.slice(0, shown) as entry (entry.key)}
        <li>{@render line(entry, 'out')}</li>
      {/each}
    </ul>
  </div>
  {#each [...ledger.in, ...ledger.out].filter((entry) => entry.key === opened) as entry (entry.key)}
    <Open {entry} {tries} {ontry} onclose={() => (opened = '')} />
  {/each}
  <p
    class="border-base-content/40 flex flex-wrap items-baseline justify-center gap-x-8 border-t font-serif sm:text-base"
    data-testid="ledger-net"
  >
    {#if shown < rows || all}
      <Button dense class="text-neutral font-sans text-sm" onclick={() => (all = !all)}
        >{all ? 'fewer lines' : 'all lines'}</Button
      >
    {/if}
    <span data-testid="ledger-sum"
      >{close.in} in − {close.out} out
      {#if close.unexplained !== 0}
        <span
          title="between {signed(
            ledger.unexplained.low,
            amount(ledger.unexplained.low),
          )} and {signed(ledger.unexplained.high, amount(ledger.unexplained.high))}"
          >{close.unexplained < 0 ? '−' : '+'}
          {Math.abs(close.unexplained)} not accounted for</span
        >
      {/if}
      =
      <strong>{Math.abs(close.more)} {close.more < 0 ? 'less' : 'more'} in the tank</strong
      >{#if close.held.length > 0}<span class="text-neutral text-sm"
          >: {close.held
            .map(
              (part) =>
                `${signed(part.amount, String(Math.abs(part.amount)))} in ${WHERE[part.name] ?? part.name}`,
            )
            .join(', ')}</span
        >{/if}</span
    >
    <strong
      >without changes: {ion}
      {signed(
        ledger.netMgLPerWeek.mean,
        `${about(Math.abs(toShown(ion, ledger.netMgLPerWeek.mean)))} ${labelOf(ion)}`,
      )} a week
      <span class="text-neutral text-sm font-normal"
        >between {signed(
          ledger.netMgLPerWeek.low,
          about(Math.abs(toShown(ion, ledger.netMgLPerWeek.low))),
        )} and {signed(
          ledger.netMgLPerWeek.high,
          about(Math.abs(toShown(ion, ledger.netMgLPerWeek.high))),
        )}</span
      ></strong
    >
  </p>
</section>
