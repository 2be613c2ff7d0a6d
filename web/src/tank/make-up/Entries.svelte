<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { show } from '../../lib/toast.svelte';
  import { about } from '../../lib/words';
  import Button from '../../ui/Button.svelte';
  import { getEditing } from './editing.svelte';
  import { list, type Entry, type ListName } from './file';
  import MassHelp from './MassHelp.svelte';
  import Told from './Told.svelte';
  import { sentence } from './sentences';

  /** The entries of one list, each a sentence with what it does beside it. */
  let {
    key,
    add,
    heading,
    paper,
    drawn,
  }: {
    key: ListName;
    /** What can be added, as in “add a food”. */
    add: string;
    heading?: string;
    /** What each entry brings or takes, by kind and id. */
    paper: Map<string, Schemas['PaperEntry']>;
    /** How many entries are drawn by now. */
    drawn: number;
  } = $props();

  const editing = getEditing();
  let entries = $derived(list(editing.file, key));
  let weighing = $state(-1);

  function does(entry: Entry): string {
    const id = key === 'feeding' ? entry.food : key === 'dosing' ? entry.fertiliser : entry.id;
    const one = paper.get(`${key} ${String(id)}`);
    if (!one || (entry.to && String(entry.to) < editing.today)) return '';
    const parts = [
      { mg: one.nitrogenMgPerDay, of: 'N' },
      { mg: one.phosphorusMgPerDay, of: 'P' },
    ];
    const say = (words: string, some: typeof parts) =>
      some.length === 0
        ? ''
        : `${words} ${some.map(({ mg, of }) => `${about(Math.abs(mg))} mg ${of}`).join(' and ')} a day`;
    return [
      say(
        'brings',
        parts.filter(({ mg }) => mg > 0),
      ),
      say(
        'takes up to',
        parts.filter(({ mg }) => mg < 0),
      ),
    ]
      .filter(Boolean)
      .join(', ');
  }

  function remove(index: number) {
    const before = editing.file;
    editing.remove(key, index);
    show({
      kind: 'done',
      text: 'Left out; nothing is kept yet.',
      action: { label: 'Undo', run: () => editing.edit(before) },
    });
  }

  const dated = (entry: Entry) => entry.from !== undefined && !entry.to;
</script>

{#if heading && entries.length > 0}
  <h2 class="text-neutral pt-1 font-sans text-sm">{heading}</h2>
{/if}
<ul>
  {#each entries.slice(0, drawn) as entry, index (index)}
    <li class="entry grid gap-x-6 lg:grid-cols-[1fr_12rem]" data-testid="make-up-entry">
      <div class={['min-w-0', entry.to && 'text-neutral']}>
        <Told base={[key, index]} words={sentence(key, entry)} />
        <span class="actions inline-flex flex-wrap gap-x-4 font-sans text-sm">
          {#if key === 'livestock'}
            <Button
              kind="bare"
              dense
              class="text-neutral"
              onclick={() => (weighing = weighing === index ? -1 : index)}
              >weight from a length</Button
            >
          {/if}
          {#if dated(entry)}
            <Button
              kind="bare"
              dense
              class="text-neutral"
              onclick={() => editing.set([key, index, 'to'], editing.today)}>ended today</Button
            >
          {/if}
          <Button kind="bare" dense class="text-neutral" onclick={() => remove(index)}
            >leave out</Button
          >
        </span>
        {#if weighing === index}
          <div class="font-sans text-sm">
            <MassHelp
              onmass={(grams) => {
                editing.set([key, index, 'massG'], grams);
                weighing = -1;
              }}
            />
          </div>
        {/if}
        {#if entry.kind === 'carbon-dose'}
          <p class="font-sans text-sm leading-6">
            Ethanol burns: label, ventilation, away from flame and children. Cloudy water or gasping
            animals: stop, aerate.
          </p>
        {/if}
        {#each editing.problemsOf(key, index) as text (text)}
          <p class="text-error font-sans text-sm" role="alert">{text}</p>
        {/each}
      </div>
      <p class="text-neutral font-sans text-sm leading-6 lg:pt-1.5" data-testid="does">
        {does(entry)}
      </p>
    </li>
  {/each}
</ul>
<Button
  kind="bare"
  dense
  class="text-neutral block font-sans text-sm"
  onclick={() => editing.add(key)}
  data-testid="add-{key}">+ {add}</Button
>

<style>
  /* with a mouse, what can be done with an entry shows when it is pointed at or reached */
  @media (hover: hover) {
    .actions {
      opacity: 0;
    }
    .entry:hover .actions,
    .entry:focus-within .actions {
      opacity: 1;
    }
  }
</style>
