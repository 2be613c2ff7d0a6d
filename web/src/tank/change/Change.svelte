<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../../api/client';

  import { note } from '../../lib/outbox.svelte';
  import { said } from '../../lib/said';
  import { show } from '../../lib/toast.svelte';
  import { tanks } from '../../lib/tanks.svelte';
  import { figure, volume } from '../../lib/units.svelte';
  import { addDays, percent } from '../../lib/words';
  import Timer from '../../ui/Timer.svelte';
  import Done from './Done.svelte';
  import Salt from './Salt.svelte';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import NotYet from '../../rounds/NotYet.svelte';

  let { tank }: { tank: string } = $props();

  type RunSheet = Schemas['RunSheet'];
  interface Under {
    sheet: RunSheet;
    done: string[];
    begun: string;
  }
  const PHASES: [string, string][] = [
    ['PREPARE', 'Prepare'],
    ['SWITCH_OFF', 'Switch off'],
    ['OUT', 'Out'],
    ['IN', 'In'],
    ['SWITCH_ON', 'Switch on'],
    ['AFTERWARDS', 'Afterwards'],
  ];
  // svelte-ignore state_referenced_locally
  const store = `umberline-change-${tank}`;

  let sheet = $state.raw<RunSheet | null>(null);
  let done = $state<string[]>([]);
  /** When this change was begun; empty while it is only looked at. */
  let begun = $state('');
  let asked = $state('');
  let problem = $state('');
  let name = $derived(tanks.all.find((one) => one.id === tank)?.name ?? '');
  let left = $derived(sheet ? sheet.steps.length - done.length : 0);

  onMount(() => {
    const kept = localStorage.getItem(store);
    if (kept) {
      // a change that is under way goes on as it was begun, with or without a connection
      const under = JSON.parse(kept) as Under;
      ({ sheet, done, begun } = under);
      asked = String(Math.round(100 * under.sheet.fraction));
    } else void load();
  });

  async function load(fraction?: number) {
    const answer = await api.GET('/api/tanks/{id}/run-sheet', {
      params: { path: { id: tank }, query: { fraction } },
    });
    if (answer.data) {
      sheet = answer.data;
      asked = String(Math.round(100 * answer.data.fraction));
      problem = '';
    } else problem = answer.error?.detail ?? 'There is no sheet for this.';
  }

  function ask() {
    const share = Number(asked.replace(',', '.').replace('%', '')) / 100;
    void load(share);
  }

  function keep() {
    if (sheet) localStorage.setItem(store, JSON.stringify({ sheet, done, begun } satisfies Under));
  }

  function tick(key: string) {
    if (!begun) begun = new Date().toISOString();
    done = done.includes(key) ? done.filter((one) => one !== key) : [...done, key];
    keep();
  }

  function leaveIt() {
    localStorage.removeItem(store);
    done = [];
    begun = '';
    void load();
  }

  /** Puts the test that would teach something on its day, where the tank has that work. */
  async function askForTest(testOn: Schemas['TestAsked']) {
    const care = await api.GET('/api/tanks/{id}/care', { params: { path: { id: tank } } });
    if (!care.data || !sheet) return;
    const { version } = care.data;
    const nextOn = addDays(sheet.today, testOn.daysFrom);
    await api.PUT('/api/tanks/{id}/upkeep/{work}', {
      params: { path: { id: tank, work: `test:${testOn.analyte}` } },
      body: { version, nextOn },
    });
  }

  /** Notes what was really done, once, also without a connection. */
  async function finish(text: string) {
    const at = new Date().toISOString();
    const item = { id: crypto.randomUUID(), tank, text, at };
    localStorage.removeItem(store);
    const testOn = sheet?.testOn;
    done = [];
    begun = '';
    const slow = setTimeout(
      () =>
        show({ kind: 'done', text: 'Kept on this device; it is sent when there is a connection.' }),
      1500,
    );
    const sent = await note(item);
    clearTimeout(slow);
    if ('recorded' in sent && testOn) await askForTest(testOn);
    if ('refused' in sent) show({ kind: 'problem', text: sent.refused });
    else
      show({
        kind: 'done',
        text: `Noted: ${sent.recorded.understood.join('; ')}.${testOn ? ` ${said(testOn.words, sheet?.today ?? '')}` : ''}`,
      });
    void load();
  }
  /** What is worked out is no surer than two digits. */
  const forecast = (value: number, unit: string) =>
    figure(unit.startsWith('mg/L') ? Number(value.toPrecision(2)) : value, unit);
