<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../../api/client';
  import { note } from '../../lib/outbox.svelte';
  import { said } from '../../lib/said';
  import { may, tanks } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import { dayAndMonth, dayStart, ownDay, shortDay } from '../../lib/words';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';
  import NotYet from '../../rounds/NotYet.svelte';
  import { OWN, askedOf } from './asking';

  /** One change at a time: what it should do, whether the kit can show it, what it did. */
  let { tank }: { tank: string } = $props();

  const AFTER_TYPING_MS = 300;
  let trials = $state.raw<Schemas['Trials'] | null>(null);
  let plan = $state.raw<Schemas['TrialPlanned'] | null>(null);
  let problem = $state('');
  let choice = $state(OWN);
  let own = $state('');
  let analyte = $state('nitrate');
  let days = $state('28');
  let begun = $state(false);
  let name = $derived(tanks.all.find((one) => one.id === tank)?.name ?? '');
  const today = ownDay(new Date().toISOString());
  const day = (date: string) => dayAndMonth(dayStart(date));

  onMount(async () => {
    await load();
    choice = trials?.options[0] ? '0' : OWN;
    void ask();
  });

  async function load() {
    const answer = await api.GET('/api/tanks/{id}/trials', { params: { path: { id: tank } } });
    if (answer.data) trials = answer.data;
    else problem = answer.error?.detail ?? 'Trials can’t be reached now.';
  }

  let later: ReturnType<typeof setTimeout> | undefined;
  function afterTyping() {
    clearTimeout(later);
    later = setTimeout(() => void ask(), AFTER_TYPING_MS);
  }

  /** An answer to an earlier question is not shown. */
  let question = 0;
  async function ask() {
    const mine = ++question;
    const body = askedOf(choice, own, analyte, days);
    begun = false;
    if (!body) {
      plan = null;
      return;
    }
    const answer = await api.POST('/api/tanks/{id}/trials/plan', {
      params: { path: { id: tank } },
      body,
    });
    if (mine !== question) return;
    plan = answer.data ?? null;
    problem = answer.error
      ? (answer.error.fields?.map((field) => field.allowed).join('; ') ??
        answer.error.detail ??
        'That can’t be worked out.')
      : '';
  }

  /** What another tank says of a trial, by the trial. */
  let beside = $state.raw<Record<string, { tank: string; words?: Schemas['Said'][] }>>({});
  let others = $derived(tanks.all.filter((one) => one.id !== tank));

  async function compare(one: Schemas['TrialDone'], other: string) {
    const key = one.begun + one.what;
    beside = { ...beside, [key]: { tank: other } };
    if (!other) return;
    const answer = await api.POST('/api/tanks/{id}/trials/beside', {
      params: { path: { id: tank } },
      body: { begun: one.begun, what: one.what, tank: other },
    });
    if (beside[key]?.tank !== other) return;
    const words = answer.data?.words ?? [
      { text: answer.error?.detail ?? 'That can’t be worked out.' },
    ];
    beside = { ...beside, [key]: { tank: other, words } };
  }

  async function begin() {
    if (!plan) return;
    const id = crypto.randomUUID();
    const sent = await note({ id, tank, text: plan.line, at: new Date().toISOString() });
    if ('refused' in sent) show({ kind: 'problem', text: sent.refused });
    else {
      begun = true;
      show({ kind: 'done', text: `Noted: ${sent.recorded.understood.join('; ')}.` });
      await load();
    }
  }
</script>

<svelte:head><title>Trials · {name} · Umberline</title></svelte:head>

