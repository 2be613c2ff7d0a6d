<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../api/client';
  import { numberOf } from '../lib/numbers';
  import { note } from '../lib/outbox.svelte';
  import { said } from '../lib/said';
  import { show } from '../lib/toast.svelte';
  import { longDay, ownDay } from '../lib/words';
  import Button from '../ui/Button.svelte';
  import DayField from '../ui/DayField.svelte';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';

  const TODAY = ownDay(new Date().toISOString());
  let { tank, onsaved }: { tank: Schemas['BenchTank']; onsaved: () => void } = $props();
  let care = $state<Schemas['Care'] | null>(null);
  let problem = $state('');
  let kits = $derived([...new Set(tank.tests.map((test) => test.kit).filter((kit) => !!kit))]);

  /** What each kit read on its standard, as typed. */
  let checks = $state<Record<string, { on?: string; standard: string; read: string }>>({});
  let choice = $state.raw<Schemas['Said'][][]>([]);

  onMount(async () => {
    void tellKits();
    const answer = await api.GET('/api/tanks/{id}/care', { params: { path: { id: tank.id } } });
    care = answer.data ?? null;
    for (const kit of kits) {
      if (care && kit && !care.shelf.some((one) => one.kit === kit))
        care.shelf.push({ kit, steps: '' });
    }
    for (const { kit, check } of care?.shelf ?? [])
      checks[kit] = {
        on: check?.on,
        standard: check ? String(check.standard) : '',
        read: check ? String(check.read) : '',
      };
  });

  async function tellKits() {
    const params = { path: { id: tank.id } };
    choice = (await api.GET('/api/tanks/{id}/bench/kits', { params })).data ?? [];
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    if (!care) return;
    const kept = $state.snapshot(care);
    const body = {
      ...kept,
      offered: undefined,
      shelf: kept.shelf.map((one) => ({
        kit: one.kit,
        openedOn: one.openedOn || undefined,
        expiresOn: one.expiresOn || undefined,
        testsLeft: one.testsLeft ?? undefined,
        minutes: one.minutes ?? undefined,
        check: checkOf(checks[one.kit]),
        steps: one.steps,
      })),
    };
    const answer = await api.PUT('/api/tanks/{id}/care', {
      params: { path: { id: tank.id } },
      body,
    });
    if (answer.data) onsaved();
    else problem = answer.error?.detail ?? 'That was not saved.';
  }

  /** Nothing where nothing was typed; what is missing the answer names. */
  function checkOf(typed: { on?: string; standard: string; read: string } | undefined) {
    if (!typed || (!typed.standard.trim() && !typed.read.trim())) return undefined;
    return {
      on: typed.on ?? ownDay(new Date().toISOString()),
      standard: numberOf(typed.standard) as number,
      read: numberOf(typed.read) as number,
    };
  }

  async function calibrated() {
    const sent = await note({
      id: crypto.randomUUID(),
      tank: tank.id,
      text: 'did calibration',
      at: new Date().toISOString(),
    });
    if ('recorded' in sent) show({ kind: 'done', text: `${tank.name}: meters calibrated.` });
    onsaved();
  }
</script>

<h3 class="font-serif text-lg">{tank.name}</h3>
<div data-testid="kit-choice">
  {#each choice as words, i (i)}<p class="py-0.5">{said(words, TODAY)}</p>{/each}
</div>
{#if care}
  <form onsubmit={save} data-testid="shelf">
    {#each care.shelf as kit (kit.kit)}
      <fieldset class="border-base-300 flex flex-wrap gap-x-5 border-b py-2">
        <legend class="float-left w-32 font-semibold">{kit.kit}</legend>
        <Label>opened <DayField bind:value={kit.openedOn} today={TODAY} /></Label>
        <Label>expires <DayField bind:value={kit.expiresOn} today={TODAY} toCome /></Label>
        <Label
          >tests left
          <Input type="number" min="0" class="w-16 text-center" bind:value={kit.testsLeft} /></Label
        >
        <Label
          >waits
          <Input
            type="number"
            min="0"
            step="0.5"
            class="w-16 text-center"
            bind:value={kit.minutes}
          /> min</Label
        >
        {#if checks[kit.kit]}
          {@const check = checks[kit.kit]!}
          <span class="flex w-full flex-wrap items-center gap-x-2">
            <Label>checked on a standard <DayField bind:value={check.on} today={TODAY} /></Label>
            <Label
              >that holds
              <Input
                inputmode="decimal"
                class="w-16 text-center"
                bind:value={check.standard}
              /></Label
            >
            <Label
              >and read
              <Input inputmode="decimal" class="w-16 text-center" bind:value={check.read} />
              {tank.tests.find((one) => one.kit === kit.kit)?.unit ?? ''}</Label
            >
            {#if kit.check}
              <span class="text-neutral">again by {longDay(kit.check.dueOn, tank.today)}</span>
            {/if}
          </span>
        {/if}
        <label class="w-full"
          >what its leaflet says, a line a step, a wait as (5 min)
          <textarea
            class="border-base-content/40 mt-1 block h-20 w-full border bg-transparent p-1"
            maxlength="2000"
            bind:value={kit.steps}></textarea></label
        >
      </fieldset>
    {/each}
    {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
    <Button kind="main" class="mt-3">Save</Button>
  </form>
{/if}
<h3 class="mt-5 font-serif text-lg">Calibration of the meters</h3>
<ul>
  {#each tank.calibrated as day (day)}
    <li>{longDay(day, tank.today)}</li>
  {:else}
    <li class="text-neutral">Never noted.</li>
  {/each}
</ul>
<Button onclick={calibrated}>Calibrated today</Button>
