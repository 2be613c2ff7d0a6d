<script lang="ts">
  import type { ScaleTime } from 'd3-scale';
  import { utcDay, utcMonday, utcMonth, utcYear } from 'd3-time';
  import { dayAndMonth, monthName } from '../../../lib/words';
  import { Time } from './time.svelte';

  /** The days, months or years under the picture. */
  let {
    x,
    right,
    y,
    span,
  }: {
    x: ScaleTime<number, number>;
    right: number;
    y: number;
    /** Milliseconds that are shown. */
    span: number;
  } = $props();

  let dates = $derived.by(() => {
    const [from, to] = x.domain() as [Date, Date];
    const days = span / Time.DAY;
    const every =
      days > 900
        ? utcYear
        : days > 400
          ? utcMonth.every(3)
          : days > 75
            ? utcMonth
            : days > 35
              ? utcMonday.every(2)
              : utcMonday;
    return (every ?? utcDay).range(from, to).map((date) => ({ date, text: said(date, days) }));
  });

  function said(date: Date, days: number): string {
    if (days > 900) return `${date.getUTCFullYear()}`;
    if (days <= 75) return dayAndMonth(date);
    return date.getUTCMonth() === 0
      ? `${monthName(date)} ${date.getUTCFullYear()}`
      : monthName(date);
  }
</script>

{#each dates as { date, text } (date.getTime())}
  <path d="M{x(date)} {y}v5" stroke="var(--color-base-content)" stroke-width="0.6" opacity="0.6" />
  {#if x(date) + 34 < right}
    <text x={x(date) + 3} y={y + 15} font-size="12" fill="var(--color-neutral)">{text}</text>
  {/if}
{/each}
