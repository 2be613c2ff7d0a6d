<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../../api/client';
  import { shownDay } from '../../lib/days';
  import { Gradually } from '../../lib/gradually.svelte';
  import { Latest } from '../../lib/latest';
  import { loadTanks, may } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import Button from '../../ui/Button.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';
  import Blank from './Blank.svelte';
  import { Editing, provideEditing } from './editing.svelte';
  import Effect from './Effect.svelte';
  import Entries from './Entries.svelte';
  import { list } from './file';
  import PutAway from './PutAway.svelte';
  import Sharing from './Sharing.svelte';
  import Told from './Told.svelte';
  import VolumeHelp from './VolumeHelp.svelte';
  import { groups } from './sentences';
  import { STANCES } from './words';
  import NotYet from '../../rounds/NotYet.svelte';

  /** What a tank is, said in sentences; each change shows what it leads to before it is kept. */
  let { tank }: { tank: string } = $props();

  const TRY_AFTER_MS = 350;
  /** Groups and entries drawn with each frame. */
  const PARTS_A_FRAME = 2;
  const asking = new Latest();
  const editing = provideEditing(new Editing(tryLater));
  let kept = $state.raw<Schemas['MakeUp'] | null>(null);
  let effect = $state.raw<Schemas['MakeUpEffect'] | null>(null);
  let before = $state.raw<Schemas['MakeUpEffect'] | null>(null);
  let stale = $state(false);
  let missing = $state('');
  let helping = $state(false);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const params = () => ({ path: { id: tank } });
  let name = $derived(String(editing.at(['tank', 'name']) ?? 'the tank'));
  /**
   * Groups and the entries of their lists, each a part that is drawn, by number. What stands below
   * and beside them comes after them, or each would push it down.
   */
  let parts = $derived.by(() => {
    let total = 0;
    const all = groups(editing.file).map((group) => ({
      ...group,
      number: total++,
      lists: group.lists.map((one) => {
        const first = total;
        total += list(editing.file, one.key).length;
        return { ...one, first };
      }),
    }));
    return { all, total };
  });
  const gradually = new Gradually(2, PARTS_A_FRAME, () => (kept ? parts.total + 2 : 0));
  /** An entry that is added later comes at once. */
  const drawn = (number: number) => (gradually.isComplete ? Infinity : gradually.since(number));
  let paper = $derived(new Map(effect?.paper.map((one) => [`${one.kind} ${one.id}`, one]) ?? []));
  let stance = $derived(String(editing.at(['tank', 'stance']) ?? 'by-need'));

  onMount(() => {
    void load();
    // the format of days takes long to make: while the answer is waited for
    shownDay(editing.today);
    return () => {
      clearTimeout(timer);
      asking.giveUp();
    };
  });

  async function load() {
    const answer = await api.GET('/api/tanks/{id}/make-up', { params: params() });
    if (answer.data) take(answer.data);
    else missing = answer.error?.detail ?? 'This tank can’t be shown.';
  }

  function take(next: Schemas['MakeUp']) {
    kept = next;
    editing.begin(next.file, next.assumed);
    before = null;
    void look();
  }

  function tryLater() {
    stale = true;
    clearTimeout(timer);
    timer = setTimeout(() => void look(), TRY_AFTER_MS);
  }

  /** Asks what the make-up as it stands would lead to. */
  async function look() {
    stale = true;
    const answer = await asking.ask((signal) =>
      api.POST('/api/tanks/{id}/make-up/effect', {
        params: params(),
        body: { file: JSON.stringify(editing.file) },
        signal,
      }),
    );
    if (!answer) return;
    stale = false;
    editing.problem = answer.error ?? null;
    if (!answer.data) return;
    effect = answer.data;
    before ??= answer.data;
  }

  async function keep(text = JSON.stringify(editing.file), words = 'Kept.') {
    const old = kept;
    if (!old) return;
    const answer = await api.PUT('/api/tanks/{id}/make-up', {
      params: params(),
      body: { version: old.version, file: text },
    });
    if (!answer.data) {
      editing.problem = answer.error ?? null;
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not kept.' });
      return;
    }
    take(answer.data);
    void loadTanks();
    show({
      kind: 'done',
      text: words,
      action: { label: 'Undo', run: () => void keep(old.file, 'As it was before.') },
    });
  }

  async function keepRoom(site: string) {
    await api.PUT('/api/tanks/{id}/site', { params: params(), body: { site } });
    if (kept) kept = { ...kept, site };
    void loadTanks();
  }
</script>

<svelte:head><title>{name}, make-up · Umberline</title></svelte:head>

