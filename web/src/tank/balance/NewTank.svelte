<script lang="ts">
  import { api, type Balance, type Schemas } from '../../api/client';
  import { said } from '../../lib/said';
  import { about, dayAndMonth, dayStart, ownDay } from '../../lib/words';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { numberOf } from '../../lib/numbers';

  /** How far a new tank's filter has grown in, and its guide on demand. */
  let { tank, balance }: { tank: string; balance: Balance } = $props();

  const AFTER_TYPING_MS = 300;
  let guide = $state.raw<Schemas['NewTankGuide'] | null>(null);
  let problem = $state('');
  let mass = $state('');
  let open = $state(false);
  const today = ownDay(new Date().toISOString());

  $effect(() => {
    void balance; // told anew with each answer
    void load();
  });

  let question = 0;
  async function load() {
    const mine = ++question;
    const massG = numberOf(mass);
    const answer = await api.GET('/api/tanks/{id}/cycling', {
      params: { path: { id: tank }, query: { massG } },
    });
    if (mine !== question) return;
    guide = answer.data ?? guide;
    problem = answer.error?.fields?.map((field) => field.allowed).join('; ') ?? '';
  }

  let later: ReturnType<typeof setTimeout> | undefined;
  function typedMass(text: string) {
    mass = text;
    clearTimeout(later);
    later = setTimeout(() => void load(), AFTER_TYPING_MS);
  }

  const read = (value: number | undefined) => (value === undefined ? '' : about(value));
</script>

{#if guide}
  <div
    class="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm"
    data-testid="new-tank"
    aria-label="How far the filter has grown in"
    role="group"
  >
    <ol class="flex flex-wrap gap-x-1">
      {#each guide.steps as step, i (step)}
        <li
          aria-current={i === guide.step ? 'step' : undefined}
          class={[
            i > 0 && 'before:text-neutral before:mr-1 before:content-["→"]',
            i === guide.step ? 'font-bold' : 'text-neutral',
          ]}
        >
          {step}
        </li>
      {/each}
    </ol>
    <Button dense onclick={() => (open = true)} data-testid="open-new-tank">New tank guide</Button>
  </div>
  <Sheet title="New tank guide" {open} onclose={() => (open = false)} printable>
    <p class="font-serif text-lg">{said(guide.sentence, today)}</p>
    <h3 class="mt-4 font-serif text-lg">Until it is ready</h3>
    <ul class="list-disc pl-5">
      {#each guide.todo as words, i (i)}<li class="py-0.5">{said(words, today)}</li>{/each}
    </ul>
    {#each guide.cautions as caution (caution)}<p class="text-neutral mt-1">{caution}</p>{/each}
    {#if guide.readings.length > 0}
      <h3 class="mt-4 font-serif text-lg">What you read</h3>
      <table class="w-full max-w-md text-right tabular-nums">
        <thead class="text-neutral">
          <tr>
            <th class="text-left font-normal">day</th>
            <th class="font-normal">ammonia</th>
            <th class="font-normal">nitrite</th>
            <th class="font-normal">nitrate, mg/L</th>
          </tr>
        </thead>
        <tbody>
          {#each guide.readings as reading (reading.on)}
            <tr class="border-base-300 border-t">
              <td class="text-left">{dayAndMonth(dayStart(reading.on))}</td>
              <td>{read(reading.ammonia)}</td>
              <td>{read(reading.nitrite)}</td>
              <td>{read(reading.nitrate)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
    {#if guide.stocking.length > 0}
      <h3 class="mt-4 font-serif text-lg">When how many may come</h3>
      <Label dense>
        One weighs
        <Input
          dense
          class="w-[4.5rem] text-center"
          inputmode="decimal"
          aria-label="mass of one animal, g"
          value={mass || about(guide.massG)}
          oninput={(event) => typedMass(event.currentTarget.value)}
        /> g
      </Label>
      {#if problem}<p role="alert">{problem}</p>{/if}
      <p>{said(guide.stocking, today)}</p>
      <ol class="list-decimal pl-5" data-testid="arrivals">
        {#each guide.arrivals as words, i (i)}<li class="py-0.5">{said(words, today)}</li>{/each}
      </ol>
    {/if}
  </Sheet>
{/if}
