<script lang="ts">
  import { api, once, type RoundsLine } from '../api/client';
  import { connection } from '../lib/connection.svelte';
  import { GIVEN_AT } from '../lib/answers';
  import { longDay, ownTime } from '../lib/words';
  import LevelStrip from '../ui/LevelStrip.svelte';
  import Why from './Why.svelte';
  import { task } from './words';

  /**
   * Stands where a place has no answer yet: what it does, or, without a connection, what Rounds
   * last knew of the tank.
   */
  let {
    words,
    tank = '',
    alone = false,
  }: {
    words: string;
    tank?: string;
    /** Whether nothing of the place stands around it. */
    alone?: boolean;
  } = $props();

  const SHOWN_AFTER_MS = 300;
  let slow = $state(false);
  let line = $state.raw<RoundsLine | null>(null);
  let given = $state('');

  async function look() {
    try {
      const answer = await api.GET('/api/rounds/known', { fetch: once });
      given = answer.response.headers.get(GIVEN_AT) ?? '';
      line = (answer.data?.lines ?? []).find((one) => one.tank.id === tank) ?? null;
    } catch {
      // Rounds was never opened here either: the words below say so
    }
  }

  $effect(() => {
    const timer = setTimeout(() => (slow = true), SHOWN_AFTER_MS);
    return () => clearTimeout(timer);
  });
  $effect(() => {
    if (connection.away && tank) void look();
  });
</script>

<div class={['pt-8', alone && 'px-4 sm:px-10']} role="status" data-testid="not-yet">
  {#if !connection.away}
    {#if slow}<p class="text-neutral font-serif text-xl">{words}</p>{/if}
  {:else if line}
    <h1 class="font-serif text-2xl">{line.tank.name}</h1>
    <p class="text-neutral text-sm">
      This place was never opened on this device. Rounds knew{given
        ? ` on ${longDay(given.slice(0, 10), '')} at ${ownTime(given)}`
        : ''}:
    </p>
    <p class="mt-3 font-serif text-xl">{task(line)}</p>
    <div class="max-w-prose"><Why {line} /></div>
    <div class="mt-4 flex flex-wrap gap-x-8 gap-y-2">
      <LevelStrip level={line.nitrate} name="nitrate" colour="var(--color-primary)" />
      <LevelStrip level={line.phosphate} name="phosphate" colour="var(--color-secondary)" />
    </div>
  {:else}
    <p class="font-serif text-xl">This place was never opened on this device.</p>
    <p class="text-neutral">It comes by itself when there is a connection again.</p>
  {/if}
</div>
