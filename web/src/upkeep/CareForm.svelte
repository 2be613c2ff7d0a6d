<script lang="ts">
  import { api, type Schemas } from '../api/client';

  import { numberOf } from '../lib/numbers';
  import { show } from '../lib/toast.svelte';
  import { fromShown, labelOf, toShown, type QuantityName } from '../lib/units.svelte';
  import Button from '../ui/Button.svelte';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';
  import Select from '../ui/Select.svelte';

  let { tanks }: { tanks: Schemas['UpkeepTank'][] } = $props();
  // svelte-ignore state_referenced_locally
  let tank = $state(tanks[0]?.id ?? '');
  let care = $state<Schemas['Care'] | null>(null);
  let problem = $state('');
  let devices = $state('');
  /** Days of work that was just added; it is changed at once where another is meant. */
  const NEW_EVERY_DAYS = 30;

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
    const shown = numberOf(typed);
    care[key] = shown !== undefined && quantity ? fromShown(quantity, shown) : shown;
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
      ownTasks: care.ownTasks.filter((own) => own.name.trim()),
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

<Label class="gap-3"
  >For
  <Select bind:value={tank} data-testid="care-tank">
    {#each tanks as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
  </Select></Label
>
{#if care}
  <form onsubmit={save} class="max-w-xl" data-testid="care">
    {#each FIGURES as { key, words, quantity, unit } (key)}
      <Label class="border-base-300 gap-3 border-b">
        <span class="flex-1">{words}</span>
        <Input
          class="w-20 text-center"
          inputmode="decimal"
          value={shownOf(key, quantity)}
          oninput={(event) => set(key, event.currentTarget.value, quantity)}
        />
        <span class="w-24">{quantity ? labelOf(quantity) : unit}</span>
      </Label>
    {/each}
    <Label class="border-base-300 gap-3 border-b">
      <span class="flex-1">Devices to unplug for a change, in order</span>
      <Input class="w-64" bind:value={devices} />
    </Label>
    <Label class="border-base-300 gap-3 border-b">
      <span class="flex-1">Filter cleaning keeps away from a change</span>
      <Input
        type="number"
        min="0"
        max="14"
        class="w-20 text-center"
        bind:value={care.filterDaysFromChange}
      />
      <span class="w-24">days</span>
    </Label>
    <fieldset class="mt-3">
      <legend class="font-serif text-lg">Work this tank has besides its make-up’s gear</legend>
      {#each care.offered as task (task.term)}
        <Label dense class="gap-3"
          ><input type="checkbox" class="size-5" value={task.term} bind:group={care.tasks} />
          {task.words}
          <span class="text-neutral">usually every {task.everyDays} days</span></Label
        >
      {/each}
    </fieldset>
    <fieldset class="mt-3" data-testid="own-work">
      <legend class="font-serif text-lg">Work of your own</legend>
      {#each care.ownTasks as own, i (i)}
        <div class="flex flex-wrap items-center gap-x-3">
          <Input
            class="min-w-0 flex-1 basis-40"
            maxlength={60}
            placeholder="a new lamp"
            aria-label="what is done"
            bind:value={own.name}
          />
          <Label
            >every
            <Input
              type="number"
              min="1"
              max="730"
              class="w-20 text-center"
              bind:value={own.everyDays}
            /> days</Label
          >
          <Button
            type="button"
            onclick={() => care?.ownTasks.splice(i, 1)}
            aria-label="remove {own.name}">Remove</Button
          >
        </div>
      {/each}
      <Button
        type="button"
        onclick={() => care?.ownTasks.push({ name: '', everyDays: NEW_EVERY_DAYS })}
        data-testid="add-work">Add work</Button
      >
    </fieldset>
    <p class="text-neutral mt-2">
      Conditioner and chloramine: by the label and the supplier, never by guess.
    </p>
    {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
    <Button kind="main" class="mt-3">Save</Button>
  </form>
{/if}
