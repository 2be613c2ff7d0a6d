<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { api, type Schemas } from '../api/client';

  import { volume } from '../lib/units.svelte';
  import { about } from '../lib/words';

  const ASK_EVERY_MS = 5000;
  let feeder = $state.raw<Schemas['Feeder'] | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;

  async function load() {
    feeder = (await api.GET('/api/feeder')).data ?? feeder;
    if (feeder?.known) timer = setTimeout(() => void load(), ASK_EVERY_MS);
  }
  onMount(() => void load());
  onDestroy(() => clearTimeout(timer));
</script>

{#if feeder?.known}
  <p class="text-neutral mt-2 text-sm" data-testid="feeder">
    Feeder and top-off unit:
    {#if feeder.report}
      {feeder.report.portions}
      {feeder.report.portions === 1 ? 'portion' : 'portions'} of {feeder.report.gramsAPortion} g today,
      {about(feeder.report.hopperG)} g in the hopper; about {volume(feeder.report.litres)} let in.
    {:else}
      <span class="text-error"
        >{feeder.trouble} It is asked again by itself; feed by hand meanwhile.</span
      >
    {/if}
  </p>
  {#each feeder.report?.faults ?? [] as fault (fault)}
    <p class="border-error text-error mt-1 border-l-4 pl-3" role="alert" data-testid="feeder-fault">
      {fault}
    </p>
  {/each}
{/if}
