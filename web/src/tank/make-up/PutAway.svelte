<script lang="ts">
  import { api } from '../../api/client';

  import { goTo } from '../../lib/place.svelte';
  import { loadTanks, may, tanks } from '../../lib/tanks.svelte';
  import { show } from '../../lib/toast.svelte';
  import Button from '../../ui/Button.svelte';

  /** Out of the rounds, or gone. */
  let { tank, name }: { tank: string; name: string } = $props();
  let sure = $state(false);
  let away = $derived(tanks.all.find((one) => one.id === tank)?.putAway ?? false);
  const params = () => ({ path: { id: tank } });

  async function putAway() {
    const next = !away;
    const answer = await api.PUT('/api/tanks/{id}/put-away', {
      params: params(),
      body: { putAway: next },
    });
    if (answer.error) {
      show({ kind: 'problem', text: answer.error.detail ?? 'That was not saved.' });
      return;
    }
    await loadTanks();
    if (next) goTo('/');
    show({
      kind: 'done',
      text: next ? `${name} is put away.` : `${name} is looked after again.`,
      action: next ? { label: 'Undo', run: () => void putAway() } : undefined,
    });
  }

  async function remove() {
    const answer = await api.DELETE('/api/tanks/{id}', { params: params() });
    if (answer.error) {
      show({
        kind: 'problem',
        text: answer.error.detail ?? 'That was not done.',
      });
      return;
    }
    await loadTanks();
    goTo('/');
    show({
      kind: 'done',
      text: `${name} is deleted; for 30 days it can be brought back under your name.`,
    });
  }
</script>

<section class="border-base-content mt-6 border-t pt-1" aria-label="Out of the rounds">
  <h2 class="font-serif text-lg">Out of the rounds</h2>
  <p class="flex flex-wrap items-center gap-x-6">
    <Button onclick={() => void putAway()} data-testid="put-away"
      >{away ? 'Look after it again' : 'Put this tank away'}</Button
    >
    <span class="text-neutral">It can be read, and nobody is asked about it.</span>
  </p>
  {#if may(tank, 'OWNER')}
    <p class="flex flex-wrap items-center gap-x-6">
      {#if sure}
        <Button kind="danger" onclick={() => void remove()} data-testid="delete-tank"
          >Delete {name}, its log and its photos</Button
        >
        <Button onclick={() => (sure = false)}>Don’t</Button>
      {:else}
        <Button onclick={() => (sure = true)} data-testid="ask-delete">Delete this tank…</Button>
      {/if}
      <span class="text-neutral">It can be brought back for 30 days.</span>
    </p>
  {/if}
</section>
