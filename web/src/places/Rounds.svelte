<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Problem, type RoundsLine } from '../api/client';
  import { untilAnswered } from '../lib/connection.svelte';
  import { goTo } from '../lib/place.svelte';
  import { litres, longDay, nearDay, percent, shortDay } from '../lib/words';
  import LevelStrip from '../lib/LevelStrip.svelte';

  let { onsignedout }: { onsignedout: () => void } = $props();
  let lines = $state<RoundsLine[] | null>(null);
  let refused = $state<Problem | null>(null);

  async function load() {
    const answer = await untilAnswered(() => api.GET('/api/rounds'));
    if (answer.response.status === 401) onsignedout();
    else lines = answer.data ?? [];
  }
  onMount(load);

  function heading(all: RoundsLine[]): string {
    if (all.length === 0) return 'No tank yet.';
    const wanting = all.filter((line) => line.verdict !== 'skip').length;
    if (all.length === 1) return wanting ? 'One tank wants a hand.' : 'The tank can wait.';
    if (wanting === 0) return 'All tanks can wait.';
    return `${wanting} of ${all.length} tanks want a hand.`;
  }

  function task(line: RoundsLine): string {
    const today = line.tank.today;
    if (line.verdict === 'stuck') return 'No change keeps the lines';
    if (line.verdict === 'change') {
      return `Change ${percent(line.fraction ?? 0)} (${litres(line.litres ?? 0)}) today`;
    }
    if (line.fraction !== undefined && line.on) {
      return `Skip until ${nearDay(line.on, today)}, then ${percent(line.fraction)} (${litres(line.litres ?? 0)})`;
    }
    return 'Skip: nothing is needed';
  }

  function reason(line: RoundsLine): string {
    if (line.verdict === 'skip' && line.crossesOn) {
      return `Left alone, a line is crossed about ${longDay(line.crossesOn, line.tank.today)}.`;
    }
    return line.why;
  }

  const kinds: Record<string, string> = {
    freshwater: 'fresh',
    brackish: 'brackish',
    marine: 'marine',
  };

  async function takeIn(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const chosen = input.files?.[0];
    if (!chosen) return;
    refused = null;
    const id = crypto.randomUUID();
    const file = await chosen.text();
    const answer = await untilAnswered(() => api.POST('/api/tanks', { body: { id, file } }));
    input.value = '';
    if (answer.error) refused = answer.error;
    else goTo(`/tank/${id}`);
  }
</script>

<svelte:head><title>Rounds · Umberline</title></svelte:head>

{#if lines}
  <div class="w-full max-w-[1280px] px-4 pt-5 pb-10 sm:px-10">
    <h1 class="font-serif text-2xl sm:text-3xl">{heading(lines)}</h1>
    {#if lines[0]}
      <p class="text-neutral mt-1 font-serif text-lg">
        {shortDay(lines[0].tank.today)}
      </p>
    {:else}
      <p class="mt-2 max-w-prose">Take in a tank file, and its forecast is here in a moment.</p>
    {/if}
    <ul class="border-base-content/40 mt-4 border-t">
      {#each lines as line (line.tank.id)}
        <li
          class="border-base-content/40 grid grid-cols-1 gap-x-8 gap-y-3 border-b py-4 md:grid-cols-[10rem_1fr_250px_8.5rem]"
          data-testid="rounds-line"
        >
          <div>
            <a href="/tank/{line.tank.id}" class="font-serif text-xl">{line.tank.name}</a>
            <p class="text-neutral text-sm">
              {litres(line.tank.netVolumeL)} · {kinds[line.tank.water] ?? line.tank.water}
            </p>
          </div>
          <div>
            <a
              href="/tank/{line.tank.id}"
              class="inline-flex min-h-11 items-center font-serif text-xl sm:min-h-0 {line.verdict ===
              'skip'
                ? 'text-neutral'
                : 'decoration-primary underline decoration-2 underline-offset-4'}">{task(line)}</a
            >
            <p class="text-neutral mt-1 text-sm">{reason(line)}</p>
          </div>
          <div class="flex flex-col gap-1">
            <LevelStrip
              level={line.nitrate}
              name="nitrate"
              unit="mg/L"
              colour="var(--color-primary)"
            />
            <LevelStrip
              level={line.phosphate}
              name="phosphate"
              unit="mg/L"
              colour="var(--color-secondary)"
            />
          </div>
          <dl class="grid grid-cols-2 gap-x-4 self-start text-sm">
            <dt class="text-neutral">tested</dt>
            <dt class="text-neutral">changed</dt>
            <dd class="font-bold">
              {line.daysSinceTest === undefined ? 'never' : `${line.daysSinceTest} d ago`}
            </dd>
            <dd class="font-bold">
              {line.daysSinceChange === undefined ? 'never' : `${line.daysSinceChange} d ago`}
            </dd>
          </dl>
        </li>
      {/each}
    </ul>
    <label class="mt-6 inline-flex min-h-11 cursor-pointer items-center gap-3 text-sm">
      <span class="underline underline-offset-4">Take in a tank file</span>
      <input
        type="file"
        accept=".json,application/json"
        class="max-w-[14rem] text-xs"
        onchange={takeIn}
        data-testid="take-in"
      />
    </label>
    {#if refused}
      <div role="alert" class="border-error mt-3 border-l-2 pl-3 text-sm" data-testid="refused">
        <p class="text-error font-semibold">{refused.detail}</p>
        <ul class="mt-1">
          {#each refused.fields ?? [] as field (field.field + field.found)}
            <li>
              <code>{field.field || 'the file'}</code>: found {field.found}; allowed: {field.allowed}
            </li>
          {/each}
        </ul>
      </div>
    {/if}
  </div>
{/if}
