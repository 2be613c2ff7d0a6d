<script lang="ts">
  import NotYet from '../rounds/NotYet.svelte';
  import { onMount } from 'svelte';
  import { api, type Schemas } from '../api/client';
  import { loadSession } from '../lib/session.svelte';
  import { loadTanks, tanks } from '../lib/tanks.svelte';
  import { show } from '../lib/toast.svelte';
  import Field from '../ui/Field.svelte';
  import { longDay, ownDay, ownTime } from '../lib/words';
  import { deviceName } from './devices';
  import Button from '../ui/Button.svelte';
  import TextLink from '../ui/TextLink.svelte';

  let account = $state.raw<Schemas['Account'] | null>(null);
  let present = $state('');
  let wanted = $state('');
  let name = $state('');
  let password = $state('');
  let leaving = $state(false);
  let problem = $state('');
  let leaveProblem = $state('');
  let away = $derived(tanks.all.filter((tank) => tank.putAway));

  async function load() {
    const answer = await api.GET('/api/account');
    account = answer.data ?? account;
  }
  onMount(() => {
    void load();
    void loadTanks();
  });

  const day = (instant: string) => longDay(ownDay(instant), '');

  /** Says what went wrong, or what was done, and looks again. */
  async function after(answer: { error?: { detail?: string } }, done: string): Promise<boolean> {
    if (answer.error) show({ kind: 'problem', text: answer.error.detail ?? 'That was not saved.' });
    else show({ kind: 'done', text: done });
    await Promise.all([load(), loadTanks()]);
    return !answer.error;
  }

  async function changePassword(event: SubmitEvent) {
    event.preventDefault();
    const answer = await api.PUT('/api/account/password', { body: { present, wanted } });
    problem = answer.error?.detail ?? '';
    if (answer.error) return;
    present = wanted = '';
    await after(answer, 'The password is changed; everywhere else you have to sign in again.');
  }

  async function end(session: string) {
    const answer = await api.DELETE('/api/account/sessions/{session}', {
      params: { path: { session } },
    });
    await after(answer, 'Signed out there.');
  }

  async function endOthers() {
    const answer = await api.POST('/api/account/sessions/end-others');
    await after(answer, 'Signed out everywhere else.');
  }

  async function takeOut(id: string, called: string) {
    const answer = await api.PUT('/api/tanks/{id}/put-away', {
      params: { path: { id } },
      body: { putAway: false },
    });
    await after(answer, `${called} is looked after again.`);
  }

  async function bringBack(id: string, called: string) {
    const answer = await api.POST('/api/tanks/{id}/bring-back', { params: { path: { id } } });
    await after(answer, `${called} is back.`);
  }

  async function leave(event: SubmitEvent) {
    event.preventDefault();
    const answer = await api.POST('/api/account/leave', { body: { name, password } });
    leaveProblem = answer.error?.detail ?? '';
    if (!answer.error) await loadSession();
  }

  async function stay() {
    const answer = await api.POST('/api/account/stay');
    if (await after(answer, 'Your account stays.')) await loadSession();
  }
</script>

{#if account}
  <div class="w-full max-w-3xl px-4 pt-4 pb-16 text-sm sm:px-10 lg:overflow-y-auto">
    <h1 class="font-serif text-2xl">
      <span class="capitalize">{account.name}</span>
    </h1>
    <p class="text-neutral">Here since {day(account.since)}.</p>
    {#if account.leavesAt}
      <p class="border-warning mt-3 border-l-4 pl-3">
        This account and its tanks are removed on {day(account.leavesAt)}.
        <Button kind="strong" onclick={stay}>Keep the account</Button>
      </p>
    {/if}

    <h2 class="mt-6 font-serif text-lg">Tanks put away</h2>
    <ul data-testid="put-away">
      {#each away as tank (tank.id)}
        <li class="border-base-300 flex items-center gap-x-4 border-t">
          <TextLink class="flex-1" href="/tank/{tank.id}">{tank.name}</TextLink>
          <Button onclick={() => void takeOut(tank.id, tank.name)}>Look after it again</Button>
        </li>
      {:else}
        <li class="text-neutral">
          None. A tank is put away at the end of its make-up: it can be read, and nobody is asked
          about it.
        </li>
      {/each}
    </ul>
    {#if account.deleted.length > 0}
      <h2 class="mt-6 font-serif text-lg">Deleted tanks</h2>
      <ul data-testid="deleted">
        {#each account.deleted as tank (tank.id)}
          <li class="border-base-300 flex items-center gap-x-4 border-t">
            <span class="flex-1"
              >{tank.name}
              <span class="text-neutral">gone for good on {day(tank.goneAt)}</span></span
            >
            <Button onclick={() => void bringBack(tank.id, tank.name)}>Bring it back</Button>
          </li>
        {/each}
      </ul>
    {/if}

    <h2 class="mt-6 font-serif text-lg">Password</h2>
    <form class="flex flex-wrap items-end gap-x-5 gap-y-2" onsubmit={changePassword}>
      <Field
        label="Present"
        type="password"
        autocomplete="current-password"
        bind:value={present}
        data-testid="present-password"
      />
      <Field
        label="New, 10 characters or more"
        type="password"
        autocomplete="new-password"
        minlength={10}
        maxlength={200}
        bind:value={wanted}
        data-testid="new-password"
      />
      <Button kind="strong" data-testid="change-password">Change it</Button>
    </form>
    {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}

    <h2 class="mt-6 font-serif text-lg">Signed in</h2>
    <ul data-testid="sessions">
      {#each account.sessions as session (session.id)}
        <li class="border-base-300 flex flex-wrap items-center gap-x-4 border-t">
          <span class="min-w-0 flex-1 py-2"
            >{deviceName(session.browser)}
            <span class="text-neutral"
              >{session.address}{session.address ? ', ' : ''}since {day(session.since)}, last used {day(
                session.lastUsed,
              )} at {ownTime(session.lastUsed)}</span
            ></span
          >
          {#if session.present}<span class="text-neutral">here</span>
          {:else}<Button onclick={() => void end(session.id)}>Sign out there</Button>{/if}
        </li>
      {/each}
    </ul>
    {#if account.sessions.length > 1}
      <Button onclick={endOthers}>Sign out everywhere else</Button>
    {/if}

    <h2 class="mt-6 font-serif text-lg">Take everything along</h2>
    <p>
      <TextLink href="/api/account/everything.zip" download>All tanks as one ZIP file</TextLink>
      <span class="text-neutral">with each tank’s file, its photos and its visits</span>
    </p>

    {#if !account.leavesAt}
      <h2 class="mt-6 font-serif text-lg">Leave</h2>
      {#if leaving}
        <p>
          You are signed out everywhere. Whoever signs in within 7 days can keep the account; then
          it goes with all its tanks, their logs and photos. What you wrote in tanks of others
          stays.
        </p>
        <form class="flex flex-wrap items-end gap-x-5 gap-y-2" onsubmit={leave}>
          <Field label="Your name, once more" autocomplete="off" bind:value={name} />
          <Field
            label="Password"
            type="password"
            autocomplete="current-password"
            bind:value={password}
          />
          <Button kind="danger">Delete the account</Button>
          <Button type="button" onclick={() => (leaving = false)}>Don’t</Button>
        </form>
        {#if leaveProblem}<p class="text-error" role="alert">{leaveProblem}</p>{/if}
      {:else}
        <Button onclick={() => (leaving = true)}>Delete this account…</Button>
      {/if}
    {/if}
  </div>
{:else}
  <NotYet alone words="Opening the account…" />
{/if}
