<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Measures, type Outlook, type Schemas, type Tried } from '../../../api/client';

  import { show } from '../../../lib/toast.svelte';
  import { figure, level, volume } from '../../../lib/units.svelte';
  import { interval, percent, timesInTen } from '../../../lib/words';
  import Button from '../../../ui/Button.svelte';
  import Input from '../../../ui/Input.svelte';

  let { tank, tries, tried }: { tank: string; tries: Tried[]; tried: Outlook | null } = $props();

  let comparison = $state.raw<Schemas['Comparison'] | null>(null);
  let name = $state('');
  const params = () => ({ path: { id: tank } });

  onMount(async () => {
    comparison = (await api.GET('/api/tanks/{id}/what-ifs', { params: params() })).data ?? null;
  });

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const whatIf = crypto.randomUUID();
    const routine = tried?.routine;
    const answer = await api.PUT('/api/tanks/{id}/what-ifs/{whatIf}', {
      params: { path: { id: tank, whatIf } },
      body: {
        name: name.trim(),
        tried: {
          solve: 'NOTHING',
          fraction: routine?.fraction,
          everyDays: routine?.everyDays,
          nextOn: routine?.nextOn,
          tries,
        },
      },
    });
    if (answer.data) {
      comparison = answer.data;
      name = '';
    } else show({ kind: 'problem', text: answer.error?.detail ?? 'That was not kept.' });
  }

  async function discard(one: Schemas['SavedWhatIf']) {
    const answer = await api.DELETE('/api/tanks/{id}/what-ifs/{whatIf}', {
      params: { path: { id: tank, whatIf: one.id } },
    });
    if (!answer.data) return;
    comparison = answer.data;
    const back = {
      name: one.name,
      tried: {
        solve: 'NOTHING' as const,
        fraction: one.routine?.fraction,
        everyDays: one.routine?.everyDays,
        nextOn: one.routine?.nextOn,
        tries: one.tries,
      },
    };
    show({
      kind: 'done',
      text: `Discarded “${one.name}”.`,
      action: {
        label: 'Undo',
        run: () =>
          void api
            .PUT('/api/tanks/{id}/what-ifs/{whatIf}', {
              params: { path: { id: tank, whatIf: crypto.randomUUID() } },
              body: back,
            })
            .then((kept) => (comparison = kept.data ?? comparison)),
      },
    });
  }

  const words: Record<string, (one: Tried) => string> = {
    FEED: (one) => `${percent(one.amount)} of ${one.id}`,
    DOSE: (one) => `${percent(one.amount)} of ${one.id}`,
    HARVEST: (one) => `${one.amount} g ${one.id} more a week`,
    SKIM: (one) => `${one.id} takes ${percent(one.amount)} a day`,
    CLEAN: (one) => `${one.id} cleaned ${one.amount} times a week more`,
    ADSORBER: (one) => `${one.amount} g new adsorber`,
    RENEW: (one) => `${one.id} renewed now and every ${interval(one.amount)}`,
    STOCK: (one) => `${percent(one.amount)} of the animals`,
    ROOM: (one) => `${one.id} with ${one.amount} times the room`,
    SIPHON: (one) => `${percent(one.amount)} of the bed siphoned a week`,
    NEW_SKIMMER: () => 'a skimmer',
    CHANGE_WATER: (one) => `change with ${one.id}`,
    TOP_OFF: (one) => `top off with ${one.id}`,
  };
  const say = (all: Tried[]) => all.map((one) => words[one.kind]?.(one) ?? one.kind).join(', ');
  const sayRoutine = (routine: Outlook['routine']) =>
    routine ? `${percent(routine.fraction)} every ${interval(routine.everyDays)}` : 'no changes';

  const rows: [string, (m: Measures) => string][] = [
    ['chance within the lines', (m) => timesInTen(m.probabilityWithinLines)],
    ['nitrate peak', (m) => level('nitrate', m.nitratePeakMgL)],
    ['nitrate trough', (m) => level('nitrate', m.nitrateTroughMgL)],
    ['nitrate swing', (m) => level('nitrate', m.nitrateSwingMgL)],
    ['phosphate peak', (m) => level('phosphate', m.phosphatePeakMgL)],
    ['phosphate trough', (m) => level('phosphate', m.phosphateTroughMgL)],
    ['water in 28 days', (m) => volume(m.litresPer28Days)],
    ['minutes in 28 days', (m) => `about ${Math.round(m.minutesPer28Days / 5) * 5}`],
    [
      'salt in 28 days',
      (m) => (m.saltGramsPer28Days > 0 ? figure(m.saltGramsPer28Days, 'g') : '–'),
    ],
  ];
  let columns = $derived(
    comparison
      ? [
          { name: 'as you do', note: sayRoutine(comparison.routine), measures: comparison.today },
          { name: 'left alone', note: 'no changes', measures: comparison.leftAlone },
          ...(tried
            ? [
                {
                  name: 'tried now',
                  note: `${sayRoutine(tried.routine)}${tries.length ? `, ${say(tries)}` : ''}`,
                  measures: tried.measures,
                },
              ]
            : []),
          ...comparison.saved.map((one) => ({
            name: one.name,
            note: `${sayRoutine(one.routine)}${one.tries.length ? `, ${say(one.tries)}` : ''}`,
            measures: one.measures,
          })),
        ]
      : [],
  );
</script>

{#if tried}
  <form class="flex items-center gap-3" onsubmit={save}>
    <label class="flex flex-1 items-center gap-2">
      Keep what is tried as
      <Input
        dense
        class="border-base-content flex-1"
        bind:value={name}
        required
        maxlength={80}
        data-testid="what-if-name"
      />
    </label>
    <Button kind="strong" data-testid="keep-what-if">Keep</Button>
  </form>
{:else}
  <p class="text-neutral">
    Open a line of the ledger and try more or less of it, or move a handle of the sentence; what is
    tried can be kept here under a name, up to three of them.
  </p>
{/if}
{#if comparison}
  <div class="mt-3 overflow-x-auto">
    <table class="w-full text-left" data-testid="comparison">
      <thead>
        <tr>
          <td></td>
          {#each columns as column, i (i)}<th scope="col" class="px-2 align-bottom"
              >{column.name}</th
            >{/each}
        </tr>
        <tr class="text-neutral">
          <td></td>
          {#each columns as column, i (i)}<td class="px-2 align-top text-xs">{column.note}</td
            >{/each}
        </tr>
      </thead>
      <tbody>
        {#each rows as [label, text] (label)}
          <tr class="border-base-300 border-t">
            <th scope="row" class="font-normal">{label}</th>
            {#each columns as column, i (i)}<td class="px-2 tabular-nums"
                >{text(column.measures)}</td
              >{/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#each comparison.saved as one (one.id)}
    <Button class="mt-2 mr-4" onclick={() => discard(one)}>Discard “{one.name}”</Button>
  {/each}
{/if}
