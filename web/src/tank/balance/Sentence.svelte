<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Balance, Outlook, Schemas } from '../../api/client';
  import {
    daysBetween,
    interval,
    longDay,
    nearDay,
    percent,
    small,
    timesInTen,
  } from '../../lib/words';
  import { drawn, level, volume } from '../../lib/units.svelte';
  import { said } from '../../lib/said';
  import Handle from './Handle.svelte';
  import WithoutRoutine from './WithoutRoutine.svelte';
  import { parseFraction, parseInterval, parseNext } from './typed';
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
    main,
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
    /** The one thing to do now, before the others. */
    main?: Snippet;
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

  /** How sure it is after the days that the promise is for. */
  let later = $derived(
    outlook.later
      ? ` until ${longDay(outlook.later.from, today)}; after that ${timesInTen(outlook.later.probability)}, and the next tests will tell more`
      : '',
  );

  let differs = $derived(
    balance.standing !== undefined &&
      routine !== undefined &&
      (Math.abs(balance.standing.fraction - routine.fraction) > 0.004 ||
        balance.standing.everyDays !== routine.everyDays),
  );

  const ahead = Array.from({ length: 28 }, (_, i) => i + 1);

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
      'MEDICINE_RUNS',
      'MEDICINE_OVER',
      'QUARANTINE_RUNS',
      'QUARANTINE_OVER',
      'FIXED_DAY',
      'SIGN_SEEN',
      'NO_CHANGE_WANTED',
      'LEAST_CHANGE',
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
  /** On a phone there is room for it only once something is tried. */
  let holding = $derived(['text-neutral', !trying && 'hidden sm:inline-block']);
  let floorNote = $derived(saidOf('BELOW_FLOOR'));
  let acute = $derived(balance.today.verdict === 'ACT_NOW' ? first : '');
  let now = $derived(balance.today.fraction);
  /** What is changed once, before the routine; today, or on a day to come. */
  let once = $derived(acute ? now : outlook.recovery[0] && (now ?? outlook.recovery[0].fraction));
  let nextOnce = $derived.by(() => {
    const day = outlook.recovery[0] ? nearDay(outlook.recovery[0].on, today) : '';
    return day.charAt(0).toUpperCase() + day.slice(1);
  });
  /** The nutrient that what is caught up is for. */
  let recovers = $derived<'nitrate' | 'phosphate'>(
    alone?.name === 'phosphate' ? 'phosphate' : 'nitrate',
  );
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
    parse={(typed) => parseNext(typed, today)}
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
        {#if once !== undefined && !trying}
          <span data-testid="now"
            >{acute ? 'Act now' : now === undefined ? nextOnce : 'Now'}: change
            <strong class="font-semibold">{percent(once)}</strong>{acute
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
            <span class="text-neutral"
              >→ {recovers}
              {level(
                recovers,
                recovers === 'nitrate' ? step.nitrateAfterMgL : step.phosphateAfterMgL,
              )}</span
            >
          </li>
        {/each}
      </ol>
    {/if}
    <p
      class="text-base-content/85 mt-1 text-base leading-6 transition-opacity duration-150 sm:text-lg sm:leading-6"
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
        {outlook.keptFrom ? `From ${longDay(outlook.keptFrom, today)} on ${small(keeps)}` : keeps},
        on any day {timesInTen(outlook.probabilityWithinLines)}{later}.
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
          Left alone, {alone.name} passes your limit
          <strong class="text-primary font-semibold">about {longDay(alone.on, today)}</strong
          >{alone.early < alone.on ? `, 1 time in 10 by ${nearDay(alone.early, today)}` : ''}.
        {/if}
        {besides}
        {saidOf('CHANGE_HELPS_AGAIN')}
        {#if differs && balance.standing}
          {saidOf('HABIT_HOLDS', 'HABIT_HOLDS_THEN', 'HABIT_FAILS')}
        {/if}
        {#if balance.standing && balance.standing.nextOn < today}
          A change has been due since {longDay(balance.standing.nextOn, today)}.
        {/if}
        {floorNote}
        {#if balance.standing && !differs}
          <span class="text-neutral" data-testid="standing">This is your routine.</span>
        {/if}
      {/if}
    </p>
    <p
      class="mt-0.5 flex min-h-11 flex-wrap items-center gap-x-4 font-sans text-sm sm:min-h-6 sm:leading-6"
    >
      {@render main?.()}
      {#if trying || differs || (balance.standing === undefined && balance.today.verdict !== 'STUCK')}
        <Button kind="strong" dense data-testid="adopt" onclick={onadopt}
          >{lineMoved ? 'Keep this line' : 'Adopt as routine'}</Button
        >
      {/if}
      {#if trying}
        <Button dense data-testid="put-back" onclick={onescape}>Put back</Button>
      {/if}
      {#if held !== 'fraction'}
        <Button kind="bare" dense class={holding} onclick={() => onhold('fraction')}
          >Hold {percent(routine.fraction)}</Button
        >
      {/if}
      {#if held !== 'everyDays'}
        <Button kind="bare" dense class={holding} onclick={() => onhold('everyDays')}
          >Hold {interval(routine.everyDays)}</Button
        >
      {/if}
      <span class="flex basis-full flex-wrap gap-x-4 sm:contents">{@render children?.()}</span>
    </p>
  {:else}
    <WithoutRoutine {balance} {outlook} {keeps} {alone} {besides} {floorNote} {workNow} />
    <p class="mt-0.5 flex min-h-11 flex-wrap items-center gap-x-4 font-sans text-sm sm:min-h-6">
      {@render main?.()}
      {#if trying}
        <Button dense data-testid="put-back" onclick={onescape}>Put back</Button>
      {/if}
      <span class="flex basis-full flex-wrap gap-x-4 sm:contents">{@render children?.()}</span>
    </p>
  {/if}
</section>
