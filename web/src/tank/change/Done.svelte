<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { numberOf } from '../../lib/numbers';
  import { fromShown, labelOf, toShown } from '../../lib/units.svelte';
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';

  let {
    sheet,
    left,
    onfinish,
  }: { sheet: Schemas['RunSheet']; left: number; onfinish: (text: string) => void } = $props();

  // svelte-ignore state_referenced_locally
  let litres = $state(String(Number(toShown('volume', sheet.litres).toPrecision(3))));
  // svelte-ignore state_referenced_locally
  let siphoned = $state(sheet.bed !== undefined);
  let remark = $state('');

  let amount = $derived(fromShown('volume', numberOf(litres) ?? 0));
  let good = $derived(amount > 0 && amount <= sheet.netVolumeL);

  function finish() {
    const water = sheet.water.map((part) => `"${part.water}" ${100 * part.share}%`).join(' ');
    const bed = siphoned && sheet.bed ? ' siphon half' : '';
    const note = remark.trim() ? ` # ${remark.trim()}` : '';
    onfinish(`change ${amount} L ${water || 'pure'}${bed}${note}`);
  }
</script>

<form
  class="flex flex-wrap items-center gap-x-6 gap-y-1"
  onsubmit={(event) => {
    event.preventDefault();
    finish();
  }}
>
  <h2 class="w-full font-serif text-lg">What was really done</h2>
  <Label
    >Changed
    <Input
      class="w-20 text-center"
      inputmode="decimal"
      bind:value={litres}
      data-testid="done-litres"
    />
    {labelOf('volume')}</Label
  >
  {#if sheet.bed}
    <Check bind:checked={siphoned}>the {sheet.bed} half of the bed siphoned</Check>
  {/if}
  <Label class="flex-1 basis-60"
    >Remark
    <Input class="w-full" bind:value={remark} maxlength={200} /></Label
  >
  {#if !good}<p class="text-error w-full text-sm">
      Over 0 to {toShown('volume', sheet.netVolumeL).toPrecision(3)}
      {labelOf('volume')} can be changed.
    </p>{/if}
  <Button kind="main" disabled={!good} data-testid="change-done"
    >{left > 0 ? `Done, ${left} steps unticked` : 'Done'}</Button
  >
</form>
