<script lang="ts">
  import { api, type Schemas } from '../../api/client';

  import { show } from '../../lib/toast.svelte';
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';

  let { tank, onkept }: { tank: string; onkept: () => void } = $props();

  type Read = Schemas['TableRead'];
  let csv = $state('');
  let columns = $state<Schemas['TableColumnMeant'][]>([]);
  let monthFirst = $state(false);
  let read = $state.raw<Read | null>(null);
  let refused = $state('');
  let busy = $state(false);
  let id = crypto.randomUUID();

  async function chosen(event: Event) {
    const file = (event.currentTarget as HTMLInputElement).files?.[0];
    if (!file) return;
    csv = await file.text();
    columns = [];
    id = crypto.randomUUID();
    await preview();
  }

  async function preview() {
    refused = '';
    const answer = await api.POST('/api/tanks/{id}/tests/preview', {
      params: { path: { id: tank } },
      body: { csv, columns, monthFirst },
    });
    if (answer.data) {
      read = answer.data;
      columns = answer.data.columns.map((column) => ({ ...column }));
    } else {
      read = null;
      refused = answer.error?.detail ?? 'That can’t be read.';
    }
  }

  async function keep() {
    busy = true;
    const answer = await api.POST('/api/tanks/{id}/tests', {
      params: { path: { id: tank } },
      body: { id, table: { csv, columns, monthFirst } },
    });
    busy = false;
    if (!answer.data) {
      refused = answer.error?.detail ?? 'Nothing was saved.';
      return;
    }
    onkept();
    show({ kind: 'done', text: `${answer.data.kept} tests are in the log.` });
  }

  let bad = $derived((read?.rows ?? []).filter((row) => row.problems.length > 0));
  let known = $derived((read?.rows ?? []).filter((row) => row.known));
  let good = $derived((read?.rows ?? []).filter((row) => row.words.length > 0 && !row.known));
  let tests = $derived(read?.fresh ?? 0);
</script>

<p class="text-neutral">
  Any table with a heading, separated by commas, semicolons or tabs: a column for the day and one
  for each thing tested.
</p>
<Label class="mt-2 gap-3"
  ><span class="sr-only">The table</span>
  <input
    type="file"
    accept=".csv,.txt,.tsv,text/csv"
    onchange={chosen}
    data-testid="table-file"
  /></Label
>
{#if refused}<p class="text-error" role="alert">{refused}</p>{/if}
{#if read}
  <h3 class="mt-3 font-serif text-lg">What the columns mean</h3>
  <ul class="grid grid-cols-1 gap-x-8 sm:grid-cols-2" data-testid="table-columns">
    {#each columns as column, i (i)}
      <li class="flex flex-wrap items-center gap-x-3">
        <span class="w-32 truncate font-semibold">{column.name}</span>
        <Select
          aria-label="meaning of {column.name}"
          bind:value={column.meaning}
          onchange={() => void preview()}
        >
          {#each read.meanings as meaning (meaning)}<option value={meaning}>{meaning}</option
            >{/each}
        </Select>
        {#if column.meaning === 'reading'}
          <Select
            aria-label="what {column.name} reads"
            bind:value={column.analyte}
            onchange={() => void preview()}
          >
            {#each read.analytes as analyte (analyte)}<option value={analyte}>{analyte}</option
              >{/each}
          </Select>
        {/if}
      </li>
    {/each}
  </ul>
  <Check bind:checked={monthFirst} onchange={() => void preview()}>3/4 is the fourth of March</Check
  >
  {#if bad.length > 0}
    <h3 class="mt-2 font-serif text-lg">{bad.length} can’t be read</h3>
    <ul class="max-h-40 overflow-y-auto text-sm" data-testid="table-bad">
      {#each bad as row (row.number)}
        <li><span class="text-neutral">row {row.number}</span> {row.problems.join(' ')}</li>
      {/each}
    </ul>
  {/if}
  {#if known.length > 0}
    <p class="mt-2 text-sm">{known.length} rows are in the log already and stay as they are.</p>
  {/if}
  <h3 class="mt-2 font-serif text-lg">{good.length} good rows, {tests} tests</h3>
  <ul class="max-h-48 overflow-y-auto text-sm" data-testid="table-good">
    {#each good as row (row.number)}
      <li>
        <span class="text-neutral">{row.at?.slice(0, 16).replace('T', ' ')}</span>
        {row.words.join('; ')}
      </li>
    {/each}
  </ul>
  <Button
    kind="main"
    class="mt-3"
    disabled={busy || good.length === 0}
    data-testid="table-keep"
    onclick={keep}
    >Keep the {good.length} good rows{bad.length ? `, leave the ${bad.length} others` : ''}</Button
  >
{/if}
