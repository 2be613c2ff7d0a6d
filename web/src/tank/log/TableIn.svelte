<script lang="ts">
  import { api, type Schemas } from '../../api/client';
  import { isMonthFirst } from '../../lib/days';
  import { Latest } from '../../lib/latest';
  import { show } from '../../lib/toast.svelte';
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';

  /** A table kept elsewhere: what its columns mean, which rows are good, the bad ones mended here. */
  let { tank, onkept }: { tank: string; onkept: () => void } = $props();

  const MEANINGS: Record<string, string> = {
    nothing: 'nothing',
    day: 'the day',
    time: 'the time of day',
    analyte: 'what was tested',
    value: 'what it read',
    unit: 'the unit',
    kit: 'the kit',
    note: 'a remark',
    reading: 'readings of',
    'what was done': 'what was done',
  };
  const asking = new Latest();
  let csv = $state('');
  let columns = $state<Schemas['TableColumnMeant'][]>([]);
  let monthFirst = $state(isMonthFirst());
  let mended = $state<Schemas['MendedRow'][]>([]);
  let read = $state.raw<Schemas['TableRead'] | null>(null);
  let refused = $state('');
  let busy = $state(false);
  let id = crypto.randomUUID();

  async function chosen(event: Event) {
    const file = (event.currentTarget as HTMLInputElement).files?.[0];
    if (!file) return;
    csv = await file.text();
    columns = [];
    mended = [];
    id = crypto.randomUUID();
    await preview();
  }

  async function preview() {
    refused = '';
    const answer = await asking.ask((signal) =>
      api.POST('/api/tanks/{id}/table/preview', {
        params: { path: { id: tank } },
        body: { csv, columns, monthFirst, mended },
        signal,
      }),
    );
    if (!answer) return;
    if (answer.data) {
      read = answer.data;
      columns = answer.data.columns.map((column) => ({ ...column }));
    } else {
      read = null;
      refused = answer.error?.detail ?? 'That can’t be read.';
    }
  }

  /** Sets one cell of a row right; the row is read again at once. */
  function mend(row: Schemas['TableRow'], column: number, text: string) {
    const cells = row.cells.map((cell, i) => (i === column ? text : cell));
    mended = [...mended.filter((one) => one.row !== row.number), { row: row.number, cells }];
    void preview();
  }

  async function keep() {
    busy = true;
    const answer = await api.POST('/api/tanks/{id}/table', {
      params: { path: { id: tank } },
      body: { id, table: { csv, columns, monthFirst, mended } },
    });
    busy = false;
    if (!answer.data) {
      refused = answer.error?.detail ?? 'Nothing was saved.';
      return;
    }
    onkept();
    show({ kind: 'done', text: `${answer.data.kept} entries are in the log.` });
  }

  let bad = $derived((read?.rows ?? []).filter((row) => row.problems.length > 0));
  let known = $derived((read?.rows ?? []).filter((row) => row.known));
  let good = $derived((read?.rows ?? []).filter((row) => row.words.length > 0 && !row.known));
  /** Columns that mean something. */
  let meant = $derived(
    columns.flatMap((column, i) => (column.meaning === 'nothing' ? [] : [{ ...column, i }])),
  );
</script>

<p class="text-neutral">
  Any table with a heading, separated by commas, semicolons or tabs: a column for the day and one
  for each thing tested or done, such as <code>no3</code>, <code>water change %</code> or
  <code>fed worms (g)</code>. A cell is read as in the entry line: <code>12 ppm</code>,
  <code>&lt;5</code>, <code>~15</code>, <code>cleaned sponge</code>.
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
          {#each read.meanings as meaning (meaning)}<option value={meaning}
              >{MEANINGS[meaning] ?? meaning}</option
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
  <Check bind:checked={monthFirst} onchange={() => void preview()}
    >3/4/26 is the fourth of March</Check
  >
  {#if bad.length > 0}
    <h3 class="mt-2 font-serif text-lg">{bad.length} can’t be read; set them right here</h3>
    <ul class="max-h-72 overflow-y-auto text-sm" data-testid="table-bad">
      {#each bad as row (row.number)}
        <li class="border-base-300 border-b py-1">
          <p><span class="text-neutral">row {row.number}</span> {row.problems.join(' ')}</p>
          <p class="flex flex-wrap gap-x-4">
            {#each meant as column (column.i)}
              <Label dense
                ><span class="text-neutral">{column.name}</span>
                <Input
                  dense
                  class="w-28"
                  value={row.cells[column.i] ?? ''}
                  aria-label="{column.name} of row {row.number}"
                  onchange={(event) => mend(row, column.i, event.currentTarget.value)}
                /></Label
              >
            {/each}
          </p>
        </li>
      {/each}
    </ul>
  {/if}
  {#if known.length > 0}
    <p class="mt-2 text-sm">{known.length} rows are in the log already and stay as they are.</p>
  {/if}
  <h3 class="mt-2 font-serif text-lg">{good.length} good rows, {read.fresh} entries</h3>
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
