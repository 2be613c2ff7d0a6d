<script lang="ts">
  import { onMount } from 'svelte';
  import { api } from '../api/client';

  import { longDay } from '../lib/words';
  import Button from '../ui/Button.svelte';
  import TextLink from '../ui/TextLink.svelte';

  let since = $state('');
  let address = $state('');

  onMount(async () => {
    const answer = await api.GET('/api/calendar');
    since = answer.data?.since ?? '';
  });

  async function make() {
    const answer = await api.POST('/api/calendar');
    since = answer.data?.since ?? '';
    address = answer.data?.address ? location.origin + answer.data.address : '';
  }

  async function close() {
    await api.DELETE('/api/calendar');
    since = '';
    address = '';
  }
</script>

<p>
  <TextLink href="/api/upkeep.ics" download="upkeep.ics"
    >The next eight weeks as a calendar file</TextLink
  >
</p>
<h3 class="mt-3 font-serif text-lg">A private address</h3>
<p class="text-neutral">
  A calendar program reads it by itself and stays up to date. Whoever has it sees your work plan and
  nothing else.
</p>
{#if address}
  <p class="mt-2 break-all" data-testid="calendar-address"><code>{address}</code></p>
  <p class="text-neutral">Copy it now: it is not shown again.</p>
{:else if since}
  <p class="mt-2">There is one, made on {longDay(since.slice(0, 10), '')}.</p>
{:else}
  <p class="mt-2">There is none.</p>
{/if}
<p class="mt-2 flex gap-x-6">
  <Button kind="strong" onclick={make}
    >{since ? 'Make another; this one then opens nothing' : 'Make one'}</Button
  >
  {#if since}
    <Button onclick={close}>Close it</Button>
  {/if}
</p>
