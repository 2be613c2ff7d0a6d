<script lang="ts">
  import { Gradually } from '../../lib/gradually.svelte';
  import { Latest } from '../../lib/latest';
  import { onMount } from 'svelte';
  import { api, type LogEntry, type Schemas } from '../../api/client';
  import { whenRenewed } from '../../lib/connection.svelte';
  import { painted } from '../../lib/paint';
  import { show } from '../../lib/toast.svelte';
  import { tanks } from '../../lib/tanks.svelte';
  import { longDay, shortDay } from '../../lib/words';
  import EntryLine from './EntryLine.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import Batch from './Batch.svelte';
  import Correct from './Correct.svelte';
  import Photos from './Photos.svelte';
  import TableIn from './TableIn.svelte';
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import TextLink from '../../ui/TextLink.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';
  import NotYet from '../../rounds/NotYet.svelte';

  let { tank }: { tank: string } = $props();

  const KINDS: [string, string][] = [
    ['', 'everything'],
    ['test', 'tests'],
    ['water-change', 'changes'],
    ['feed', 'extra feeds'],
    ['clean', 'cleaning'],
    ['renew', 'renewals'],
    ['harvest', 'harvests'],
    ['dose', 'doses'],
    ['addition', 'salts and carbon'],
    ['death', 'deaths'],
    ['fast', 'fasts'],
    ['medicine', 'medicines'],
    ['quarantine', 'quarantines'],
    ['trial', 'trials'],
    ['observation', 'notes and signs'],
  ];
  const SEARCH_AFTER_MS = 200;

  let entries = $state.raw<LogEntry[] | null>(null);
  let more = $state(false);
  let kind = $state('');
  let text = $state('');
  let sinceChange = $state(false);
  let withdrawn = $state(false);
  let correcting = $state<LogEntry | null>(null);
  let sheet = $state<'' | 'table' | 'photos' | 'batch'>('');
  let photos = $state.raw<Schemas['Photo'][]>([]);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const asking = new Latest();

  async function loadPhotos() {
    const answer = await api.GET('/api/tanks/{id}/photos', { params: { path: { id: tank } } });
    photos = answer.data ?? [];
  }

  async function load(before?: string) {
    const answer = await asking.ask((signal) =>
      api.GET('/api/tanks/{id}/log', {
        params: { path: { id: tank }, query: { kind, text, sinceChange, before } },
        signal,
      }),
    );
    if (!answer?.data) return;
    entries = before ? [...(entries ?? []), ...answer.data.entries] : answer.data.entries;
    more = answer.data.more;
  }
  whenRenewed(() => void load());
  onMount(() => {
    // the entries first; what was photographed stands beside them
    void load().then(painted).then(loadPhotos);
  });

  const gradually = new Gradually(8, 8, () => days.length);
  let days = $derived.by(() => {
    const shown = (entries ?? []).filter((entry) => withdrawn || !entry.withdrawn);
    const byDay: { day: string; entries: LogEntry[] }[] = [];
    for (const entry of shown) {
      const last = byDay[byDay.length - 1];
      if (last?.day === entry.day) last.entries.push(entry);
      else byDay.push({ day: entry.day, entries: [entry] });
    }
    return byDay;
  });
  let hidden = $derived((entries ?? []).filter((entry) => entry.withdrawn).length);
  let name = $derived(tanks.all.find((one) => one.id === tank)?.name ?? '');

  function search() {
    clearTimeout(timer);
    timer = setTimeout(() => void load(), SEARCH_AFTER_MS);
  }

  /** The clock an entry was said with. */
  function time(at: string): string {
    return at.slice(11, 16);
  }

  async function setWithdrawn(entry: LogEntry, gone: boolean) {
    const answer = await api.PUT('/api/tanks/{id}/log/entries/{entry}/withdrawn', {
      params: { path: { id: tank, entry: entry.id } },
      body: { withdrawn: gone },
    });
    if (!answer.response.ok) {
      show({ kind: 'problem', text: answer.error?.detail ?? 'That did not work.' });
      return;
    }
    void load();
    show({
      kind: 'done',
      text: gone ? `Deleted: ${entry.words}.` : `Back in the log: ${entry.words}.`,
      action: gone ? { label: 'Undo', run: () => void setWithdrawn(entry, false) } : undefined,
    });
  }

  function history(entry: LogEntry): string {
    const when = entry.withdrawnAt ? longDay(entry.withdrawnAt.slice(0, 10), '') : '';
    const by = `${entry.withdrawnBy}, ${when}`;
    return entry.corrected.length > 0
      ? `corrected by ${by}: now “${entry.corrected.join('; ')}”`
      : `deleted by ${by}`;
  }
</script>