<div class="w-full max-w-[1280px] px-4 pt-4 pb-10 sm:px-10 lg:min-h-0 lg:overflow-y-auto">
  {#if trials}
    <h1 class="font-serif text-2xl sm:text-3xl">Trials in {name}</h1>
    <p class="text-neutral text-sm">Change one thing, and see what it does.</p>
    <p
      class="mt-4 flex max-w-4xl flex-wrap items-center gap-x-2 font-serif text-lg"
      data-testid="trial-asked"
    >
      I want to
      <Select
        class="font-serif"
        aria-label="what is tried"
        bind:value={choice}
        onchange={() => void ask()}
      >
        {#each trials.options as one (one.option)}<option value={String(one.option)}
            >{one.words}</option
          >{/each}
        <option value={OWN}>something else…</option>
      </Select>
      {#if choice === OWN}
        <Input
          class="w-56"
          maxlength={100}
          placeholder="such as: two hours less light"
          aria-label="what is done otherwise"
          bind:value={own}
          oninput={afterTyping}
        />
      {/if}
      and see what
      <Select
        class="font-serif"
        aria-label="which test shows it"
        bind:value={analyte}
        onchange={() => void ask()}
      >
        <option value="nitrate">nitrate</option>
        <option value="phosphate">phosphate</option>
      </Select>
      does in
      <Input
        class="w-[4rem] text-center"
        inputmode="numeric"
        aria-label="days"
        bind:value={days}
        oninput={afterTyping}
      /> days.
    </p>
    {#if problem}<p class="mt-3" role="alert">{problem}</p>{/if}
    {#if plan}
      <div class="border-base-300 mt-4 border-t pt-3" data-testid="trial-plan">
        <p class="text-lg font-bold">{said(plan.expected, today)}</p>
        <p class="mt-1">{said(plan.power, today)}</p>
        <div class="mt-3 grid gap-x-12 gap-y-3 text-sm sm:grid-cols-2">
          <div>
            <h2 class="font-serif text-lg">Test on</h2>
            <p>
              {#each plan.occasions as on, i (on)}{i > 0 ? ' · ' : ''}{shortDay(
                  on,
                )}{/each}{plan.readings > 1 ? `; ${plan.readings} readings each` : ''}
            </p>
          </div>
          <ul class="list-disc pl-5">
            {#each trials.rules as words, i (i)}<li>{said(words, today)}</li>{/each}
          </ul>
        </div>
        {#if may(tank, 'HELPER')}
          <p class="mt-3">
            <Button
              kind={plan.shows ? 'main' : undefined}
              disabled={begun}
              onclick={() => void begin()}
              >{begun ? 'Begun' : plan.shows ? 'Begin this trial' : 'Begin it anyway'}</Button
            >
          </p>
        {/if}
      </div>
    {:else if !problem}
      <p class="text-neutral mt-4 text-sm">Fill the blanks.</p>
    {/if}
    <h2 class="mt-6 font-serif text-xl">Trials so far</h2>
    {#if trials.trials.length === 0}
      <p class="text-neutral text-sm">
        None yet. Whoever changes two things at once never knows which of them it was.
      </p>
    {/if}
    <ol data-testid="trials">
      {#each trials.trials as one (one.begun + one.what)}
        <li class="border-base-300 border-t py-2">
          <p>
            <strong>{one.what}</strong>
            <span class="text-neutral text-sm"
              >{day(one.begun)} to {day(one.ends)}{one.over ? '' : ', still running'}</span
            >
          </p>
          <p>{said(one.verdict, today)}</p>
          {#if one.others.length > 0}
            <p class="text-sm">
              <span class="text-neutral">Meanwhile, which may have done it too:</span>
              {#each one.others as event, i (i)}{i > 0 ? '; ' : ''}{day(event.on)}
                {said(event.text, today)}{/each}.
            </p>
          {/if}
          {#if others.length > 0}
            <p class="text-sm" aria-live="polite">
              <Label
                >beside
                <Select
                  value={beside[one.begun + one.what]?.tank ?? ''}
                  onchange={(event) => void compare(one, event.currentTarget.value)}
                >
                  <option value="">another tank…</option>
                  {#each others as other (other.id)}<option value={other.id}>{other.name}</option
                    >{/each}
                </Select></Label
              >
              {#if beside[one.begun + one.what]?.words}
                {said(beside[one.begun + one.what]?.words ?? [], today)}
              {:else if beside[one.begun + one.what]?.tank}
                <span role="status">Comparing the two…</span>
              {/if}
            </p>
          {/if}
        </li>
      {/each}
    </ol>
  {:else if problem}
    <p class="pt-8 font-serif text-xl" role="alert">{problem}</p>
  {:else}
    <NotYet words="Looking at what was tried…" {tank} />
  {/if}
</div>