{#if kept}
  <div
    class="grid min-h-0 flex-1 grid-cols-1 gap-x-10 px-4 sm:px-10 lg:grid-cols-[minmax(0,1fr)_19rem] lg:overflow-y-auto"
  >
    <div class="min-w-0 pb-8" data-testid="make-up">
      <h1 class="pt-4 font-serif text-2xl sm:text-3xl">
        What <Blank
          blank={{ label: 'name of the tank', kind: 'text' }}
          name="name"
          value={editing.at(['tank', 'name'])}
          was={editing.was(['tank', 'name'])}
          problem={editing.problemAt(['tank', 'name'])}
          today={editing.today}
          onchange={(value) => editing.set(['tank', 'name'], value)}
        /> is
      </h1>
      <p class="text-neutral text-sm">
        Change anything underlined. Dotted is the usual value, or unknown: nobody has said it.
      </p>
      {#each parts.all.filter((one) => drawn(one.number) > 0) as group (group.title)}
        <details
          open
          class="border-base-content/30 mt-3 border-t pt-1 sm:grid sm:grid-cols-[7.5rem_minmax(0,1fr)] sm:gap-x-6"
          aria-label={group.title}
        >
          <summary
            class="text-neutral min-h-11 cursor-pointer list-none pt-1.5 font-serif text-base font-semibold sm:min-h-0"
            >{group.title}</summary
          >
          <div class="font-serif text-lg leading-[2.75rem] sm:leading-8">
            {#each group.told as told (told.words)}
              <p><Told base={told.base} words={told.words} /></p>
            {/each}
            {#if group.number === 0}
              <p>
                Its room is <Blank
                  blank={{ label: 'room', kind: 'text', empty: 'not named' }}
                  name="site"
                  value={kept.site}
                  today={editing.today}
                  onchange={(value) => void keepRoom(String(value ?? ''))}
                />.
                <Button
                  dense
                  class="text-neutral font-sans text-sm"
                  onclick={() => (helping = !helping)}
                  data-testid="help-volume"
                  >{helping ? 'I know the volume' : 'measure the volume'}</Button
                >
              </p>
              {#if helping}
                <div class="font-sans text-sm leading-6">
                  <VolumeHelp
                    {tank}
                    temperatureC={Number(editing.at(['tank', 'temperatureC']) ?? 25)}
                    onvolume={(litres) => {
                      editing.set(['tank', 'netVolumeL'], litres);
                      helping = false;
                    }}
                  />
                </div>
              {/if}
            {/if}
            {#each group.lists as one (one.key)}
              <Entries
                key={one.key}
                add={one.add}
                heading={one.heading}
                {paper}
                drawn={drawn(one.first)}
              />
            {/each}
            {#if group.title === 'Your limits'}
              <Label class="flex-wrap font-sans text-sm">
                I change water
                <Select
                  class="max-w-full"
                  value={stance}
                  onchange={(event) => editing.set(['tank', 'stance'], event.currentTarget.value)}
                  data-testid="stance"
                >
                  {#each STANCES as [term, words] (term)}<option value={term}>{words}</option
                    >{/each}
                </Select>
              </Label>
            {/if}
          </div>
        </details>
      {/each}
      {#if drawn(parts.total) > 0}
        <div class="text-sm">
          <Sharing {tank} room={kept.site} />
          {#if may(tank, 'CO_KEEPER')}<PutAway {tank} {name} />{/if}
        </div>
      {/if}
    </div>
    {#if drawn(parts.total + 1) > 0}
      <aside
        class="bg-base-100 border-base-content sticky bottom-[calc(3.25rem+1px+env(safe-area-inset-bottom))] border-t py-3 sm:bottom-0 text-sm lg:top-0 lg:self-start lg:border-t-0 lg:border-l lg:pt-5 lg:pl-6"
        aria-label="What it comes to"
        data-testid="effect"
      >
        {#if editing.problem}
          <div role="alert" data-testid="make-up-problem">
            <p class="text-error font-semibold">
              {editing.problem.fields?.length
                ? 'Something in it can’t be; it is marked where it stands.'
                : editing.problem.detail}
            </p>
            {#each editing.problemsAtLarge as text (text)}<p>{text}</p>{/each}
          </div>
        {:else if effect}
          <Effect {effect} {before} {stale} today={editing.today} />
        {:else}
          <p class="text-neutral" role="status">Working out what it comes to…</p>
        {/if}
        {#if editing.isChanged && !may(tank, 'CO_KEEPER')}
          <p class="text-neutral mt-3">You may try things here; keeping them is for its keepers.</p>
        {:else if editing.isChanged}
          <p class="mt-3 flex items-center gap-5">
            <Button
              kind="main"
              disabled={editing.problem !== null}
              onclick={() => keep()}
              data-testid="keep-make-up">Keep this</Button
            >
            <Button onclick={() => kept && take(kept)}>Put back</Button>
          </p>
        {/if}
      </aside>
    {/if}
  </div>
{:else if missing}
  <p class="px-10 pt-8 font-serif text-xl" role="alert">{missing}</p>
{:else}
  <NotYet alone words="Opening the make-up…" {tank} />
{/if}
