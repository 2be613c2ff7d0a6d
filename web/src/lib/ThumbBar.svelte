<script lang="ts">
  import { goTo, place } from './place.svelte';
  import { tanks } from './tanks.svelte';
  import Input from '../ui/Input.svelte';
  import Sheet from '../ui/Sheet.svelte';

  /** The places of all tanks, and noting something, where a thumb reaches them on a phone. */
  let { places }: { places: { name: string; path: string; text: string }[] } = $props();

  /** With more tanks than this they are searched. */
  const MANY = 8;
  let asking = $state(false);
  let looked = $state('');
  let found = $derived(
    tanks.all.filter(
      (tank) => !tank.putAway && tank.name.toLowerCase().includes(looked.trim().toLowerCase()),
    ),
  );

  function note() {
    const line = document.getElementById('entry-line');
    if (line) {
      line.scrollIntoView({ block: 'center' });
      line.focus();
    } else asking = true;
  }

  function noteIn(tank: string) {
    asking = false;
    looked = '';
    goTo(`/tank/${tank}/log`);
  }
</script>

<nav
  class="border-base-content bg-base-100 fixed inset-x-0 bottom-0 z-10 grid grid-cols-4 border-t pb-[env(safe-area-inset-bottom)] text-sm sm:hidden print:hidden"
  aria-label="places at hand"
>
  {#each places as one (one.path)}
    <a
      href={one.path}
      class="flex min-h-13 items-center justify-center"
      class:font-bold={place.name === one.name}
      aria-current={place.name === one.name ? 'page' : undefined}>{one.text}</a
    >
  {/each}
  <button class="min-h-13" onclick={note} data-testid="note-at-hand">Note +</button>
</nav>
<Sheet title="Note something of which tank?" open={asking} onclose={() => (asking = false)}>
  {#if tanks.all.length > MANY}
    <Input type="search" class="w-full" aria-label="find a tank by name" bind:value={looked} />
  {/if}
  <ul>
    {#each found as tank (tank.id)}
      <li class="border-base-300 border-b">
        <button
          class="min-h-12 w-full truncate text-left font-serif text-lg"
          onclick={() => noteIn(tank.id)}>{tank.name}</button
        >
      </li>
    {:else}
      <li class="py-3">{looked ? `No tank is called “${looked}”.` : 'There is no tank yet.'}</li>
    {/each}
  </ul>
</Sheet>