<svelte:head><title>Log · {name} · Umberline</title></svelte:head>

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  <div class="flex flex-wrap items-baseline justify-between gap-x-8">
    <h1 class="font-serif text-2xl sm:text-3xl">What was done and measured</h1>
    <p class="flex flex-wrap items-baseline gap-x-5 text-sm">
      <Button dense onclick={() => (sheet = 'batch')}>Several tanks</Button>
      <Button dense data-testid="photos-open" onclick={() => (sheet = 'photos')}>Photos</Button>
      <Button dense data-testid="table-open" onclick={() => (sheet = 'table')}
        >Import a table</Button
      >
      <TextLink dense href="/api/tanks/{tank}/log.csv" download>as CSV</TextLink>
      <TextLink dense href="/api/tanks/{tank}/file" download>as tank file</TextLink>
    </p>
  </div>
  <div class="mt-2 max-w-3xl">
    <EntryLine {tank} buttons onrecorded={() => void load()} />
  </div>
  <div class="mt-3 flex flex-wrap items-center gap-x-6 gap-y-1 text-sm" role="search">
    <Label dense
      >Show
      <Select dense bind:value={kind} onchange={() => void load()} data-testid="log-kind">
        {#each KINDS as [value, words] (value)}<option {value}>{words}</option>{/each}
      </Select></Label
    >
    <Label dense
      >with the words
      <Input
        type="search"
        dense
        class="w-40"
        bind:value={text}
        oninput={search}
        data-testid="log-search"
      /></Label
    >
    <Check dense bind:checked={sinceChange} onchange={() => void load()}
      >since the last change</Check
    >
    {#if hidden > 0}
      <Check dense bind:checked={withdrawn} data-testid="show-withdrawn"
        >and the {hidden} withdrawn or corrected</Check
      >
    {/if}
  </div>
  {#if entries}
    <ol class="border-base-content/40 mt-2 border-t" data-testid="log">
      {#each gradually.of(days) as day (day.day)}
        <li
          class="border-base-300 grid grid-cols-1 gap-x-8 border-b py-2 sm:grid-cols-[9.5rem_1fr]"
          data-testid="log-day"
        >
          <div>
            <h2 class="font-serif text-lg">{shortDay(day.day)} {day.day.slice(0, 4)}</h2>
            {#each photos.filter((one) => one.day === day.day) as photo (photo.id)}
              <button
                class="mr-2"
                aria-label="photo of {shortDay(day.day)}{photo.note ? `, ${photo.note}` : ''}"
                onclick={() => (sheet = 'photos')}
              >
                <img
                  src="/api/tanks/{tank}/photos/{photo.id}"
                  alt=""
                  class="size-14 object-cover"
                  loading="lazy"
                />
              </button>
            {/each}
          </div>
          <ul>
            {#each day.entries as entry (entry.id)}
              <li
                class="group flex flex-wrap items-baseline gap-x-4 py-0.5"
                data-testid="log-entry"
                data-kind={entry.kind}
              >
                <span class="text-neutral w-12 shrink-0 text-sm">{time(entry.at)}</span>
                <span class="min-w-0 flex-1 basis-64">
                  <span class:line-through={entry.withdrawn} class:text-neutral={entry.withdrawn}
                    >{entry.words}</span
                  >
                  {#if entry.note && !entry.words.includes(entry.note)}<span class="text-neutral">
                      · {entry.note}</span
                    >{/if}
                  {#if entry.withdrawn}<span class="text-neutral block text-sm"
                      >{history(entry)}</span
                    >{/if}
                </span>
                <span class="text-neutral text-sm capitalize">{entry.recordedBy}</span>
                {#if !entry.withdrawn}
                  <span class="flex gap-x-4 text-sm">
                    <Button
                      dense
                      aria-label="correct: {entry.words}"
                      onclick={() => (correcting = entry)}>Correct</Button
                    >
                    <Button
                      dense
                      aria-label="Delete: {entry.words}"
                      onclick={() => void setWithdrawn(entry, true)}>Delete</Button
                    >
                  </span>
                {:else if entry.corrected.length === 0}
                  <Button
                    dense
                    class="text-sm"
                    aria-label="put back: {entry.words}"
                    onclick={() => void setWithdrawn(entry, false)}>Put back</Button
                  >
                {/if}
              </li>
            {/each}
          </ul>
        </li>
      {:else}
        <li class="text-neutral py-4">
          {kind || text || sinceChange
            ? 'Nothing in the log is like that.'
            : 'Nothing is noted yet. Write what was measured or done above.'}
        </li>
      {/each}
    </ol>
    {#if more}
      <Button class="mt-3" onclick={() => void load(entries?.[entries.length - 1]?.at)}
        >Earlier entries</Button
      >
    {/if}
  {:else}
    <NotYet words="Opening the log…" {tank} />
  {/if}
</div>

{#if correcting}
  <Correct
    {tank}
    entry={correcting}
    onclose={(changed) => {
      correcting = null;
      if (changed) void load();
    }}
  />
{/if}
<Sheet title="Import a table" open={sheet === 'table'} onclose={() => (sheet = '')}>
  <TableIn
    {tank}
    onkept={() => {
      sheet = '';
      void load();
    }}
  />
</Sheet>
<Sheet
  title="Photos"
  open={sheet === 'photos'}
  onclose={() => {
    sheet = '';
    void loadPhotos();
  }}
>
  <Photos {tank} />
</Sheet>
<Sheet title="The same for several tanks" open={sheet === 'batch'} onclose={() => (sheet = '')}>
  <Batch first={tank} onnoted={() => void load()} />
</Sheet>
