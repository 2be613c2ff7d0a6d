<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Problem, type Schemas } from '../api/client';
  import { Latest } from '../lib/latest';
  import { goTo } from '../lib/place.svelte';
  import { loadTanks } from '../lib/tanks.svelte';
  import { drawn, volume } from '../lib/units.svelte';
  import Button from '../ui/Button.svelte';
  import Preview from './Preview.svelte';
  import Question from './Question.svelte';
  import { QUESTIONS, toldSoFar } from './questions';
  import { changeWaterOf, figureOf, forgetTalk, keepTalk, keptTalk, toldTank } from './talk';

  /** A new tank in a short talk; what nobody answered is assumed, and said to be. */
  const ASK_AFTER_MS = 400;
  const asking = new Latest();
  const id = crypto.randomUUID();
  let lists = $state.raw<Schemas['Lists'] | null>(null);
  let answers = $state(keptTalk());
  let at = $state(0);
  let seen = $state.raw<Schemas['NewTank'] | null>(null);
  let stale = $state(false);
  let problem = $state.raw<Problem | null>(null);
  let missing = $state('');
  let busy = $state(false);
  let heading = $state<HTMLHeadingElement>();
  let timer: ReturnType<typeof setTimeout> | undefined;

  onMount(() => {
    void api.GET('/api/lists').then((answer) => (lists = answer.data ?? null));
    return () => {
      clearTimeout(timer);
      asking.giveUp();
    };
  });

  let question = $derived(QUESTIONS[at] ?? QUESTIONS[0]);
  let water = $derived(lists ? changeWaterOf(answers, lists) : '');
  let told = $derived(toldSoFar(answers, water, volume));
  let tank = $derived(
    lists ? toldTank(answers, lists, Intl.DateTimeFormat().resolvedOptions().timeZone) : undefined,
  );
  let tested = $derived(answers.nitrate !== undefined);

  let assumed = $derived(
    [
      tested ? '' : 'what is in the water today',
      answers.percent === undefined ? 'that you change no water' : '',
      lists && answers.percent && answers.changeWaterNitrate === undefined
        ? `nitrate of the ${water}: ${drawn('nitrate', figureOf(lists.changeWaters, water, 'nitrate') ?? 0)}`
        : '',
      answers.portion ? `what ${answers.portion} weighs` : 'that nothing is fed',
    ].filter(Boolean),
  );

  // each answer shows what it does, once there is water and something that goes in
  $effect(() => {
    const body = tank;
    keepTalk(answers);
    if (!body?.portion) return;
    stale = true;
    clearTimeout(timer);
    timer = setTimeout(() => void look(body), ASK_AFTER_MS);
  });

  async function look(body: Schemas['ToldTank']) {
    const answer = await asking.ask((signal) => api.POST('/api/new-tank', { body, signal }));
    if (!answer) return;
    stale = false;
    if (answer.data) seen = answer.data;
  }

  function show(index: number) {
    at = index;
    heading?.focus();
  }

  function next(event: SubmitEvent) {
    event.preventDefault();
    missing = '';
    if (question.key === 'tank' && !answers.litres)
      missing = 'How much water it holds must be known, at least roughly.';
    else if (at < QUESTIONS.length - 1) show(at + 1);
    else void start();
  }

  async function start() {
    if (!tank) {
      show(0);
      missing = 'How much water it holds must be known, at least roughly.';
      return;
    }
    busy = true;
    problem = null;
    const made = await api.POST('/api/new-tank', { body: tank });
    const answer = made.data
      ? await api.POST('/api/tanks', { body: { id, file: made.data.file } })
      : made;
    busy = false;
    if (answer.error) {
      problem = answer.error;
      return;
    }
    forgetTalk();
    void loadTanks();
    goTo(`/tank/${id}`);
  }
</script>

<svelte:head><title>A new tank · Umberline</title></svelte:head>

<div
  class="grid min-h-0 flex-1 grid-rows-[auto_1fr] lg:grid-cols-[1fr_26rem] lg:grid-rows-1 lg:overflow-y-auto"
>
  <form
    class="px-4 pt-6 pb-8 sm:px-10 lg:px-[5.75rem]"
    onsubmit={next}
    data-testid="new-tank-form"
    novalidate
  >
    {#if told.length > 0}
      <p class="mb-4 font-serif text-lg leading-8 sm:text-xl" data-testid="told">
        {#each told as part, i (part.question)}{i > 0 ? ' ' : ''}<span class="whitespace-nowrap"
            ><button
              type="button"
              class="decoration-primary inline text-left font-semibold whitespace-normal underline decoration-2 underline-offset-4"
              onclick={() => show(QUESTIONS.findIndex((one) => one.key === part.question))}
              >{part.words}</button
            >{i < told.length - 1 ? ';' : '.'}</span
          >{/each}
      </p>
    {/if}
    <h1
      bind:this={heading}
      tabindex="-1"
      class="font-serif text-3xl leading-tight outline-none sm:text-4xl"
    >
      {question.asks}
    </h1>
    <div class="mt-4">
      {#if lists}<Question key={question.key} {answers} {lists} />{/if}
    </div>
    {#if missing}<p class="text-error mt-3" role="alert">{missing}</p>{/if}
    {#if problem}
      <div role="alert" class="border-error mt-3 border-l-2 pl-3">
        <p class="text-error font-semibold">{problem.detail}</p>
        {#each problem.fields ?? [] as one (one.field)}
          <p>{one.found} was told; allowed is {one.allowed}.</p>
        {/each}
      </div>
    {/if}
    <p class="mt-8 flex flex-wrap items-center gap-x-6 gap-y-2">
      <Button kind="main" disabled={busy} data-testid="next-question"
        >{question.next ? `Next: ${question.next}` : 'Start this tank'}</Button
      >
      {#if at > 0}<Button type="button" onclick={() => show(at - 1)}>Back</Button>{/if}
      {#if answers.litres && question.next}
        <Button type="button" disabled={busy} onclick={() => void start()} data-testid="start-tank"
          >That’s all I know</Button
        >
      {/if}
      <span class="text-neutral">{at + 1} of {QUESTIONS.length}</span>
    </p>
    <p class="text-neutral mt-8 max-w-prose text-sm">
      Nothing here is final. What you leave open is assumed, and marked so until you or your tests
      say otherwise.
    </p>
  </form>
  <aside
    class="border-base-content border-t px-4 py-6 sm:px-10 lg:border-t-0 lg:border-l lg:px-8 lg:pt-8"
    aria-label="What it comes to so far"
  >
    {#if seen?.preview}
      <Preview preview={seen.preview} {tested} {assumed} {stale} />
    {:else}
      <p class="text-neutral max-w-prose">
        As you answer, what the water will do is drawn here. Three minutes are enough.
      </p>
    {/if}
  </aside>
</div>
