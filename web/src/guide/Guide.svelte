<script lang="ts">
  import { KEYS } from '../lib/keys';
  import { place } from '../lib/place.svelte';
  import Button from '../ui/Button.svelte';
  import { PAGES, pageOf } from './pages';

  /** The handbook, open at the page that speaks of the place one is in. */
  let chosen = $state(pageOf(place.name));
  let page = $derived(PAGES.find((one) => one.key === chosen));
  let others = $derived(PAGES.filter((one) => one.key !== chosen));
</script>

{#if page}
  <article class="guide max-w-prose text-base leading-7" data-testid="guide">
    <h3 class="font-serif text-2xl">{page.title}</h3>
    <!-- eslint-disable-next-line svelte/no-at-html-tags -- our own text, shipped with the page -->
    {@html page.html}
  </article>
{/if}
<h3 class="mt-8 font-serif text-lg">More of the guide</h3>
<ul class="grid sm:grid-cols-2">
  {#each others as one (one.key)}
    <li>
      <Button
        class="text-left"
        onclick={(event) => {
          chosen = one.key;
          event.currentTarget.closest('dialog')?.scrollTo({ top: 0 });
        }}>{one.title}</Button
      >
    </li>
  {/each}
</ul>
<h3 class="mt-6 hidden font-serif text-lg sm:block">Keys</h3>
<dl class="hidden grid-cols-[11rem_1fr] gap-y-1 sm:grid">
  {#each KEYS as [key, text] (key)}
    <dt><kbd>{key}</kbd></dt>
    <dd>{text}</dd>
  {/each}
</dl>

<style>
  .guide :global(p),
  .guide :global(ul) {
    margin-top: 0.75rem;
  }
  .guide :global(ul) {
    list-style: disc;
    padding-left: 1.25rem;
  }
  .guide :global(li) {
    margin-top: 0.25rem;
  }
  .guide :global(code) {
    background: var(--color-base-200);
    padding: 0 0.25rem;
  }
</style>
