<script lang="ts">
  import { onMount } from 'svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import { api, type Schemas } from '../../../api/client';
  import { said } from '../../../lib/said';
  import { fromShown, labelOf, toShown } from '../../../lib/units.svelte';
  import { ownDay } from '../../../lib/words';
  import Input from '../../../ui/Input.svelte';
  import TextLink from '../../../ui/TextLink.svelte';
  import { numberOf } from '../../../lib/numbers';

  /** What else is dissolved: what the tests show of it, and what brings it to what is wanted. */
  let { tank }: { tank: string } = $props();

  const AFTER_TYPING_MS = 300;
  let minerals = $state.raw<Schemas['Minerals'] | null>(null);
  let flow = $state.raw<Schemas['FilterFlow'] | null>(null);
  let problem = $state('');
  let through = $state({ in: '', out: '', litres: '' });
  /** What was typed, by the term of what it is wanted of. */
  const wanted = new SvelteMap<string, string>();
  const today = ownDay(new Date().toISOString());

  onMount(() => void load());

  /** Shown in the keeper's unit where there is one to choose. */
  const quantity = (term: string) =>
    term === 'alkalinity' || term === 'salinity' ? term : undefined;

  function value(term: string): number | undefined {
    const number = numberOf(wanted.get(term) ?? '');
    const name = quantity(term);
    return number === undefined || !name ? number : fromShown(name, number);
  }

  function shown(panel: Schemas['MineralPanel']): string {
    const typed = wanted.get(panel.term);
    if (typed !== undefined || panel.wanted === undefined) return typed ?? '';
    const name = quantity(panel.term);
    return String(Number((name ? toShown(name, panel.wanted) : panel.wanted).toPrecision(3)));
  }

  function unitOf(panel: Schemas['MineralPanel']): string {
    const name = quantity(panel.term);
    return name ? labelOf(name) : panel.unit;
  }

  let question = 0;
  async function load() {
    const mine = ++question;
    const answer = await api.GET('/api/tanks/{id}/minerals', {
      params: {
        path: { id: tank },
        query: {
          alkalinity: value('alkalinity'),
          salinity: value('salinity'),
          hardness: value('hardness'),
          dissolvedSolids: value('dissolved-solids'),
          silicate: value('silicate'),
          calcium: value('calcium'),
          magnesium: value('magnesium'),
        },
      },
    });
    if (mine !== question) return;
    if (answer.data) minerals = answer.data;
    problem = answer.error?.detail ?? '';
  }

  let later: ReturnType<typeof setTimeout> | undefined;
  function afterTyping(then: () => void) {
    clearTimeout(later);
    later = setTimeout(then, AFTER_TYPING_MS);
  }

  async function askFlow() {
    const body = {
      nitrateIn: numberOf(through.in),
      nitrateOut: numberOf(through.out),
      litresPerHour: numberOf(through.litres),
    };
    flow = null;
    if (
      body.nitrateIn === undefined ||
      body.nitrateOut === undefined ||
      body.litresPerHour === undefined
    )
      return;
    const answer = await api.POST('/api/tanks/{id}/minerals/flow', {
      params: { path: { id: tank } },
      body: {
        nitrateIn: fromShown('nitrate', body.nitrateIn),
        nitrateOut: fromShown('nitrate', body.nitrateOut),
        litresPerHour: fromShown('volume', body.litresPerHour),
      },
    });
    flow = answer.data ?? null;
    problem = answer.error?.fields?.map((field) => field.allowed).join('; ') ?? '';
  }
</script>

{#snippet number(label: string, text: string, change: (text: string) => void)}
  <Input
    dense
    class="w-[4.5rem] text-center"
    inputmode="decimal"
    aria-label={label}
    value={text}
    oninput={(event) => change(event.currentTarget.value)}
  />
{/snippet}

{#if problem}<p role="alert" class="mb-2">{problem}</p>{/if}
{#if minerals}
  {#each minerals.panels as panel (panel.term)}
    <section class="border-base-300 border-b py-3" aria-label={panel.title}>
      <div class="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3 class="font-serif text-lg">{panel.title}</h3>
        {#if panel.unit}
          <span class="text-neutral flex items-center gap-1"
            >wanted {@render number(`${panel.title} wanted`, shown(panel), (text) => {
              wanted.set(panel.term, text);
              afterTyping(() => void load());
            })}
            {unitOf(panel)}</span
          >
        {/if}
      </div>
      <p class="font-bold">{said(panel.sentence, today)}</p>
      {#each panel.notes as words, i (i)}<p class="mt-1">{said(words, today)}</p>{/each}
      {#each panel.cautions as caution (caution)}
        <p class="text-neutral mt-1">{caution}</p>
      {/each}
      {#if panel.doses}
        <TextLink dense class="mt-1" href="/tank/{tank}/doses">Work out a dose</TextLink>
      {/if}
    </section>
  {/each}
  {#each minerals.caught as words, i (i)}
    <p class="border-base-300 border-b py-3" data-testid="caught">{said(words, today)}</p>
  {/each}
  {#each minerals.bed as words, i (i)}
    <p class="border-base-300 border-b py-3">{said(words, today)}</p>
  {/each}
  {#if minerals.gear}
    <section class="py-3" aria-label="slow filter" data-testid="filter-flow">
      <h3 class="font-serif text-lg">What the slow filter takes out</h3>
      <p class="flex flex-wrap items-center gap-x-1">
        Nitrate {@render number('nitrate going in', through.in, (text) => {
          through.in = text;
          afterTyping(() => void askFlow());
        })}
        goes in and {@render number('nitrate coming out', through.out, (text) => {
          through.out = text;
          afterTyping(() => void askFlow());
        })}
        {labelOf('nitrate')} comes out, at {@render number(
          'flow an hour',
          through.litres,
          (text) => {
            through.litres = text;
            afterTyping(() => void askFlow());
          },
        )}
        {labelOf('volume')} an hour.
      </p>
      {#if flow}
        <p class="font-bold">{said(flow.sentence, today)}</p>
        {#each flow.notes as words, i (i)}<p class="mt-1">{said(words, today)}</p>{/each}
      {/if}
    </section>
  {/if}
{:else if !problem}
  <p role="status">Looking at the tests…</p>
{/if}
