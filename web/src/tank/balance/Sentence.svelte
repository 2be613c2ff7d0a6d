<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Balance, Outlook, Schemas } from '../../api/client';
  import { daysBetween, interval, longDay, nearDay, percent, timesInTen } from '../../lib/words';
  import { drawn, level, volume } from '../../lib/units.svelte';
  import { said } from '../../lib/said';
  import Handle from './Handle.svelte';
  import Button from '../../ui/Button.svelte';

  type Kind = Schemas['Reason']['kind'];
  type Part = 'fraction' | 'everyDays' | 'nextOn';

  let {
    balance,
    outlook,
    trying,
    lineMoved,
    stale,
    held,
    ontry,
    onhold,
    onadopt,
    onescape,
    children,
  }: {
    balance: Balance;
    /** What is shown: the answer, or what is being tried. */
    outlook: Outlook;
    trying: boolean;
    /** Whether a line was moved and nothing else tried. */
    lineMoved: boolean;
    /** Whether a newer answer is on its way. */
    stale: boolean;
    held: Part | '';
    /** A share, days, or days from today for the next change. */
    ontry: (part: Part, value: number) => void;
    onhold: (part: Part | '') => void;
    onadopt: () => void;
    onescape: () => void;
    /** What else can be opened from here. */
    children?: Snippet;
  } = $props();

  let today = $derived(balance.tank.today);
  let routine = $derived(outlook.routine);
  let fractions = $derived(
    Array.from({ length: Math.floor(balance.maxChangeFraction * 100) }, (_, i) => (i + 1) / 100),
  );

  const binding: Partial<Record<NonNullable<Outlook['bindingLimit']>, string>> = {
    SOURCE: 'the change water itself is at or above a line; a purer source or a blend would help',
    MAX_CHANGE_FRACTION: 'the largest single change allowed is too small',
    NITRATE_FLOOR: 'changes that keep the ceiling would break the lower nitrate line',
    PHOSPHATE_FLOOR: 'changes that keep the ceiling would break the lower phosphate line',
    SALINITY_STEP: 'the salinity of the change water is too far from the tank’s',
    ALKALINITY_STEP: 'the alkalinity of the change water is too far from the tank’s',
    NITRATE_STEP: 'nitrate would fall too far at once',
  };

  /** The line that is crossed first without any change. */
  let alone = $derived.by(() => {
    const nitrate = balance.leftAloneNitrate.likely;
    const phosphate = balance.leftAlonePhosphate.likely;
    if (nitrate && (!phosphate || nitrate <= phosphate))
      return { name: 'nitrate', on: nitrate, early: balance.leftAloneNitrate.early ?? nitrate };
    return phosphate
      ? { name: 'phosphate', on: phosphate, early: balance.leftAlonePhosphate.early ?? phosphate }
      : null;
  });

  let keeps = $derived.by(() => {
    const parts: string[] = [];
    const nitrate = balance.lines.nitrate.ceilingMgL;
    const phosphate = balance.lines.phosphate.ceilingMgL;
    if (nitrate !== undefined) parts.push(`nitrate stays under ${drawn('nitrate', nitrate)}`);
    if (phosphate !== undefined)
      parts.push(
        `phosphate ${parts.length ? 'under' : 'stays under'} ${drawn('phosphate', phosphate)}`,
      );
    const text = parts.join(' and ');
    return text.charAt(0).toUpperCase() + text.slice(1);
  });

  let differs = $derived(
    balance.standing !== undefined &&
      routine !== undefined &&
      (Math.abs(balance.standing.fraction - routine.fraction) > 0.004 ||
        balance.standing.everyDays !== routine.everyDays),
  );

  const DAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
  const ahead = Array.from({ length: 28 }, (_, i) => i + 1);

  /** “Saturday”, “tomorrow”, “in 5 days”, “2026-12-01” or “5”, as days from today. */
  function parseNext(typed: string): number | null {
    const text = typed.trim().toLowerCase();
    if (text === 'tomorrow') return 1;
    const weekday = DAYS.findIndex((day) => text.length > 1 && day.startsWith(text));
    if (weekday >= 0) return ((weekday - new Date(`${today}T00:00Z`).getUTCDay() + 6) % 7) + 1;
    const day = /^\d{4}-\d\d-\d\d$/.test(text)
      ? daysBetween(today, text)
      : Number(text.replace(/in|days?/g, ''));
    return text && Number.isFinite(day) ? Math.min(90, Math.max(1, Math.round(day))) : null;
  }

  const small = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

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

  /** What is said of a reason or a remark; nothing where it is none of them. */
  function saidOf(...kinds: Kind[]): string {
    return [...balance.today.reasons, ...balance.today.remarks]
      .filter((reason) => kinds.includes(reason.kind))
      .map((reason) => said(reason.words, today))
      .join(' ');
  }

  let first = $derived(balance.today.reasons[0] ? said(balance.today.reasons[0].words, today) : '');
  /** What stands beside the changes: work that is due, a filter that grows in, a fixed day. */
  let besides = $derived(
    saidOf(
      'FIXED_DAY',
      'ADSORBER_SPENT',
      'WATER_ALONE',
      'CYCLING',
      'CYCLE_TEST',
      'CYCLE_FEED_LITTLE',
      'CYCLE_KEEP_SOURCE',
    ),
  );
  /** Work that the plan asks for today. */
  let workNow = $derived(
    balance.work
      .filter((work) => work.added && work.on <= today)
      .map((work) => said(work.words, today)),
  );
  let floorNote = $derived(saidOf('BELOW_FLOOR'));
  let acute = $derived(balance.today.verdict === 'ACT_NOW' ? first : '');
  let now = $derived(balance.today.fraction);

  function parseFraction(typed: string): number | null {
    const number = Number(typed.replace(',', '.').replace('%', '').trim());
    if (!typed.trim() || !Number.isFinite(number)) return null;
    return Math.min(100, Math.max(1, number)) / 100;
  }

  function parseInterval(typed: string): number | null {
    const number = Number(typed.replace(',', '.').replace(/days?/, '').trim());
    if (!typed.trim() || !Number.isFinite(number)) return null;
    return Math.min(365, Math.max(1, number));
  }
