<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Balance, type Schemas } from '../../../api/client';

  import { said } from '../../../lib/said';
  import { figure } from '../../../lib/units.svelte';
  import { about, longDay, sayDays } from '../../../lib/words';

  let { balance }: { balance: Balance } = $props();
  let working = $state.raw<Schemas['Working'] | null>(null);

  onMount(async () => {
    const answer = await api.GET('/api/tanks/{id}/working', {
      params: { path: { id: balance.tank.id } },
    });
    working = answer.data ?? null;
  });

  const title = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
</script>

<p class="font-serif text-base">{balance.tank.name}, {longDay(balance.tank.today, '')}</p>
{#each [...balance.today.reasons, ...balance.today.remarks] as reason, i (i)}
  <p>{said(reason.words, balance.tank.today)}</p>
{/each}
{#if working}
  {#each working.numbers as number (number.topic)}
    <details class="border-base-300 mt-2 border-b pb-2" open data-testid="working-number">
      <summary class="cursor-pointer font-serif text-base">{title(number.states)}</summary>
      <p class="text-neutral">{number.topic}: {number.sum}</p>
      <dl class="grid grid-cols-[1fr_auto] gap-x-6">
        {#each number.terms as term (term.label)}
          <dt>
            {term.label}{#if term.origin}{' '}<span class="text-neutral">· {term.origin}</span>{/if}
          </dt>
          <dd class="text-right tabular-nums">
            {term.value === undefined ? 'never' : figure(term.value, term.unit)}
          </dd>
        {/each}
        <dt class="border-base-content border-t font-semibold">
          {sayDays(number.result.label, balance.tank.today)}{#if number.result.origin}{' '}<span
              class="text-neutral font-normal">· {number.result.origin}</span
            >{/if}
        </dt>
        <dd class="border-base-content border-t text-right font-semibold tabular-nums">
          {number.result.value === undefined
            ? 'never'
            : figure(number.result.value, number.result.unit)}
        </dd>
      </dl>
    </details>
  {/each}
  <h3 class="mt-5 font-serif text-lg">What was learned from the tests</h3>
  <p class="text-neutral">
    Factors on what the make-up says, before any test and after all of them; eight guesses in ten
    lie in the range. Prior widths are from memory; {about(working.effectiveSamples)} guesses carry the
    weight.
  </p>
  <table class="w-full text-left">
    <thead
      ><tr><th scope="col">unknown</th><th scope="col">before</th><th scope="col">after</th></tr
      ></thead
    >
    <tbody>
      {#each working.learned as unknown (unknown.name)}
        <tr class="border-base-300 border-t">
          <th scope="row" class="font-normal">{unknown.name}</th>
          <td>{about(unknown.prior)} ({about(unknown.priorLow)} to {about(unknown.priorHigh)})</td>
          <td>{about(unknown.middle)} ({about(unknown.low)} to {about(unknown.high)})</td>
        </tr>
      {/each}
    </tbody>
  </table>
  <h3 class="mt-5 font-serif text-lg">Entries that went in</h3>
  <ul>
    {#each working.entries as entry (entry.kind)}
      <li>
        {entry.count}
        {entry.kind}{entry.last ? `, the last on ${longDay(entry.last, balance.tank.today)}` : ''}
      </li>
    {/each}
  </ul>
{:else}
  <p class="mt-4">Working out…</p>
{/if}
