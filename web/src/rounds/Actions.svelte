<script lang="ts">
  import type { RoundsLine } from '../api/client';
  import { may } from '../lib/tanks.svelte';
  import Button from '../ui/Button.svelte';
  import TextLink from '../ui/TextLink.svelte';

  /** What can be done with a tank without leaving the round. */
  let {
    line,
    busy,
    main = false,
    ondone,
    onlater,
  }: {
    line: RoundsLine;
    /** The tank that something is saved of just now. */
    busy: string;
    /** Whether the first of them stands out as the one to press. */
    main?: boolean;
    ondone: (line: RoundsLine) => void;
    onlater: (line: RoundsLine, days: number, words: string) => void;
  } = $props();

  let today = $derived(line.minutes !== undefined);
  let name = $derived(line.tank.name);
  let interval = $derived(Math.ceil((line.standing ?? line.routine)?.everyDays ?? 7));
</script>

{#if !may(line.tank.id, 'HELPER')}
  <p class="text-neutral text-sm">You may look at this tank.</p>
{:else if line.verdict === 'TEST_FIRST'}
  <p class="text-sm">
    <TextLink kind={main ? 'main' : 'strong'} dense={!main} href="/tank/{line.tank.id}"
      >Enter the reading</TextLink
    >
  </p>
{:else if line.fraction !== undefined && (line.verdict !== 'STUCK' || today)}
  <p class={['flex flex-wrap items-center gap-x-5 text-sm', main && 'mt-1 gap-y-2']}>
    {#if main && today}
      <Button
        kind="main"
        disabled={busy === line.tank.id}
        onclick={() => ondone(line)}
        aria-label="{name}: change done">Done</Button
      >
    {/if}
    <TextLink kind="strong" dense href="/tank/{line.tank.id}/change" aria-label="{name}: run sheet"
      >Run sheet</TextLink
    >
    {#if !main || !today}
      <Button
        dense
        disabled={busy === line.tank.id}
        onclick={() => ondone(line)}
        aria-label="{name}: change done">Change done</Button
      >
    {/if}
    {#if line.fixedRoutine}
      <Button
        dense
        disabled={busy === line.tank.id}
        onclick={() => onlater(line, 1, 'a day later')}
        aria-label="{name}: a day later">A day later</Button
      >
      <Button
        dense
        disabled={busy === line.tank.id}
        onclick={() => onlater(line, interval, 'skipped')}
        aria-label="{name}: skip this one">Skip this one</Button
      >
    {/if}
  </p>
{/if}
