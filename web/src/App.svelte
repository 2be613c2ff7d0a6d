<script lang="ts">
  import { onMount } from 'svelte';
  import { connection } from './lib/connection.svelte';
  import { listen, place } from './lib/place.svelte';
  import Header from './lib/Header.svelte';
  import Toast from './ui/Toast.svelte';
  import SignIn from './account/SignIn.svelte';
  import Rounds from './rounds/Rounds.svelte';
  import Balance from './tank/balance/Balance.svelte';
  import { loadSession, session } from './lib/session.svelte';
  import { longDay, ownTime } from './lib/words';

  onMount(() => {
    listen();
    void loadSession();
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
  {#if session.now?.signedIn}
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
      {#if place.name === 'balance'}
        {#key place.tank}
          <Balance tank={place.tank} />
        {/key}
      {:else if place.name === 'make-up'}
        {#key place.tank}
          {#await import('./tank/make-up/MakeUp.svelte') then { default: MakeUp }}
            <MakeUp tank={place.tank} />
          {/await}
        {/key}
      {:else if place.name === 'log'}
        {#key place.tank}
          {#await import('./tank/log/Log.svelte') then { default: Log }}
            <Log tank={place.tank} />
          {/await}
        {/key}
      {:else if place.name === 'change'}
        {#key place.tank}
          {#await import('./tank/change/Change.svelte') then { default: Change }}
            <Change tank={place.tank} />
          {/await}
        {/key}
      {:else if place.name === 'upkeep'}
        {#await import('./upkeep/Upkeep.svelte') then { default: Upkeep }}
          <Upkeep />
        {/await}
      {:else if place.name === 'visit'}
        {#key place.tank}
          {#await import('./tank/visit/Visit.svelte') then { default: Visit }}
            <Visit tank={place.tank} />
          {/await}
        {/key}
      {:else if place.name === 'bench'}
        {#await import('./bench/Bench.svelte') then { default: Bench }}
          <Bench />
        {/await}
      {:else if place.name === 'account'}
        {#await import('./account/Account.svelte') then { default: Account }}
          <Account />
        {/await}
      {:else if place.name === 'new'}
        {#await import('./new/NewTank.svelte') then { default: NewTank }}
          <NewTank />
        {/await}
      {:else}
        <Rounds />
      {/if}
    </main>
  {:else if session.now}
    <SignIn session={session.now} />
  {/if}
  <Toast />
</div>
