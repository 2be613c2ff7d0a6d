<script lang="ts">
  import type { Outlook, Pictured } from '../../../api/client';
  import { shortDay } from '../../../lib/words';
  import { labelOf, level } from '../../../lib/units.svelte';
  import Button from '../../../ui/Button.svelte';

  let { balance, outlook }: { balance: Pictured; outlook: Outlook } = $props();
  let dialog: HTMLDialogElement;
  let open = $state(false);
  let tests = $derived(
    (['nitrate', 'phosphate'] as const)
      .flatMap((name) => balance.past[name].tests.map((test) => ({ name, ...test })))
      .sort((a, b) => b.at.localeCompare(a.at)),
  );
  let weeks = $derived(
    outlook.nitrate.days
      .map((nitrate, i) => ({ nitrate, phosphate: outlook.phosphate.days[i] }))
      .filter((_, i) => i % 7 === 6),
  );
</script>

<Button
  dense
  class="text-neutral"
  onclick={() => {
    open = true;
    dialog.showModal();
  }}>as a table</Button
>
<dialog
  bind:this={dialog}
  onclose={() => (open = false)}
  class="bg-base-100 text-base-content border-base-content m-auto max-h-[85dvh] w-[min(44rem,94vw)] overflow-auto rounded-box border p-5 text-sm"
>
  <form method="dialog" class="float-right"><Button>Close</Button></form>
  {#if open}
    <table class="w-full text-left">
      <caption class="pb-1 text-left font-serif text-lg">The weeks ahead</caption>
      <thead
        ><tr
          ><th scope="col">end of</th><th scope="col">nitrate, {labelOf('nitrate')}</th><th
            scope="col">phosphate, {labelOf('phosphate')}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each weeks as week (week.nitrate.on)}
          <tr class="border-base-300 border-t">
            <th scope="row" class="font-normal">{shortDay(week.nitrate.on)}</th>
            <td
              >{level('nitrate', week.nitrate.p50)} ({level('nitrate', week.nitrate.p10)} to {level(
                'nitrate',
                week.nitrate.p90,
              )})</td
            >
            <td>
              {#if week.phosphate}{level('phosphate', week.phosphate.p50)} ({level(
                  'phosphate',
                  week.phosphate.p10,
                )} to {level('phosphate', week.phosphate.p90)}){/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    <table class="mt-5 w-full text-left">
      <caption class="pb-1 text-left font-serif text-lg">Tests, newest first</caption>
      <thead
        ><tr
          ><th scope="col">day</th><th scope="col">what</th><th scope="col">read</th><th scope="col"
            >means</th
          ><th scope="col">modelled</th></tr
        ></thead
      >
      <tbody>
        {#each tests as test, i (i)}
          <tr class="border-base-300 border-t">
            <th scope="row" class="font-normal">{shortDay(test.at.slice(0, 10))}</th>
            <td>{test.name}</td>
            <td
              >{test.use === 'below' ? '<' : test.use === 'above' ? '>' : ''}{test.value}
              {test.unit}</td
            >
            <td
              >{level(test.name, test.lowMgL)} to {test.highMgL === undefined
                ? 'more'
                : level(test.name, test.highMgL)}</td
            >
            <td>{level(test.name, test.modelledMgL)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</dialog>
