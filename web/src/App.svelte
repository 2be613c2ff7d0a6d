<script lang="ts">
  import { onMount } from 'svelte';
  import { Gradually } from './lib/gradually.svelte';
  import { connection } from './lib/connection.svelte';
  import type { Component } from 'svelte';
  import { listen, place } from './lib/place.svelte';
  import Header from './lib/Header.svelte';
  import Toast from './ui/Toast.svelte';
  import SignIn from './account/SignIn.svelte';
  import { loadSession, session } from './lib/session.svelte';
  import { longDay, ownTime } from './lib/words';

  // the code of a place comes with it
  const OF_A_TANK = {
    balance: () => import('./tank/balance/Balance.svelte'),
    'make-up': () => import('./tank/make-up/MakeUp.svelte'),
    log: () => import('./tank/log/Log.svelte'),
    change: () => import('./tank/change/Change.svelte'),
    doses: () => import('./tank/doses/Doses.svelte'),
    trials: () => import('./tank/trials/Trials.svelte'),
    trouble: () => import('./tank/trouble/Trouble.svelte'),
    visit: () => import('./tank/visit/Visit.svelte'),
  };
  const OF_ALL = {
    rounds: () => import('./rounds/Rounds.svelte'),
    upkeep: () => import('./upkeep/Upkeep.svelte'),
    bench: () => import('./bench/Bench.svelte'),
    account: () => import('./account/Account.svelte'),
    new: () => import('./new/NewTank.svelte'),
    practice: () => import('./practice/Practice.svelte'),
    join: () => import('./join/Join.svelte'),
  };
  const NEXT_PLACE_AFTER_MS = 3000;
  type Part<Props extends Record<string, unknown>> = Promise<{ default: Component<Props> }>;
  const find = <T,>(parts: Record<string, () => T>): T | undefined => parts[place.name]?.();
  let ofATank = $state.raw<Part<{ tank: string }> | undefined>();
  let ofAll = $state.raw<Part<Record<string, never>> | undefined>();
  listen();
  // asked for as soon as the place is known, not only once somebody is known to be signed in
  $effect.pre(() => {
    ofATank = find<Part<{ tank: string }>>(OF_A_TANK);
    ofAll = find<Part<Record<string, never>>>(OF_ALL);
  });

  const gradually = new Gradually(1, 1, () => (session.now?.signedIn ? 2 : 1));

  onMount(() => {
    void loadSession();
    // from Rounds it is a tank's page next; what is shown now comes first
    const later = setTimeout(() => window.umberlineFetch?.('balance'), NEXT_PLACE_AFTER_MS);
    return () => clearTimeout(later);
  });
</script>

<div class="flex min-h-dvh flex-col lg:h-dvh">
  {#if connection.away}
    <p
      role="status"
      data-testid="away"
      class="bg-warning text-warning-content px-4 py-2 text-center text-sm"
    >
      {connection.away === 'database'
        ? 'The database is away. What you typed is kept; the page goes on by itself when it is back.'
        : 'The server does not answer. What you typed is kept; the page goes on by itself when it is back.'}
      {#if connection.shownFrom}
        Shown is what was known on {longDay(connection.shownFrom.slice(0, 10), '')} at {ownTime(
          connection.shownFrom,
        )}.
      {/if}
    </p>
  {/if}
  {#if place.name === 'sit'}
    {#await import('./sitting/Sitting.svelte') then { default: Sitting }}
      <Sitting />
    {/await}
  {:else if session.now?.signedIn}
    {#if session.now.leavesAt}
      <p role="status" class="bg-warning text-warning-content px-4 py-2 text-center text-sm">
        Your account and its tanks are removed on {longDay(session.now.leavesAt.slice(0, 10), '')}.
        <a href="/account" class="underline underline-offset-4">Keep it</a>
      </p>
    {/if}
    <Header session={session.now} />
    <main
      id="page"
      tabindex="-1"
      class="flex min-h-0 flex-1 flex-col pb-14 outline-none sm:pb-0 print:pb-0"
    >
      {#if !gradually.has(1)}
        <!-- the header is read meanwhile -->
      {:else if ofATank}
        {#key place.tank}
          {#await ofATank then { default: Place }}
            <Place tank={place.tank} />
          {/await}
        {/key}
      {:else if ofAll}
        {#await ofAll then { default: Place }}
          <Place />
        {/await}
      {/if}
    </main>
  {:else if session.now}
    <SignIn session={session.now} />
  {/if}
  <Toast />
</div>
