<script lang="ts">
  import type { Balance, Outlook } from '../api/client';
  import {
    interval,
    litres,
    longDay,
    nearDay,
    partOfMonth,
    percent,
    timesInTen,
  } from '../lib/words';
  import Handle from './Handle.svelte';

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
  }: {
    balance: Balance;
    /** What is shown: the answer, or what is being tried. */
    outlook: Outlook;
    trying: boolean;
    /** Whether a line was moved and nothing else tried. */
    lineMoved: boolean;
    /** Whether a newer answer is on its way. */
    stale: boolean;
    held: 'fraction' | 'everyDays' | '';
    ontry: (part: 'fraction' | 'everyDays', value: number) => void;
    onhold: (part: 'fraction' | 'everyDays' | '') => void;
    onadopt: () => void;
    onescape: () => void;
  } = $props();

  let today = $derived(balance.tank.today);
  let routine = $derived(outlook.routine);
  let fractions = $derived(
    Array.from({ length: Math.floor(balance.maxChangeFraction * 100) }, (_, i) => (i + 1) / 100),
  );

  const binding: Record<string, string> = {
    source: 'the change water itself is at or above a line; a purer source or a blend would help',
    maxChangeFraction: 'the largest single change allowed is too small',
    'nitrate floor': 'changes that keep the ceiling would break the lower nitrate line',
    'phosphate floor': 'changes that keep the ceiling would break the lower phosphate line',
    'salinity step': 'the salinity of the change water is too far from the tank’s',
    'alkalinity step': 'the alkalinity of the change water is too far from the tank’s',
    'nitrate step': 'nitrate would fall too far at once',
  };

  /** The line that is crossed first without any change. */
  let alone = $derived.by(() => {
    const nitrate = balance.leftAloneNitrate.likely;
    const phosphate = balance.leftAlonePhosphate.likely;
    if (nitrate && (!phosphate || nitrate <= phosphate)) return { name: 'nitrate', on: nitrate };
    return phosphate ? { name: 'phosphate', on: phosphate } : null;
  });

  let keeps = $derived.by(() => {
    const parts: string[] = [];
    const nitrate = balance.lines.nitrate.ceilingMgL;
    const phosphate = balance.lines.phosphate.ceilingMgL;
    if (nitrate !== undefined)
      parts.push(`nitrate ${parts.length ? 'under' : 'stays under'} ${nitrate}`);
    if (phosphate !== undefined)
      parts.push(`phosphate ${parts.length ? 'under' : 'stays under'} ${phosphate}`);
    const text = parts.join(' and ');
    return text.charAt(0).toUpperCase() + text.slice(1);
  });

  let until = $derived(partOfMonth(outlook.until, today));
  let differs = $derived(
    balance.standing !== undefined &&
      routine !== undefined &&
      (Math.abs(balance.standing.fraction - routine.fraction) > 0.004 ||
        balance.standing.everyDays !== routine.everyDays),
  );

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

<section aria-label="What to do" class="font-serif" data-testid="sentence">
  {#if routine}
    <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
      {#if outlook.recovery.length > 0}
        First {#each outlook.recovery as step, i (step.on)}{i > 0 ? ', then ' : ''}<strong
            class="font-semibold">{percent(step.fraction)}</strong
          >
          ({litres(step.litres)}) {nearDay(step.on, today)}{/each}, after that
      {/if}
      {outlook.recovery.length > 0 ? 'change' : 'Change'}
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
      <span class="text-neutral" data-testid="litres">({litres(routine.litres)})</span> every
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
      />, next
      <span class="whitespace-nowrap"
        >{nearDay(routine.nextOn, today).match(/^[A-Z]|\d/) ? 'on ' : ''}<strong
          class="font-semibold">{nearDay(routine.nextOn, today)}</strong
        >.</span
      >
    </h1>
    <p
      class="text-base-content/85 mt-1 text-base leading-7 transition-opacity duration-150 sm:text-lg"
      class:opacity-50={stale}
      data-testid="outcome"
    >
      {#if outlook.holds}
        {keeps} until {until}, {timesInTen(outlook.probabilityWithinLines)}.
      {:else}
        That keeps the lines only <strong class="text-error font-semibold"
          >{timesInTen(outlook.probabilityWithinLines)}</strong
        >{outlook.bindingLimit && binding[outlook.bindingLimit]
          ? `: ${binding[outlook.bindingLimit]}`
          : ''}.
      {/if}
      {#if !trying}
        {#if alone}
          Left alone, {alone.name} crosses the line
          <strong class="text-primary font-semibold">about {longDay(alone.on, today)}</strong>.
        {/if}
        {#if differs && balance.standing}
          The {percent(balance.standing.fraction)} every {interval(balance.standing.everyDays)} you make
          now {balance.standingProbability >= balance.confidence ? 'holds too,' : 'holds only'}
          {timesInTen(balance.standingProbability)}.
        {/if}
        {#if balance.standing && balance.standing.nextOn < today}
          A change has been due since {longDay(balance.standing.nextOn, today)}.
        {/if}
      {/if}
    </p>
    <p class="mt-0.5 flex min-h-11 flex-wrap items-center gap-x-4 font-sans text-sm sm:min-h-7">
      {#if trying || differs}
        <button
          class="decoration-primary min-h-11 font-semibold underline decoration-2 underline-offset-4 sm:min-h-7"
          data-testid="adopt"
          onclick={onadopt}>{lineMoved ? 'Keep this line' : 'Adopt as routine'}</button
        >
      {:else if balance.standing}
        <span class="text-neutral" data-testid="standing">This is your routine.</span>
      {/if}
      {#if trying}
        <button
          class="min-h-11 underline underline-offset-4 sm:min-h-7"
          data-testid="put-back"
          onclick={onescape}>Put back</button
        >
      {/if}
      {#if held !== 'fraction'}
        <button class="text-neutral min-h-11 sm:min-h-7" onclick={() => onhold('fraction')}
          >Hold {percent(routine.fraction)}</button
        >
      {/if}
      {#if held !== 'everyDays'}
        <button class="text-neutral min-h-11 sm:min-h-7" onclick={() => onhold('everyDays')}
          >Hold {interval(routine.everyDays)}</button
        >
      {/if}
    </p>
  {:else if balance.verdict === 'stuck'}
    <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">No change keeps the lines.</h1>
    <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
      {#if outlook.bindingLimit}
        What stands against it: {binding[outlook.bindingLimit] ?? outlook.bindingLimit}.
      {/if}
      {#if alone}Left alone, {alone.name} crosses the line about {longDay(alone.on, today)}.{/if}
    </p>
  {:else}
    <h1 class="text-[1.35rem] leading-[1.6] sm:text-[1.75rem]">
      {#if keeps}
        No change is needed until
        <strong class="font-semibold">{longDay(outlook.until, today)}</strong>.
      {:else}
        No line is drawn yet.
      {/if}
    </h1>
    <p class="text-base-content/85 mt-1 text-base leading-7 sm:text-lg" data-testid="outcome">
      {#if keeps}
        {keeps} without any, {timesInTen(outlook.probabilityWithinLines)}.
      {:else}
        Draw one in the picture below, and what keeps the water under it is worked out.
      {/if}
    </p>
  {/if}
</section>
