<script lang="ts">
  import { api, type Session } from '../api/client';
  import { signIn } from '../lib/session.svelte';
  import Button from '../ui/Button.svelte';

  let { session }: { session: Session } = $props();
  let name = $state('');
  let password = $state('');
  let making = $state(false);
  let problem = $state('');
  let busy = $state(false);

  async function enter(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    problem = '';
    if (making) {
      const id = crypto.randomUUID();
      const made = await api.POST('/api/keepers', { body: { id, name, password } });
      if (made.error) {
        problem = made.error.detail ?? 'That did not work.';
        busy = false;
        return;
      }
    }
    problem = await signIn('/api/sign-in', { name, password });
    busy = false;
  }

  async function enterDemo(keeper: string) {
    busy = true;
    problem = await signIn('/api/demo-sign-in', { name: keeper });
    busy = false;
  }
</script>

<main class="mx-auto w-full max-w-md px-6 pt-[14vh]">
  <h1
    class="border-primary inline-block border-b-4 font-serif text-4xl leading-tight font-semibold"
  >
    Umberline
  </h1>
  <p class="text-neutral mt-4 font-serif text-lg">
    How much water to change, how often, and when not to.
  </p>
  {#if session.demo}
    <button
      class="btn btn-primary mt-8 h-12 w-full"
      onclick={() => enterDemo('wren')}
      disabled={busy}
      data-testid="demo-sign-in">Enter as Wren, keeper of Larkfield Hall</button
    >
    <p class="text-neutral mt-2 text-sm">
      The demo: five invented tanks with months of invented log. Or
      <button
        class="min-h-6 underline underline-offset-4"
        disabled={busy}
        onclick={() => enterDemo('tarn')}>enter as Tarn</button
      >, who may write in one of them.
    </p>
  {/if}
  <form class="mt-8 flex flex-col gap-3" onsubmit={enter}>
    <label class="flex flex-col gap-1 text-sm">
      Name
      <input
        class="input h-11 w-full"
        bind:value={name}
        autocomplete="username"
        required
        name="name"
      />
    </label>
    <label class="flex flex-col gap-1 text-sm">
      Password
      <input
        class="input h-11 w-full"
        type="password"
        name="password"
        bind:value={password}
        autocomplete={making ? 'new-password' : 'current-password'}
        required
      />
    </label>
    {#if problem}<p class="text-error text-sm" role="alert">{problem}</p>{/if}
    <button class="btn btn-outline mt-1 h-11" disabled={busy}>
      {making ? 'Make the account and sign in' : 'Sign in'}
    </button>
    {#if session.signUp}
      <Button
        type="button"
        kind="bare"
        class="link self-start text-sm"
        onclick={() => (making = !making)}
      >
        {making ? 'I have an account' : 'Make an account'}
      </Button>
    {/if}
  </form>
</main>
