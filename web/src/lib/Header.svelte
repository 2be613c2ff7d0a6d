<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Sun from '@lucide/svelte/icons/sun';
  import { postForm, type Session } from '../api/client';
  import { place } from './place.svelte';

  let { session, onsignedout }: { session: Session; onsignedout: () => void } = $props();
  let theme = $state(document.documentElement.dataset.theme ?? 'umber-day');

  function switchTheme() {
    theme = theme === 'umber-day' ? 'umber-night' : 'umber-day';
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('umberline-theme', theme);
  }

  async function signOut() {
    await postForm('/api/sign-out', {});
    onsignedout();
  }
</script>

<header
  class="border-base-300 flex h-12 shrink-0 items-center gap-5 border-b px-4 text-sm sm:px-10"
>
  <a
    href="/"
    class="border-primary border-b-[3px] font-serif text-lg leading-6 font-semibold"
    aria-label="Umberline, to the rounds">Umberline</a
  >
  <nav class="flex flex-1 items-center gap-5">
    <a
      href="/"
      class="flex min-h-11 items-center"
      class:font-bold={place.name === 'rounds'}
      aria-current={place.name === 'rounds' ? 'page' : undefined}>Rounds</a
    >
  </nav>
  <button
    class="flex size-11 items-center justify-center"
    onclick={switchTheme}
    aria-label={theme === 'umber-day' ? 'Night colours' : 'Day colours'}
  >
    {#if theme === 'umber-day'}<Moon size={16} />{:else}<Sun size={16} />{/if}
  </button>
  <button class="min-h-11" onclick={signOut}>
    <span class="text-neutral hidden capitalize sm:inline">{session.name} ·</span> Sign out
  </button>
</header>
