<script lang="ts">
  import type { Balance, Outlook } from '../../api/client';
  import { said } from '../../lib/said';
  import { interval, isStillUnder, longDay, percent, small, timesInTen } from '../../lib/words';
  import TextLink from '../../ui/TextLink.svelte';

  /** The sentence where no routine is asked for, none can hold, or something comes first. */
  let {
    balance,
    outlook,
    keeps,
    alone,
    besides,
    floorNote,
    workNow,
  }: {
    balance: Balance;
    outlook: Outlook;
    /** What the keeper asks for; empty where no line is drawn. */
    keeps: string;
    /** The line that is crossed first without any change. */
    alone: { name: string; on: string } | null;
    besides: string;
    floorNote: string;
    /** Work that the plan asks for today. */
    workNow: string[];
  } = $props();

  let today = $derived(balance.tank.today);
  let first = $derived(balance.today.reasons[0] ? said(balance.today.reasons[0].words, today) : '');
  let acute = $derived(balance.today.verdict === 'ACT_NOW' ? first : '');
  let now = $derived(balance.today.fraction);
  let stillUnder = $derived(isStillUnder(balance.today.reasons));
  let isOver = $derived(balance.today.reasons.some((reason) => reason.kind === 'OVER_NOW'));

  /** What would make it possible, the simplest first. */
  let unbinds = $derived.by(() => {
    const ways = balance.otherWays;
    const texts = ways.blends
      .slice(0, 1)
      .map(
        (blend) =>
          `with ${percent(blend.share)} ${blend.water} in the change water, ${percent(blend.fraction)} every ${interval(blend.everyDays)} is enough`,
      );
    for (const help of ways.helps.slice(0, 2)) {
      const then =
        help.fraction === undefined
          ? ''
          : help.fraction === 0
            ? ' (no change is needed then)'
            : ` (${percent(help.fraction)} every ${interval(help.everyDays)} is enough then)`;
      texts.push(`${small(said(help.words, today))}${then}`);
    }
    return texts;
  });
</script>

{#if balance.today.verdict === 'TEST_FIRST' && balance.testFirst}
  <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
    Test <strong class="font-semibold">{balance.testFirst.analyte}</strong> first.
  </h1>
  <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
    {#if outlook.holds}
      {keeps} without any change, {timesInTen(outlook.probabilityWithinLines)}; what is open is
      {balance.testFirst.analyte}.
    {:else}
      So little is known that no routine can be promised.
    {/if}
    {first}
    {besides}
    {#if alone && !outlook.holds}As far as can be told, {alone.name} passes your limit about {longDay(
        alone.on,
        today,
      )} if left alone.{/if}
  </p>
{:else if acute}
  <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]" data-testid="now">
    Act now{#if now !== undefined}: change <strong class="font-semibold">{percent(now)}</strong
      >{/if}.
  </h1>
  <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
    <strong class="text-error font-semibold">{acute}</strong>
  </p>
{:else if balance.today.verdict === 'STUCK'}
  <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
    {balance.today.reasons.some((reason) => reason.kind === 'NO_CHANGE_WANTED')
      ? 'Without a change it goes over your limits.'
      : stillUnder
        ? 'It is under your limits, but water changes alone may not keep it there.'
        : 'No water change can keep it under your limits.'}
    {#if now !== undefined}<span data-testid="now"
        >Changing <strong class="font-semibold">{percent(now)}</strong> now still helps.</span
      >{/if}
  </h1>
  <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
    {balance.today.reasons.map((reason) => said(reason.words, today)).join(' ')}
    {#if unbinds.length > 0}
      <span data-testid="unbinds">What else helps: {unbinds.join('; ')}.</span>
    {/if}
    {#if alone && !isOver}Left alone, {alone.name} passes your limit about {longDay(
        alone.on,
        today,
      )}.{/if}
  </p>
{:else}
  <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
    {#if workNow.length > 0}
      <span data-testid="work-now">Now: {small(workNow.join(' and '))}.</span>
    {/if}
    {#if keeps}
      No change is needed until
      <strong class="font-semibold"
        >{longDay(balance.today.noneNeededUntil ?? outlook.until, today)}</strong
      >.
    {:else}
      No limit is set yet.
    {/if}
  </h1>
  <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
    {#if keeps && !outlook.holds}
      {balance.today.reasons.map((reason) => said(reason.words, today)).join(' ')}
      {#if unbinds.length > 0}
        <span data-testid="unbinds">What else helps: {unbinds.join('; ')}.</span>
      {/if}
      {floorNote}
    {:else if keeps}
      {keeps} without any, on any day {timesInTen(outlook.probabilityWithinLines)}.
      {besides}
      {#if balance.otherWays.shareOfWaterOver90Days > 0.5}
        {percent(balance.otherWays.shareOfWaterOver90Days)} of the water is older than three months.
      {/if}
      {floorNote}
    {:else}
      Say what it is kept for in <TextLink class="min-h-0" href="/tank/{balance.tank.id}/make-up"
        >Make-up</TextLink
      > and its usual limits are taken, or draw your own in the picture below. What keeps the water under
      them is then worked out.
    {/if}
  </p>
{/if}
