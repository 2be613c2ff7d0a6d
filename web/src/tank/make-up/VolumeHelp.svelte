<script lang="ts">
  import { api, type Schemas } from '../../api/client';

  import { volume } from '../../lib/units.svelte';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';

  /** Roads to the water that is really in the tank. */
  let {
    tank = '',
    temperatureC,
    onvolume,
  }: { tank?: string; temperatureC: number; onvolume: (litres: number) => void } = $props();

  const ROADS = ['by measures', 'by salt', 'by a marker', 'by past changes'] as const;
  let road = $state<(typeof ROADS)[number]>('by measures');
  let box = $state({ lengthCm: 80, widthCm: 35, waterHeightCm: 38, displaced: 10, sumpL: 0 });
  let salt = $state({ saltG: 0, beforePpt: 0, afterPpt: 1 });
  let marker = $state({ mg: 0, beforeMgL: 0, afterMgL: 1 });
  let litres = $state<number | null>(null);
  let problem = $state('');
  let implied = $state.raw<Schemas['ImpliedVolume'] | null>(null);

  async function lookBack() {
    road = 'by past changes';
    const answer = await api.GET('/api/tanks/{id}/implied-volume', {
      params: { path: { id: tank } },
    });
    implied = answer.data ?? null;
  }

  async function work() {
    problem = '';
    const answer =
      road === 'by measures'
        ? await api.POST('/api/volume/box', {
            body: {
              lengthCm: box.lengthCm,
              widthCm: box.widthCm,
              waterHeightCm: box.waterHeightCm,
              displacedShare: box.displaced / 100,
              sumpL: box.sumpL,
            },
          })
        : road === 'by salt'
          ? await api.POST('/api/volume/salt', { body: { ...salt, temperatureC } })
          : await api.POST('/api/volume/marker', { body: marker });
    litres = answer.data?.value ?? null;
    if (!answer.data)
      problem = answer.error?.fields?.[0]?.found ?? answer.error?.detail ?? 'That can’t be.';
  }
</script>

{#snippet number(label: string, unit: string, get: () => number, set: (value: number) => void)}
  <Label dense>
    <span class="text-neutral w-40">{label}</span>
    <Input dense class="w-20 text-right" type="number" step="any" bind:value={get, set} />
    <span class="text-neutral text-xs">{unit}</span>
  </Label>
{/snippet}

<!-- no form of its own: it also stands in the talk's, which Enter would send -->
<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<div
  class="border-primary border-l-2 pl-4"
  role="group"
  aria-label="finding the net volume"
  onkeydown={(event) => {
    if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
    event.preventDefault();
    void work();
  }}
  data-testid="volume-help"
>
  <div role="group" aria-label="how to find the volume" class="flex gap-4">
    {#each ROADS.filter((one) => tank || one !== 'by past changes') as name (name)}
      <button
        type="button"
        class="min-h-11 sm:min-h-7"
        class:font-bold={road === name}
        class:underline={road === name}
        aria-pressed={road === name}
        onclick={() => (name === 'by past changes' ? void lookBack() : (road = name))}
        >{name}</button
      >
    {/each}
  </div>
  {#if road === 'by measures'}
    {@render number(
      'inside length',
      'cm',
      () => box.lengthCm,
      (v) => (box.lengthCm = v),
    )}
    {@render number(
      'inside width',
      'cm',
      () => box.widthCm,
      (v) => (box.widthCm = v),
    )}
    {@render number(
      'height of the water',
      'cm',
      () => box.waterHeightCm,
      (v) => (box.waterHeightCm = v),
    )}
    {@render number(
      'stones, sand, gear',
      '% of it',
      () => box.displaced,
      (v) => (box.displaced = v),
    )}
    {@render number(
      'in the sump, running',
      'L',
      () => box.sumpL,
      (v) => (box.sumpL = v),
    )}
  {:else if road === 'by salt'}
    <p class="text-neutral">
      Weigh the salt, measure before and when it is mixed in. At most 1 ppt a day.
    </p>
    {@render number(
      'salt put in',
      'g',
      () => salt.saltG,
      (v) => (salt.saltG = v),
    )}
    {@render number(
      'salinity before',
      'ppt',
      () => salt.beforePpt,
      (v) => (salt.beforePpt = v),
    )}
    {@render number(
      'salinity after',
      'ppt',
      () => salt.afterPpt,
      (v) => (salt.afterPpt = v),
    )}
  {:else if road === 'by past changes'}
    <p data-testid="implied-volume">
      {#if implied?.low !== undefined}
        By {implied.agreeing} of {implied.changes} changes with a test on either side it is
        {implied.high === undefined
          ? `${volume(implied.low)} or more`
          : `between ${volume(implied.low)} and ${volume(implied.high)}`}. Wide, because every kit
        and reader has its error: measure where you can.
      {:else if implied}
        No change has a test near it on either side yet. Test before one and the day after.
      {:else}
        Looking back…
      {/if}
    </p>
  {:else}
    <p class="text-neutral">
      Anything harmless that stays dissolved and can be measured: a dye for tanks, nitrate from a
      dose.
    </p>
    {@render number(
      'put in',
      'mg',
      () => marker.mg,
      (v) => (marker.mg = v),
    )}
    {@render number(
      'before',
      'mg/L',
      () => marker.beforeMgL,
      (v) => (marker.beforeMgL = v),
    )}
    {@render number(
      'after',
      'mg/L',
      () => marker.afterMgL,
      (v) => (marker.afterMgL = v),
    )}
  {/if}
  <p class="flex flex-wrap items-center gap-4">
    {#if road !== 'by past changes'}
      <Button type="button" dense onclick={() => void work()}>Work it out</Button>
    {/if}
    {#if litres !== null}
      <strong data-testid="volume-found">{volume(litres)}</strong>
      <Button type="button" dense onclick={() => onvolume(litres ?? 0)} data-testid="volume-take"
        >Take it</Button
      >
    {/if}
  </p>
  {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
</div>
