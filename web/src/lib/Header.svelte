<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Sun from '@lucide/svelte/icons/sun';
  import type { Session } from '../api/client';
  import { follow } from './keys';
  import { place } from './place.svelte';
  import { signOut } from './session.svelte';
  import { tanks } from './tanks.svelte';
  import { chooseUnit, labelOf, units, type QuantityName } from './units.svelte';
  import Outbox from './Outbox.svelte';
  import ThumbBar from './ThumbBar.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import Button from '../ui/Button.svelte';
  import Check from '../ui/Check.svelte';
  import TextLink from '../ui/TextLink.svelte';

  let { session }: { session: Session } = $props();
  let theme = $state(document.documentElement.dataset.theme ?? 'umber-day');
  let settings = $state(false);
  let guide = $state(false);
  let tank = $derived(tanks.all.find((one) => one.id === place.tank));

  function switchTheme() {
    theme = theme === 'umber-day' ? 'umber-night' : 'umber-day';
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('umberline-theme', theme);
  }

  const everywhere = [
    { name: 'rounds', path: '/', text: 'Rounds' },
    { name: 'upkeep', path: '/upkeep', text: 'Upkeep' },
    { name: 'bench', path: '/bench', text: 'Bench' },
  ];
  let ofTank = $derived(
    place.tank
      ? [
          { name: 'balance', path: `/tank/${place.tank}`, text: 'Balance' },
          { name: 'log', path: `/tank/${place.tank}/log`, text: 'Log' },
          { name: 'change', path: `/tank/${place.tank}/change`, text: 'Change' },
          { name: 'trouble', path: `/tank/${place.tank}/trouble`, text: 'Trouble' },
          { name: 'doses', path: `/tank/${place.tank}/doses`, text: 'Doses' },
          { name: 'trials', path: `/tank/${place.tank}/trials`, text: 'Trials' },
          { name: 'visit', path: `/tank/${place.tank}/visit`, text: 'Visit' },
          { name: 'make-up', path: `/tank/${place.tank}/make-up`, text: 'Make-up' },
        ]
      : [],
  );
</script>

<svelte:window
  onkeydown={(event) => {
    if (follow(event, () => (guide = true))) event.preventDefault();
  }}
/>

{#snippet link(one: { name: string; path: string; text: string })}
  <a
    href={one.path}
    class="flex min-h-11 shrink-0 items-center"
    class:font-bold={place.name === one.name}
    aria-current={place.name === one.name ? 'page' : undefined}>{one.text}</a
  >
{/snippet}

<a
  href="#page"
  class="bg-base-content text-base-100 sr-only z-20 px-4 py-3 focus:not-sr-only focus:absolute"
  onclick={(event) => {
    event.preventDefault();
    document.getElementById('page')?.focus();
  }}>To the page itself</a
>
<header
  class="border-base-300 flex shrink-0 flex-wrap items-center gap-x-4 border-b px-4 text-sm sm:gap-x-5 sm:px-10 lg:h-12 lg:flex-nowrap"
>
  <a href="/" class="flex min-h-11 items-center" aria-label="Umberline, to the rounds"
    ><span class="border-primary border-b-[3px] font-serif text-lg leading-6 font-semibold"
      >Umberline</span
    ></a
  >
  <nav class="hidden items-center gap-5 sm:flex" aria-label="places">
    {#each everywhere as one (one.path)}{@render link(one)}{/each}
  </nav>
  {#if ofTank.length > 0}
    <nav
      class="border-base-300 order-1 flex w-full min-w-0 flex-wrap items-center gap-x-4 border-t sm:gap-5 lg:order-none lg:w-auto lg:flex-1 lg:flex-nowrap lg:border-t-0"
      aria-label="places of the tank"
    >
      <span
        class="border-base-content/40 hidden max-w-48 truncate font-serif font-semibold sm:inline lg:border-l lg:pl-5"
        >{tank?.name ?? ''}</span
      >
      {#each ofTank as one (one.path)}{@render link(one)}{/each}
    </nav>
  {/if}
  <span class="ml-auto flex items-center gap-4 sm:gap-5">
    <Outbox />
    <Button
      kind="bare"
      onclick={() => (guide = true)}
      aria-label="Guide and keys"
      data-testid="open-guide">Guide</Button
    >
    <Button kind="bare" onclick={() => (settings = true)} data-testid="settings">Units</Button>
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
  </span>
</header>
<ThumbBar places={everywhere} />
<Sheet title="Units" open={settings} onclose={() => (settings = false)}>
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
</Sheet>
<Sheet title="Guide" open={guide} onclose={() => (guide = false)}>
  {#await import('../guide/Guide.svelte') then { default: Guide }}
    <Guide />
  {/await}
</Sheet>
