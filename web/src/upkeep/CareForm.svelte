<script lang="ts">
  import { api, type Schemas } from '../api/client';

  import { show } from '../lib/toast.svelte';
  import { fromShown, labelOf, toShown, type QuantityName } from '../lib/units.svelte';

  let { tanks }: { tanks: Schemas['UpkeepTank'][] } = $props();
  // svelte-ignore state_referenced_locally
  let tank = $state(tanks[0]?.id ?? '');
  let care = $state<Schemas['Care'] | null>(null);
  let problem = $state('');
  let devices = $state('');

  $effect(() => {
    void load(tank);
  });

  async function load(id: string) {
    const answer = await api.GET('/api/tanks/{id}/care', { params: { path: { id } } });
    if (id !== tank || !answer.data) return;
    care = answer.data;
    devices = care.devices.join(', ');
    problem = '';
  }

  type Figure = 'bucketLitres' | 'conditionerMlPer100L' | 'chloramineMgL' | 'hotC' | 'coldC';
  const FIGURES: { key: Figure; words: string; quantity?: QuantityName; unit?: string }[] = [
    { key: 'bucketLitres', words: 'One bucket carries', quantity: 'volume' },
    { key: 'conditionerMlPer100L', words: 'Conditioner, by its label', unit: 'mL a 100 L' },
    { key: 'chloramineMgL', words: 'Ammonia the tap’s chloramine leaves', unit: 'mg/L NH3' },
    { key: 'hotC', words: 'The hot tap', quantity: 'temperature' },
    { key: 'coldC', words: 'The cold tap', quantity: 'temperature' },
  ];

  function set(key: Figure, typed: string, quantity?: QuantityName) {
    if (!care) return;
    const shown = Number(typed.replace(',', '.'));
    care[key] =
      typed.trim() === '' || !Number.isFinite(shown)
        ? undefined
        : quantity
          ? fromShown(quantity, shown)
          : shown;
  }

  function shownOf(key: Figure, quantity?: QuantityName): string {
    const value = care?.[key];
    if (value === undefined || value === null) return '';
    return String(quantity ? Number(toShown(quantity, value).toPrecision(4)) : value);
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    if (!care) return;
    const { version, bucketLitres, conditionerMlPer100L, chloramineMgL, hotC, coldC } = care;
    const body = {
      version,
      bucketLitres,
      conditionerMlPer100L,
      chloramineMgL,
      hotC,
      coldC,
      devices: devices.split(',').map((one) => one.trim()),
      filterDaysFromChange: care.filterDaysFromChange,
      tasks: care.tasks,
      shelf: care.shelf,
    };
    const answer = await api.PUT('/api/tanks/{id}/care', { params: { path: { id: tank } }, body });
    if (!answer.data) {
      problem = answer.error?.detail ?? 'That was not saved.';
      return;
    }
    care = answer.data;
    problem = '';
    show({ kind: 'done', text: 'Saved.' });
  }
</script>

<label class="flex min-h-11 items-center gap-3"
  >For
  <select
    class="border-base-content/40 min-h-11 border-b bg-transparent"
    bind:value={tank}
    data-testid="care-tank"
  >
    {#each tanks as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
  </select></label
>
{#if care}
  <form onsubmit={save} class="max-w-xl" data-testid="care">
    {#each FIGURES as { key, words, quantity, unit } (key)}
      <label class="border-base-300 flex min-h-11 items-center gap-3 border-b">
        <span class="flex-1">{words}</span>
        <input
          class="border-base-content/40 min-h-11 w-20 border-b bg-transparent text-center"
          inputmode="decimal"
          value={shownOf(key, quantity)}
          oninput={(event) => set(key, event.currentTarget.value, quantity)}
        />
        <span class="w-24">{quantity ? labelOf(quantity) : unit}</span>
      </label>
    {/each}
    <label class="border-base-300 flex min-h-11 items-center gap-3 border-b">
      <span class="flex-1">Devices to unplug for a change, in order</span>
      <input
        class="border-base-content/40 min-h-11 w-64 border-b bg-transparent"
        bind:value={devices}
      />
    </label>
    <label class="border-base-300 flex min-h-11 items-center gap-3 border-b">
      <span class="flex-1">Filter cleaning keeps away from a change</span>
      <input
        type="number"
        min="0"
        max="14"
        class="border-base-content/40 min-h-11 w-20 border-b bg-transparent text-center"
        bind:value={care.filterDaysFromChange}
      />
      <span class="w-24">days</span>
    </label>
    <fieldset class="mt-3">
      <legend class="font-serif text-lg">Work this tank has besides its make-up’s gear</legend>
      {#each care.offered as task (task.term)}
        <label class="flex min-h-11 items-center gap-3 sm:min-h-8"
          ><input type="checkbox" class="size-5" value={task.term} bind:group={care.tasks} />
          {task.words}
          <span class="text-neutral">usually every {task.everyDays} days</span></label
        >
      {/each}
    </fieldset>
    <p class="text-neutral mt-2">
      Conditioner and chloramine: by the label and the supplier, never by guess.
    </p>
    {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
    <button class="bg-base-content text-base-100 mt-3 min-h-11 rounded-field px-5">Save</button>
  </form>
{/if}
