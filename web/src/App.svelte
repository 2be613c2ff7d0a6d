<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Session } from './api/client';
  import { connection, untilAnswered } from './lib/connection.svelte';
  import { listen, place } from './lib/place.svelte';
  import Header from './lib/Header.svelte';
  import Toast from './lib/Toast.svelte';
  import SignIn from './places/SignIn.svelte';
  import Rounds from './places/Rounds.svelte';
  import Balance from './places/Balance.svelte';
  import { forgetAnswers } from './lib/answers';
  import { sendAll } from './lib/outbox.svelte';
  import { loadTanks } from './lib/tanks.svelte';
  import { loadUnits } from './lib/units.svelte';
  import { longDay } from './lib/words';

  let session = $state<Session | null>(null);

  async function askSession() {
    session = (await untilAnswered(() => api.GET('/api/session'))).data ?? null;
    if (session?.signedIn) {
      void loadUnits();
      void loadTanks();
      void sendAll();
    }
  }

  /** What was answered to somebody else is not for whoever signs in now. */
  async function enter() {
    await forgetAnswers();
    await askSession();
  }

  onMount(() => {
    listen();
    void askSession();
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
        Shown is what was known on {longDay(connection.shownFrom.slice(0, 10), '')} at {new Date(
          connection.shownFrom,
        )
          .toTimeString()
          .slice(0, 5)}.
      {/if}
    </p>
  {/if}
  {#if session?.signedIn}
    {#if session.leavesAt}
      <p role="status" class="bg-warning text-warning-content px-4 py-2 text-center text-sm">
        Your account and its tanks are removed on {longDay(session.leavesAt.slice(0, 10), '')}.
        <a href="/account" class="underline underline-offset-4">Keep it</a>
      </p>
    {/if}
    <Header {session} onsignedout={askSession} />
    <main class="flex min-h-0 flex-1 flex-col">
      {#if place.name === 'balance'}
        {#key place.tank}
          <Balance tank={place.tank} onsignedout={askSession} />
        {/key}
      {:else if place.name === 'make-up'}
        {#key place.tank}
          {#await import('./places/MakeUp.svelte') then { default: MakeUp }}
            <MakeUp tank={place.tank} onsignedout={askSession} />
          {/await}
        {/key}
      {:else if place.name === 'log'}
        {#key place.tank}
          {#await import('./places/Log.svelte') then { default: Log }}
            <Log tank={place.tank} onsignedout={askSession} />
          {/await}
        {/key}
      {:else if place.name === 'change'}
        {#key place.tank}
          {#await import('./places/Change.svelte') then { default: Change }}
            <Change tank={place.tank} onsignedout={askSession} />
          {/await}
        {/key}
      {:else if place.name === 'upkeep'}
        {#await import('./places/Upkeep.svelte') then { default: Upkeep }}
          <Upkeep onsignedout={askSession} />
        {/await}
      {:else if place.name === 'visit'}
        {#key place.tank}
          {#await import('./places/Visit.svelte') then { default: Visit }}
            <Visit tank={place.tank} onsignedout={askSession} />
          {/await}
        {/key}
      {:else if place.name === 'bench'}
        {#await import('./places/Bench.svelte') then { default: Bench }}
          <Bench onsignedout={askSession} />
        {/await}
      {:else if place.name === 'account'}
        {#await import('./places/Account.svelte') then { default: Account }}
          <Account onsignedout={askSession} onstayed={askSession} />
        {/await}
      {:else if place.name === 'new'}
        {#await import('./places/NewTank.svelte') then { default: NewTank }}
          <NewTank />
        {/await}
      {:else}
        <Rounds onsignedout={askSession} />
      {/if}
    </main>
  {:else if session}
    <SignIn {session} onsignedin={enter} />
  {/if}
  <Toast />
</div>
