<script lang="ts">
  import { api, type Balance, type Schemas } from '../../../api/client';

  import { numberOf } from '../../../lib/numbers';
  import { fromShown, labelOf, level, volume } from '../../../lib/units.svelte';
  import { percent } from '../../../lib/words';
  import Button from '../../../ui/Button.svelte';
  import Input from '../../../ui/Input.svelte';
  import Select from '../../../ui/Select.svelte';

  let { balance }: { balance: Balance } = $props();

  let nutrient = $state<'nitrate' | 'phosphate'>('nitrate');
  let to = $state('');
  let once = $state.raw<Schemas['OneOff'] | null>(null);
  let refused = $state('');

  async function work(event: SubmitEvent) {
    event.preventDefault();
    const typed = numberOf(to);
    once = null;
    refused = '';
    if (typed === undefined || typed < 0) {
      refused = 'The level must be a number, 0 or more.';
      return;
    }
    const answer = await api.GET('/api/tanks/{id}/one-off', {
      params: {
        path: { id: balance.tank.id },
        query: { nutrient, to: fromShown(nutrient, typed) },
      },
    });
    once = answer.data ?? null;
    refused = answer.error?.detail ?? '';
  }

  const times = (count: number) =>
    count === 1 ? 'one change' : `${count} changes, three days apart,`;
</script>

<form class="flex flex-wrap items-baseline gap-x-2" onsubmit={work}>
  <label
    >Bring
    <Select aria-label="which nutrient" bind:value={nutrient}>
      <option>nitrate</option>
      <option>phosphate</option>
    </Select></label
  >
  <label
    >to
    <Input
      class="w-16 text-right"
      inputmode="decimal"
      aria-label="level to reach"
      aria-invalid={refused !== ''}
      bind:value={to}
    /></label
  >
  <span>{labelOf(nutrient)}</span>
  <Button kind="strong">Work it out</Button>
</form>
{#if refused}<p class="text-error" role="alert">{refused}</p>{/if}
{#if once}
  <p data-testid="one-off" role="status">
    {#if once.fraction === 0}
      It is there already, at about {level(nutrient, once.nowMgL)}.
    {:else if once.fraction !== undefined}
      From about {level(nutrient, once.nowMgL)}: {times(once.changes)} of
      <strong>{percent(once.fraction)}</strong>, {volume(once.litres)}
      {once.changes === 1 ? '' : 'in all'}, {once.buckets}
      {once.buckets === 1 ? 'bucket' : 'buckets'}.
    {:else}
      With your water no number of changes does it: it holds about {level(
        nutrient,
        once.sourceMgL,
      )}, and {level(nutrient, once.bestReachableMgL)} is the best it can come near.
      {#if once.blend}
        With {percent(once.blend.share)}
        {once.blend.water} in it: {times(once.blend.changes)} of
        <strong>{percent(once.blend.fraction)}</strong>.
      {:else}
        Purer water, or a blend with it, would be needed.
      {/if}
    {/if}
  </p>
{/if}
