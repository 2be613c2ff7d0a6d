<script lang="ts">
  import { api, type Schemas } from '../api/client';
  import { may } from '../lib/tanks.svelte';
  import { shortDay } from '../lib/words';
  import Button from '../ui/Button.svelte';

  /** Links for whoever feeds: a page without an account, on the days of the absence. */
  let {
    tank,
    from,
    to,
    gramsPerDay,
  }: { tank: string; from: string; to: string; gramsPerDay: number } = $props();

  let links = $state.raw<Schemas['SitterLink'][]>([]);
  let address = $state('');
  let problem = $state('');
  const params = () => ({ path: { id: tank } });

  $effect(() => {
    address = '';
    if (may(tank, 'CO_KEEPER')) void load(tank);
  });

  async function load(id: string) {
    const answer = await api.GET('/api/tanks/{id}/sitters', { params: { path: { id } } });
    if (id === tank) links = answer.data ?? [];
  }

  async function make() {
    const answer = await api.POST('/api/tanks/{id}/sitters', {
      params: params(),
      body: { from, to, gramsPerDay },
    });
    problem = answer.error?.fields?.[0]?.allowed ?? answer.error?.detail ?? '';
    address = answer.data?.address ?? '';
    await load(tank);
  }

  async function withdraw(sitter: string) {
    await api.DELETE('/api/tanks/{id}/sitters/{sitter}', {
      params: { path: { id: tank, sitter } },
    });
    address = '';
    await load(tank);
  }
</script>

{#if may(tank, 'CO_KEEPER')}
  <p class="flex flex-wrap items-center gap-x-5">
    <Button kind="strong" onclick={() => void make()} data-testid="make-sitter"
      >Make a link for whoever feeds</Button
    >
    <span class="text-neutral">No account: it shows this page and takes what they see.</span>
  </p>
  {#if address}
    <p class="border-accent my-2 border-l-4 pl-3" data-testid="sitter-link">
      Send this to whoever feeds; it isn’t shown again:
      <code class="block break-all select-all">{location.origin}{address}</code>
    </p>
  {/if}
  {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
  <ul>
    {#each links as link (link.id)}
      <li class="flex flex-wrap items-center gap-x-5">
        A link from {shortDay(link.from)} to {shortDay(link.to)}
        <Button dense onclick={() => void withdraw(link.id)}>Withdraw</Button>
      </li>
    {/each}
  </ul>
{/if}
