<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Sun from '@lucide/svelte/icons/sun';
  import type { Session } from '../api/client';
  import { KEYS, follow } from './keys';
  import { place } from './place.svelte';
  import { signOut } from './session.svelte';
  import { tanks } from './tanks.svelte';
  import { chooseUnit, labelOf, units, type QuantityName } from './units.svelte';
  import Outbox from './Outbox.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import Button from '../ui/Button.svelte';
  import Check from '../ui/Check.svelte';
  import TextLink from '../ui/TextLink.svelte';

  let { session }: { session: Session } = $props();
  let theme = $state(document.documentElement.dataset.theme ?? 'umber-day');
  let settings = $state(false);
  let tank = $derived(tanks.all.find((one) => one.id === place.tank));

  function switchTheme() {
    theme = theme === 'umber-day' ? 'umber-night' : 'umber-day';
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('umberline-theme', theme);
  }

  let nav: HTMLElement;
  $effect(() => {
    // on a phone the places go beyond its edge: the present one is brought in
    if (place.name)
      nav.querySelector('[aria-current]')?.scrollIntoView?.({ inline: 'center', block: 'nearest' });
  });

  let places = $derived([
    { name: 'rounds', path: '/', text: 'Rounds' },
    { name: 'upkeep', path: '/upkeep', text: 'Upkeep' },
    { name: 'bench', path: '/bench', text: 'Bench' },
    ...(place.tank
      ? [
          { name: 'balance', path: `/tank/${place.tank}`, text: tank?.name ?? 'Balance' },
          { name: 'log', path: `/tank/${place.tank}/log`, text: 'Log' },
          { name: 'change', path: `/tank/${place.tank}/change`, text: 'Change' },
          { name: 'visit', path: `/tank/${place.tank}/visit`, text: 'Visit' },
          { name: 'make-up', path: `/tank/${place.tank}/make-up`, text: 'Make-up' },
        ]
      : []),
  ]);
</script>

<svelte:window
  onkeydown={(event) => {
    if (follow(event, () => (settings = true))) event.preventDefault();
  }}
/>

<header
  class="border-base-300 flex h-12 shrink-0 items-center gap-4 border-b px-4 text-sm sm:gap-5 sm:px-10"
>
  <a
    href="/"
    class="border-primary border-b-[3px] font-serif text-lg leading-6 font-semibold"
    class:hidden={place.name !== 'rounds'}
    class:sm:inline={place.name !== 'rounds'}
    aria-label="Umberline, to the rounds">Umberline</a
  >
  <nav
    bind:this={nav}
    class="flex min-w-0 flex-1 items-center gap-4 overflow-x-auto sm:gap-5"
    aria-label="places"
  >
    {#each places as one (one.path)}
      <a
        href={one.path}
        class="flex min-h-11 shrink-0 items-center"
        class:font-bold={place.name === one.name}
        aria-current={place.name === one.name ? 'page' : undefined}>{one.text}</a
      >
    {/each}
  </nav>
  <Outbox />
  <Button
    kind="bare"
    onclick={() => (settings = true)}
    aria-label="Units and keys"
    data-testid="settings">Units</Button
  >
  <button
    class="flex size-11 items-center justify-center"
    onclick={switchTheme}
    aria-label={theme === 'umber-day' ? 'Night colours' : 'Day colours'}
    data-testid="theme"
  >
    {#if theme === 'umber-day'}<Moon size={16} />{:else}<Sun size={16} />{/if}
  </button>
  <a
    href="/account"
    class="hidden min-h-11 items-center capitalize sm:flex"
    class:font-bold={place.name === 'account'}
    aria-label="Account of {session.name}"
    data-testid="account">{session.name}</a
  >
  <button
    class="hidden min-h-11 whitespace-nowrap sm:block"
    onclick={signOut}
    data-testid="sign-out"
  >
    Sign out
  </button>
</header>
<Sheet title="Units and keys" open={settings} onclose={() => (settings = false)}>
  <h3 class="font-serif text-lg">Units</h3>
  <p class="text-neutral">Every number on every page, at once.</p>
  {#each units.offered as quantity (quantity.name)}
    <fieldset class="border-base-300 flex flex-wrap items-center gap-x-5 border-b py-1">
      <legend class="float-left w-28 capitalize">{quantity.name}</legend>
      {#each quantity.units as unit (unit.label)}
        <Check
          dense
          type="radio"
          name={quantity.name}
          checked={labelOf(quantity.name as QuantityName) === unit.label}
          onchange={() => void chooseUnit(quantity.name as QuantityName, unit.label)}
          >{unit.label}</Check
        >
      {/each}
    </fieldset>
  {/each}
  <p class="mt-4 flex gap-6 sm:hidden">
    <TextLink href="/account" onclick={() => (settings = false)}>Account</TextLink>
    <Button onclick={signOut}>Sign out, <span class="capitalize">{session.name}</span></Button>
  </p>
  <h3 class="mt-6 font-serif text-lg">Keys</h3>
  <dl class="grid grid-cols-[11rem_1fr] gap-y-1">
    {#each KEYS as [key, text] (key)}
      <dt><kbd>{key}</kbd></dt>
      <dd>{text}</dd>
    {/each}
  </dl>
</Sheet>
