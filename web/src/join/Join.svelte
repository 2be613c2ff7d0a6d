<script lang="ts">
  import { onMount } from 'svelte';
  import { api } from '../api/client';
  import { place } from '../lib/place.svelte';
  import { loadTanks } from '../lib/tanks.svelte';
  import TextLink from '../ui/TextLink.svelte';

  /** Comes into a tank by a link that its owner sent. */
  let joined = $state.raw<string[] | null>(null);
  let problem = $state('');

  onMount(async () => {
    const answer = await api.POST('/api/join', { body: { token: place.token } });
    joined = answer.data?.tanks ?? null;
    problem = answer.error?.detail ?? '';
    if (joined) await loadTanks();
  });
</script>

<svelte:head><title>Invitation · Umberline</title></svelte:head>

<div class="px-4 pt-8 sm:px-10" role="status" data-testid="joined">
  {#if joined}
    <h1 class="font-serif text-2xl">You are let in: {joined.join(', ')}.</h1>
    <p class="mt-4"><TextLink kind="main" href="/">To the rounds</TextLink></p>
  {:else if problem}
    <h1 class="font-serif text-2xl">This link lets nobody in.</h1>
    <p class="text-neutral">
      It works once and for seven days. Ask whoever sent it for another one. {problem}
    </p>
    <p class="mt-4"><TextLink href="/">To the rounds</TextLink></p>
  {/if}
</div>
