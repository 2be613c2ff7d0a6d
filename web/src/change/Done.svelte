<script lang="ts">
  import type { Schemas } from '../api/client';
  import { fromShown, labelOf, toShown } from '../lib/units.svelte';

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

  let amount = $derived(fromShown('volume', Number(litres.replace(',', '.'))));
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
  <label class="flex min-h-11 items-center gap-2"
    >Changed
    <input
      class="border-base-content/40 min-h-11 w-20 border-b bg-transparent text-center"
      inputmode="decimal"
      bind:value={litres}
      data-testid="done-litres"
    />
    {labelOf('volume')}</label
  >
  {#if sheet.bed}
    <label class="flex min-h-11 items-center gap-2"
      ><input type="checkbox" class="size-6" bind:checked={siphoned} /> the {sheet.bed} half of the bed
      siphoned</label
    >
  {/if}
  <label class="flex min-h-11 flex-1 basis-60 items-center gap-2"
    >Remark
    <input
      class="border-base-content/40 min-h-11 w-full border-b bg-transparent"
      bind:value={remark}
      maxlength="200"
    /></label
  >
  {#if !good}<p class="text-error w-full text-sm">
      Over 0 to {toShown('volume', sheet.netVolumeL).toPrecision(3)}
      {labelOf('volume')} can be changed.
    </p>{/if}
  <button
    class="bg-base-content text-base-100 min-h-11 rounded-field px-5"
    disabled={!good}
    data-testid="change-done">{left > 0 ? `Done, ${left} steps unticked` : 'Done'}</button
  >
</form>
