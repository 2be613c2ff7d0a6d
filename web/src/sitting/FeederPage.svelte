<script lang="ts">
  import { about, daysBetween, shortDay } from '../lib/words';

  /** What whoever feeds is to do, as a page to print or to open by a link. */
  let {
    name,
    from,
    to,
    gramsPerDay,
  }: { name: string; from: string; to: string; gramsPerDay: number } = $props();

  let days = $derived(daysBetween(from, to) + 1);
</script>

<h3 class="font-serif text-2xl">{name}</h3>
<p class="text-lg">{shortDay(from)} to {shortDay(to)}, {days} {days === 1 ? 'day' : 'days'}</p>
{#if gramsPerDay > 0}
  <p class="mt-2 text-lg">
    One portion of <strong>{about(gramsPerDay)} g</strong> a day, weighed out beforehand: {days}
    {days === 1 ? 'portion' : 'portions'}, {about(gramsPerDay * days)} g in all. Not one more, however
    they beg.
  </p>
{:else}
  <p class="mt-2 text-lg"><strong>Feed nothing.</strong> They are used to it.</p>
{/if}
<ul class="mt-2 list-disc pl-5">
  <li>Look once a day: water at its usual level, filter running, all animals there.</li>
  <li>Change nothing else: no water change, no cleaning, no medicine.</li>
  <li>Top up only with the water that stands ready, to the mark.</li>
  <li>Gasping or milky water: stop feeding, and call.</li>
  <li>Before hands go in, unplug. Water on the floor near plugs: switch off at the fuse first.</li>
  <li>An animal that died is taken out; it goes neither into water outside nor a drain.</li>
</ul>
