<script lang="ts">
  import { onMount } from 'svelte';
  import { api, type Problem, type Schemas } from '../../api/client';
  import { goTo } from '../../lib/place.svelte';
  import { session } from '../../lib/session.svelte';
  import { loadTanks } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import { longDay } from '../../lib/words';
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';

  /** Who else keeps the tank; its owner lets others in and sends them away. */
  let { tank, room }: { tank: string; room: string } = $props();

  type Role = Schemas['Grant']['role'];
  const ROLES: Record<Role | 'OWNER', string> = {
    READER: 'looks at everything',
    HELPER: 'notes what was done and measured',
    CO_KEEPER: 'does all but share and delete',
    OWNER: 'owns it',
  };
  const GIVEN: Role[] = ['READER', 'HELPER', 'CO_KEEPER'];
  const params = () => ({ path: { id: tank } });
  let sharing = $state.raw<Schemas['Sharing'] | null>(null);
  let name = $state('');
  let role = $state<Role>('HELPER');
  let wholeRoom = $state(false);
  let problem = $state('');
  let link = $state.raw<Schemas['Invitation'] | null>(null);
  /** The keeper that the tank is to be handed to, once more asked. */
  let handing = $state('');

  async function load() {
    sharing = (await api.GET('/api/tanks/{id}/keepers', { params: params() })).data ?? null;
  }
  onMount(() => void load());

  async function done(answer: { response: Response; error?: Problem }, words: string) {
    problem = answer.response.ok ? '' : (answer.error?.detail ?? 'That was not done.');
    if (!answer.response.ok) return false;
    if (words) show({ kind: 'done', text: words });
    await load();
    return true;
  }

  async function give(event: SubmitEvent) {
    event.preventDefault();
    const answer = await api.PUT('/api/tanks/{id}/keepers', {
      params: params(),
      body: { name, role, wholeRoom },
    });
    if (await done(answer, `${name} ${ROLES[role]} from now on.`)) name = '';
  }

  async function takeBack(who: string) {
    const own = sharing?.mine !== 'OWNER';
    const answer = await api.DELETE('/api/tanks/{id}/keepers/{name}', {
      params: { path: { id: tank, name: who } },
    });
    if (!(await done(answer, own ? 'You left this tank.' : `${who} is out.`)) || !own) return;
    await loadTanks();
    goTo('/');
  }

  async function invite() {
    const answer = await api.POST('/api/tanks/{id}/invitations', {
      params: params(),
      body: { role, wholeRoom },
    });
    if (await done(answer, '')) link = answer.data ?? null;
  }

  async function close() {
    link = null;
    await done(await api.DELETE('/api/tanks/{id}/invitations', { params: params() }), 'Closed.');
  }

  async function handOver() {
    const answer = await api.PUT('/api/tanks/{id}/owner', {
      params: params(),
      body: { name: handing },
    });
    const to = handing;
    handing = '';
    if (await done(answer, `${to} owns this tank now.`)) await loadTanks();
  }
</script>

{#if sharing}
  <section class="border-base-content mt-6 border-t pt-1" data-testid="sharing">
    <h2 class="font-serif text-lg">Who keeps it</h2>
    <ul>
      <li class="py-1"><span class="font-bold capitalize">{sharing.owner}</span> owns it.</li>
      {#each sharing.keepers as one (one.name)}
        <li class="flex flex-wrap items-center gap-x-5">
          <span class="py-1"
            ><span class="font-bold capitalize">{one.name}</span> {ROLES[one.role]}.</span
          >
          {#if sharing.mine === 'OWNER'}
            <Button dense onclick={() => void takeBack(one.name)}>Take back</Button>
            {#if handing === one.name}
              <Button dense kind="danger" onclick={() => void handOver()}
                >Hand it over to {one.name}</Button
              >
              <Button dense onclick={() => (handing = '')}>Don’t</Button>
            {:else}
              <Button dense class="text-neutral" onclick={() => (handing = one.name)}
                >Hand over…</Button
              >
            {/if}
          {/if}
        </li>
      {/each}
    </ul>
    {#if sharing.mine === 'OWNER'}
      <form class="flex flex-wrap items-center gap-x-5" onsubmit={give}>
        <Label
          >Let <Input
            class="w-40"
            bind:value={name}
            placeholder="a keeper’s name"
            autocapitalize="off"
            required
            data-testid="share-name"
          /></Label
        >
        <Label
          >in, who
          <Select bind:value={role} data-testid="share-role">
            {#each GIVEN as one (one)}<option value={one}>{ROLES[one]}</option>{/each}
          </Select></Label
        >
        {#if room}
          <Check bind:checked={wholeRoom}>in all my tanks in {room}</Check>
        {/if}
        <Button kind="strong" data-testid="share">Let in</Button>
        <Button type="button" onclick={() => void invite()} data-testid="invite"
          >Make a link instead</Button
        >
      </form>
      {#if link}
        <p class="border-accent my-2 border-l-4 pl-3" data-testid="invitation">
          Send this to one person. It works once, until {longDay(link.expiresAt.slice(0, 10), '')},
          and isn’t shown again:
          <code class="block break-all select-all">{location.origin}{link.address}</code>
        </p>
      {/if}
      {#if sharing.invitations.length > 0}
        <p class="flex flex-wrap items-center gap-x-5">
          {sharing.invitations.length === 1
            ? 'One link is open.'
            : `${sharing.invitations.length} links are open.`}
          <Button dense onclick={() => void close()}>Close</Button>
        </p>
      {/if}
    {:else}
      <p class="flex flex-wrap items-center gap-x-5">
        <span>You: {ROLES[sharing.mine]}.</span>
        <Button onclick={() => void takeBack(session.now?.name ?? '')} data-testid="leave-tank"
          >Leave this tank</Button
        >
      </p>
    {/if}
    {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
  </section>
{/if}