</script>

<svelte:head><title>Change · {name} · Umberline</title></svelte:head>

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
  {#if sheet}
    <div class="flex flex-wrap items-baseline gap-x-8">
      <h1 class="font-serif text-2xl sm:text-3xl" data-testid="change-title">
        {begun ? 'Changing' : 'Change'}
        {percent(sheet.fraction)} of {name}, {volume(sheet.litres)}
      </h1>
      {#if begun}
        <Button onclick={leaveIt}>Leave this change</Button>
      {:else}
        <form
          class="flex items-center gap-3 text-sm"
          onsubmit={(event) => {
            event.preventDefault();
            ask();
          }}
        >
          <Label
            >as much as
            <Input
              dense
              class="w-16 text-center"
              inputmode="decimal"
              bind:value={asked}
              data-testid="change-share"
            /> %</Label
          >
          <Button>Write the sheet</Button>
        </form>
      {/if}
      <Button class="text-sm print:hidden" onclick={() => print()}>Print</Button>
    </div>
    {#each sheet.warnings as warning (warning)}
      <p class="border-accent mt-2 border-l-4 pl-3" role="alert" data-testid="change-warning">
        {said(warning, sheet.today)}
      </p>
    {/each}
    <div class="mt-3 grid grid-cols-1 gap-x-12 gap-y-6 lg:grid-cols-[1fr_24rem]">
      <ol data-testid="run-sheet">
        {#each PHASES as [phase, words] (phase)}
          {@const steps = sheet.steps.filter((step) => step.phase === phase)}
          {#if steps.length > 0}
            <li
              class="border-base-content/40 grid grid-cols-1 border-t py-2 sm:grid-cols-[8rem_1fr]"
            >
              <h2 class="font-serif text-lg">{words}</h2>
              <ul>
                {#each steps as step (step.key)}
                  <li class="flex flex-wrap items-center gap-x-4">
                    <Label class="min-w-0 flex-1 basis-72 gap-3">
                      <input
                        type="checkbox"
                        class="accent-secondary size-6 shrink-0"
                        checked={done.includes(step.key)}
                        onchange={() => tick(step.key)}
                        data-testid="step"
                      />
                      <span class:text-neutral={done.includes(step.key)}
                        >{said(step.text, sheet.today)}</span
                      >
                    </Label>
                    {#if step.minutes !== undefined}
                      <Timer
                        name="{tank}-{step.key}"
                        minutes={step.minutes}
                        words={said(step.text, sheet.today)}
                      />
                    {/if}
                  </li>
                  {#if step.key === 'salinity'}
                    <li><Salt {tank} litres={sheet.litres} /></li>
                  {/if}
                {/each}
              </ul>
            </li>
          {/if}
        {/each}
        <li class="border-base-content/40 border-t py-3">
          <Done {sheet} {left} onfinish={finish} />
        </li>
      </ol>
      <div>
        <h2 class="font-serif text-lg">What it comes to</h2>
        <table class="mt-1 w-full text-sm" data-testid="change-after">
          <thead class="text-neutral text-left"
            ><tr
              ><th class="font-normal"></th><th class="font-normal">before</th><th
                class="font-normal">after</th
              ></tr
            ></thead
          >
          <tbody>
            {#each sheet.after as row (row.what)}
              {#if row.after !== undefined && (row.after > 0 || (row.before ?? 0) > 0)}
                <tr class="border-base-300 border-t">
                  <th class="py-1 text-left font-normal">{row.what}</th>
                  <td>{row.before === undefined ? '' : forecast(row.before, row.unit)}</td>
                  <td class="font-bold">{forecast(row.after, row.unit)}</td>
                </tr>
              {/if}
            {/each}
          </tbody>
        </table>
        {#if sheet.testOn}<p class="mt-2 text-sm">{said(sheet.testOn.words, sheet.today)}</p>{/if}
        <h2 class="mt-5 font-serif text-lg">Take care</h2>
        <ul class="text-sm" data-testid="cautions">
          {#each sheet.cautions as caution (caution)}
            <li class="border-base-300 border-t py-1">{caution}</li>
          {/each}
        </ul>
      </div>
    </div>
  {:else if !problem}
    <NotYet words="Writing the sheet…" {tank} />
  {/if}
</div>