</script>

{#snippet handles(routine: NonNullable<Outlook['routine']>, opening: string)}
  {opening}
  <Handle
    label="share of the water to change"
    value={routine.fraction}
    text={percent(routine.fraction)}
    steps={fractions}
    parse={parseFraction}
    held={held === 'fraction'}
    onchange={(value) => ontry('fraction', value)}
    onhold={() => onhold('')}
    {onadopt}
    {onescape}
  />
  <span class="text-neutral" data-testid="litres">({volume(routine.litres)})</span> every
  <Handle
    label="days between changes"
    value={routine.everyDays}
    text={interval(routine.everyDays)}
    steps={balance.intervalsDays}
    parse={parseInterval}
    held={held === 'everyDays'}
    onchange={(value) => ontry('everyDays', value)}
    onhold={() => onhold('')}
    {onadopt}
    {onescape}
  />, next {nearDay(routine.nextOn, today).match(/^[A-Z]|\d/) ? 'on ' : ''}<Handle
    label="day of the next change"
    value={Math.max(1, daysBetween(today, routine.nextOn))}
    text={nearDay(routine.nextOn, today)}
    steps={ahead}
    parse={parseNext}
    held={false}
    onchange={(value) => ontry('nextOn', value)}
    onhold={() => onhold('')}
    {onadopt}
    {onescape}
  />.
{/snippet}

<section aria-label="What to do" class="font-serif" data-testid="sentence">
  {#each balance.today.warnings as warning, i (i)}
    <p
      class="border-error mb-2 border-l-4 pl-3 text-base leading-6"
      role="alert"
      data-testid="warning"
    >
      {said(warning, today)}
    </p>
  {/each}
  {#if routine}
    {#if balance.today.verdict === 'TEST_FIRST' && balance.testFirst}
      <!-- also while something is tried: rebuilt handles would lose the focus -->
      <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
        Test <strong class="font-semibold">{balance.testFirst.analyte}</strong> first.
      </h1>
      <p class="text-base leading-9 sm:text-lg" data-testid="without-test">
        {@render handles(routine, 'Without it: change')}
      </p>
    {:else}
      <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
        {#if now !== undefined && !trying && (acute || outlook.recovery.length > 0)}
          <span data-testid="now"
            >{acute ? 'Act now' : 'Now'}: change
            <strong class="font-semibold">{percent(now)}</strong>{acute
              ? ''
              : outlook.recovery.length > 1
                ? ` on ${outlook.recovery.length} days`
                : ' once'}.</span
          >
          {@render handles(routine, 'Then')}
        {:else if workNow.length > 0 && !trying}
          <span data-testid="work-now">Now: {small(workNow.join(' and '))}.</span>
          {@render handles(routine, 'Then change')}
        {:else}
          {@render handles(routine, 'Change')}
        {/if}
      </h1>
    {/if}
    {#if outlook.recovery.length > 0}
      <ol class="mt-1 flex flex-wrap gap-x-6 gap-y-1 font-sans text-sm" data-testid="recovery">
        {#each outlook.recovery as step (step.on)}
          <li class="border-primary border-l-2 pl-2">
            <span class="text-neutral">{nearDay(step.on, today)}</span>
            <strong>{percent(step.fraction)}</strong> ({volume(step.litres)})
            <span class="text-neutral">→ nitrate {level('nitrate', step.nitrateAfterMgL)}</span>
          </li>
        {/each}
      </ol>
    {/if}
    <p
      class="text-base-content/85 mt-1 text-base leading-7 transition-opacity duration-150 sm:text-lg sm:leading-6"
      class:opacity-50={stale}
      data-testid="outcome"
    >
      {#if acute && !trying}
        <strong class="text-error font-semibold">{acute}</strong>
      {/if}
      {#if balance.today.verdict === 'TEST_FIRST' && balance.testFirst && !trying}
        {first}
      {/if}
      {#if outlook.holds}
        {keeps}, on any day {timesInTen(outlook.probabilityWithinLines)}.
      {:else}
        That keeps it under your limits only <strong class="text-error font-semibold"
          >{timesInTen(outlook.probabilityWithinLines)}</strong
        >{outlook.bindingLimit && binding[outlook.bindingLimit]
          ? `: ${binding[outlook.bindingLimit]}`
          : ''}.
      {/if}
      {#if !trying}
        {#if balance.today.waitingUntil && balance.today.chanceIfWaiting !== undefined && balance.today.verdict === 'CHANGE'}
          {saidOf('IF_WAITING')}
        {:else if alone}
          Left alone, {alone.name} crosses the line
          <strong class="text-primary font-semibold">about {longDay(alone.on, today)}</strong
          >{alone.early < alone.on ? `, 1 time in 10 by ${nearDay(alone.early, today)}` : ''}.
        {/if}
        {besides}
        {#if differs && balance.standing}
          {saidOf('HABIT_HOLDS', 'HABIT_HOLDS_THEN', 'HABIT_FAILS')}
        {/if}
        {#if balance.standing && balance.standing.nextOn < today}
          A change has been due since {longDay(balance.standing.nextOn, today)}.
        {/if}
        {floorNote}
      {/if}
    </p>
    <p
      class="mt-0.5 flex min-h-11 flex-wrap items-center gap-x-4 font-sans text-sm sm:min-h-6 sm:leading-6"
    >
      {#if trying || differs || (balance.standing === undefined && balance.today.verdict !== 'STUCK')}
        <Button kind="strong" dense data-testid="adopt" onclick={onadopt}
          >{lineMoved ? 'Keep this line' : 'Adopt as routine'}</Button
        >
      {:else if balance.standing}
        <span class="text-neutral" data-testid="standing">This is your routine.</span>
      {/if}
      {#if trying}
        <Button dense data-testid="put-back" onclick={onescape}>Put back</Button>
      {/if}
      {#if held !== 'fraction'}
        <Button kind="bare" dense class="text-neutral" onclick={() => onhold('fraction')}
          >Hold {percent(routine.fraction)}</Button
        >
      {/if}
      {#if held !== 'everyDays'}
        <Button kind="bare" dense class="text-neutral" onclick={() => onhold('everyDays')}
          >Hold {interval(routine.everyDays)}</Button
        >
      {/if}
      {@render children?.()}
    </p>
  {:else}
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
        {#if alone && !outlook.holds}As far as can be told, {alone.name} crosses the line about {longDay(
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
        No water change can keep it under your limits.
        {#if now !== undefined}<span data-testid="now"
            >Changing <strong class="font-semibold">{percent(now)}</strong> now still helps.</span
          >{/if}
      </h1>
      <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
        {balance.today.reasons.map((reason) => said(reason.words, today)).join(' ')}
        {#if unbinds.length > 0}
          <span data-testid="unbinds">What else helps: {unbinds.join('; ')}.</span>
        {/if}
        {#if alone}Left alone, {alone.name} crosses the line about {longDay(alone.on, today)}.{/if}
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
          No line is drawn yet.
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
          Draw one in the picture below, and what keeps the water under it is worked out.
        {/if}
      </p>
    {/if}
    <p class="mt-0.5 flex min-h-11 flex-wrap items-center gap-x-4 font-sans text-sm sm:min-h-6">
      {#if trying}
        <Button dense data-testid="put-back" onclick={onescape}>Put back</Button>
      {/if}
      {@render children?.()}
    </p>
  {/if}
</section>
