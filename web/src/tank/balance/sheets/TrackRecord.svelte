<script lang="ts">
  import Progress from '../../../ui/Progress.svelte';
  import { onMount } from 'svelte';
  import { scaleLinear, scaleUtc } from 'd3-scale';
  import { api, type Pictured, type Schemas } from '../../../api/client';
  import { Latest } from '../../../lib/latest';
  import { drawn, figure, labelOf, level, toShown } from '../../../lib/units.svelte';
  import { about, dayStart, longDay, percent } from '../../../lib/words';
  import Label from '../../../ui/Label.svelte';

  let { balance, onthen }: { balance: Pictured; onthen: (day: string) => void } = $props();
  let record = $state.raw<Schemas['TrackRecord'] | null>(null);
  let problem = $state('');
  const ASK_EVERY_MS = 700;
  const params = () => ({ path: { id: balance.tank.id } });

  onMount(() => {
    const asking = new Latest();
    void asking.ask(async (signal) => {
      while (!signal.aborted && record?.state !== 'ready') {
        const answer = await api.GET('/api/tanks/{id}/track-record', { params: params(), signal });
        if (!answer.data) {
          problem = answer.error?.detail ?? 'The record can’t be worked out.';
          return;
        }
        record = answer.data;
        if (record.state !== 'ready') await new Promise((next) => setTimeout(next, ASK_EVERY_MS));
      }
    });
    return () => {
      asking.giveUp();
      // nobody waits for it any more
      if (record?.state === 'working')
        void api.DELETE('/api/tanks/{id}/track-record', { params: params() });
    };
  });

  type Name = 'nitrate' | 'phosphate';
  const WIDTH = 640;
  const HEIGHT = 110;

  function better(score: Schemas['Score']): string {
    const rule = Math.min(score.hold, score.slope);
    if (rule <= 0) return '';
    const share = 1 - score.error / rule;
    return share > 0.05
      ? `, ${percent(share)} more accurate than guessing “as last time” or the mean slope`
      : share < -0.05
        ? `, ${percent(-share)} less accurate than guessing “as last time” or the mean slope`
        : ', about as accurate as guessing';
  }

  function sayExplanations(change: Schemas['ChangeJudged']): string {
    if (change.asExpected) return 'as expected: source, volume and kit agree with it.';
    const said: Record<string, string> = {
      source: `the change water may hold ${level('nitrate', Math.max(0, change.sourceLow))} to ${level('nitrate', Math.max(0, change.sourceHigh))} ${labelOf('nitrate')}`,
      volume: `the tank may hold ${figure(change.volumeLowL, 'L')} to ${change.volumeHighL === undefined ? 'far more' : figure(change.volumeHighL, 'L')}`,
      kit: 'the drop is smaller than the kit can show',
    };
    const texts = change.explanations
      // a volume between nothing and anything says nothing
      .filter((name) => name !== 'volume' || change.volumeHighL !== undefined)
      .map((name) => said[name] ?? name);
    return texts.length > 0
      ? `${texts.join(', or ')}.`
      : 'none of source, volume or kit explains it.';
  }
</script>

