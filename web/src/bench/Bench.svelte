<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { api, type Schemas } from '../api/client';
  import { Gradually } from '../lib/gradually.svelte';
  import { whenRenewed } from '../lib/connection.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import Shelf from './Shelf.svelte';
  import Test from './Test.svelte';
  import Button from '../ui/Button.svelte';
  import Check from '../ui/Check.svelte';
  import Label from '../ui/Label.svelte';
  import Select from '../ui/Select.svelte';
  import NotYet from '../rounds/NotYet.svelte';

  let bench = $state.raw<Schemas['Bench'] | null>(null);
  let site = $state(localStorage.getItem('umberline-site') ?? '');
  let sound = $state(localStorage.getItem('umberline-sound') === 'on');
  let more = $state<Record<string, boolean>>({});
  let shelf = $state('');
  let tests: Record<string, Test> = $state({});
  const PAIR = ['before the change', 'after the change'];
  /** Tests that are read in pairs, the timers of both started together. */
  let pairs = $state<Record<string, boolean>>({});

  async function pair(key: string) {
    pairs[key] = !pairs[key];
    if (!pairs[key]) return;
    await tick();
    for (const sample of PAIR) tests[key + sample]?.startTimer();
  }

  async function load() {
    const answer = await api.GET('/api/bench');
    bench = answer.data ?? bench;
  }
  whenRenewed(() => void load());
  onMount(() => void load());

  let sites = $derived(
    [...new Set((bench?.tanks ?? []).map((one) => one.site).filter(Boolean))].sort(),
  );
  let here = $derived(
    (bench?.tanks ?? []).filter((one) => !site || !sites.includes(site) || one.site === site),
  );
  const gradually = new Gradually(2, 1, () => here.length);
  let wanted = $derived(
    here.reduce((sum, tank) => sum + tank.tests.filter((test) => test.why).length, 0),
  );

  function startAll() {
    for (const test of Object.values(tests)) test?.startTimer();
  }
</script>

<svelte:head><title>Bench · Umberline</title></svelte:head>

{#if bench}
  <div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
    <div class="flex flex-wrap items-baseline justify-between gap-x-8">
      <h1 class="font-serif text-2xl sm:text-3xl">
        {wanted === 0
          ? 'Nothing hangs on a test today.'
          : `${wanted} ${wanted === 1 ? 'test matters' : 'tests matter'} today`}
      </h1>
      <p class="flex flex-wrap items-center gap-x-6 text-sm">
        {#if sites.length > 1}
          <Label
            ><span class="sr-only">where</span>
            <Select bind:value={site}>
              <option value="">everywhere</option>
              {#each sites as name (name)}<option value={name}>{name}</option>{/each}
            </Select></Label
          >
        {/if}
        <Button onclick={startAll}>Start all timers</Button>
        <Check
          bind:checked={sound}
          onchange={() => localStorage.setItem('umberline-sound', sound ? 'on' : 'off')}
          >sound</Check
        >
      </p>
    </div>
    <p class="text-neutral max-w-prose text-sm">
      Sample before anything is stirred, in a rinsed cup, with the water at its usual level. Each
      kit’s own leaflet comes first. Gloves where a reagent asks for them.
    </p>
    {#each gradually.of(here) as tank (tank.id)}
      <section class="border-base-content/40 mt-3 border-t pt-2" data-testid="bench-tank">
        <div class="flex flex-wrap items-baseline gap-x-5">
          <h2 class="font-serif text-xl">{tank.name}</h2>
          <Button class="text-sm" onclick={() => (shelf = tank.id)}>Kits on the shelf</Button>
        </div>
        {#if tank.tests.every((test) => !test.why)}
          <p class="text-neutral text-sm">
            {tank.tests.length === 0
              ? 'No kit is in the make-up.'
              : 'No test would change what is to be done today.'}
          </p>
        {/if}
        <ul>
          {#each tank.tests as test (test.analyte + test.kit)}
            {#if test.why || more[tank.id]}
              {@const key = `${tank.id} ${test.analyte} ${test.kit}`}
              {#each pairs[key] ? PAIR : [''] as sample (sample)}
                <Test
                  bind:this={tests[key + sample]}
                  {tank}
                  {test}
                  {sample}
                  {sound}
                  onnoted={load}
                />
              {/each}
              {#if test.kit}
                <li class="text-sm">
                  <Button aria-pressed={pairs[key] ?? false} onclick={() => pair(key)}
                    >{pairs[key]
                      ? `One sample of ${test.analyte}`
                      : `Two samples of ${test.analyte}, before and after the change`}</Button
                  >
                </li>
              {/if}
            {/if}
          {/each}
        </ul>
        {#if tank.tests.some((test) => !test.why)}
          <Button
            class="text-sm"
            aria-expanded={more[tank.id] ?? false}
            onclick={() => (more[tank.id] = !more[tank.id])}
            >{more[tank.id] ? 'Only what matters' : 'Other tests'}</Button
          >
        {/if}
      </section>
    {/each}
  </div>
  <Sheet title="Kits on the shelf" open={shelf !== ''} onclose={() => (shelf = '')}>
    {#each here.filter((one) => one.id === shelf) as tank (tank.id)}
      <Shelf
        {tank}
        onsaved={() => {
          shelf = '';
          void load();
        }}
      />
    {/each}
  </Sheet>
{:else}
  <NotYet alone words="Looking which tests matter…" />
{/if}
