<script lang="ts">
  import { api, type Schemas } from '../../api/client';

  import { numberOf } from '../../lib/numbers';
  import { figure, fromShown, labelOf } from '../../lib/units.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';

  let { tank, litres }: { tank: string; litres: number } = $props();
  let measured = $state('');
  let salt = $state.raw<Schemas['Salt'] | null>(null);

  async function ask() {
    const shown = numberOf(measured);
    if (shown === undefined) {
      salt = null;
      return;
    }
    const body = { litres, measuredPpt: fromShown('salinity', shown) };
    const answer = await api.POST('/api/tanks/{id}/run-sheet/salt', {
      params: { path: { id: tank } },
      body,
    });
    salt = answer.data ?? null;
  }
</script>

<p class="flex flex-wrap items-center gap-x-3 pl-9 text-sm">
  <Label
    >It measures
    <Input
      class="w-20 text-center"
      inputmode="decimal"
      bind:value={measured}
      oninput={() => void ask()}
      data-testid="measured-salinity"
    />
    {labelOf('salinity')}</Label
  >
  {#if salt}
    <span aria-live="polite" data-testid="salt-more">
      {#if salt.saltG >= 1}Add {Math.round(salt.saltG)} g of salt more.
      {:else if salt.pureL >= 0.05}Add {figure(salt.pureL, 'L')} of pure water.
      {:else}That is right.{/if}
    </span>
  {/if}
</p>