{#if problem}
  <p role="alert">{problem}</p>
{:else if !record || record.state === 'working'}
  <p>
    Each past test is forecast anew from what was known a fortnight before it. Close this to give it
    up.
  </p>
  <div class="mt-3" data-testid="record-progress">
    <Progress words="Past tests" share={record?.share ?? 0} />
  </div>
{:else}
  <div data-testid="record">
    {#each record.scores as score (score.nutrient)}
      {@const name = score.nutrient as Name}
      {@const all = record.forecasts.filter((one) => one.nutrient === name)}
      {@const times = all.map((one) => dayStart(one.on).getTime())}
      {@const x = scaleUtc([Math.min(...times), Math.max(...times) + 1], [40, WIDTH - 10])}
      {@const y = scaleLinear(
        [0, Math.max(...all.flatMap((one) => [one.p90, one.read]), 0.01)],
        [HEIGHT - 16, 6],
      )}
      <h3 class="mt-3 font-serif text-lg capitalize">{name}</h3>
      <p>
        Of {score.tests} tests, {Math.round(score.inside80 * score.tests)} fell inside the band that eight
        in ten should; the middle was off by {level(name, score.error)}
        {labelOf(name)}{better(score)}.
      </p>
      <svg
        viewBox="0 0 {WIDTH} {HEIGHT}"
        class="mt-1 w-full"
        role="img"
        aria-label="{name}: forecasts a fortnight ahead as bars, readings as dots"
      >
        {#each y.ticks(3) as tick (tick)}
          <text
            x="34"
            y={y(tick)}
            dy="0.32em"
            font-size="11"
            text-anchor="end"
            fill="var(--color-neutral)">{about(toShown(name, tick))}</text
          >
          <path d="M40 {y(tick)}H{WIDTH}" stroke="var(--color-base-300)" stroke-width="0.7" />
        {/each}
        {#each all as one (one.on)}
          <rect
            x={x(dayStart(one.on)) - 4}
            y={y(one.p90)}
            width="8"
            height={Math.max(1, y(one.p10) - y(one.p90))}
            fill={name === 'nitrate' ? 'var(--color-primary)' : 'var(--color-secondary)'}
            opacity="0.3"
          />
          <path
            d="M{x(dayStart(one.on)) - 4} {y(one.p50)}h8"
            stroke={name === 'nitrate' ? 'var(--color-primary)' : 'var(--color-secondary)'}
            stroke-width="2"
          />
          {#if one.inside}
            <circle
              cx={x(dayStart(one.on))}
              cy={y(one.read)}
              r="3"
              fill="var(--color-base-content)"
            />
          {:else}
            <path
              d="M{x(dayStart(one.on)) - 4} {y(one.read) - 4}l8 8m0 -8l-8 8"
              stroke="var(--color-error)"
              stroke-width="2"
            />
          {/if}
        {/each}
      </svg>
    {:else}
      <p>
        Too few tests yet: a forecast is judged by a test a fortnight later, two tests must come
        before it.
      </p>
    {/each}
    {#if record.forecasts.length > 0}
      <p class="text-neutral">
        Bars are forecasts a fortnight ahead, dots the readings inside them, crosses those outside.
        Water changes made meanwhile were given to the forecast; nothing else was.
      </p>
      <Label class="mt-2">
        Show in the picture what was forecast on
        <select
          class="border-base-content h-9 border-b bg-transparent"
          onchange={(event) => onthen(event.currentTarget.value)}
          data-testid="then"
        >
          <option value="">no day</option>
          {#each balance.past.nitrate.fit
            .filter((_, i, days) => (days.length - 1 - i) % 14 === 0 && i < days.length - 1)
            .slice(-16) as day (day.on)}
            <option value={day.on}>{longDay(day.on, balance.tank.today)}</option>
          {/each}
        </select>
      </Label>
    {/if}
    <h3 class="mt-5 font-serif text-lg">Tests that stood out</h3>
    {#each record.stoodOut as test (test.at + test.analyte)}
      <p data-testid="stood-out">
        {test.analyte}
        {test.value}
        {test.unit} on {longDay(test.at.slice(0, 10), balance.tank.today)}
        {test.why}{test.modelledMgL === undefined
          ? ''
          : `, about ${test.analyte === 'nitrate' || test.analyte === 'phosphate' ? drawn(test.analyte, test.modelledMgL) : about(test.modelledMgL)}`}.
        {#if test.modelledMgL !== undefined}Read it again before acting on such a one.{/if}
      </p>
    {:else}
      <p>None: all tests agree with one another and with what was done.</p>
    {/each}
    <h3 class="mt-5 font-serif text-lg">What water changes say</h3>
    {#each record.changes.slice(-3).reverse() as change (change.at)}
      <p>
        {longDay(change.at.slice(0, 10), balance.tank.today)}, {percent(change.fraction)}: a drop of
        {level('nitrate', change.expectedDrop)} was to be expected, {level(
          'nitrate',
          change.measuredDrop,
        )} was measured; {sayExplanations(change)}
      </p>
    {:else}
      <p>
        Nothing yet: a change tells about source, volume and kit when nitrate is tested within three
        days before and after it.
      </p>
    {/each}
  </div>
{/if}
