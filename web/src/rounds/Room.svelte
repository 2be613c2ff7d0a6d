<script lang="ts">
  import { api, type Schemas } from '../api/client';
  import { show } from '../lib/toast.svelte';
  import { nearDay } from '../lib/words';
  import Button from '../ui/Button.svelte';
  import Count from '../ui/Count.svelte';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import { reach, type Site } from './sites';

  /** A room of the round: who it is looked after for, when it was visited, and when it is next. */
  let {
    site,
    visits,
    today,
    onsaved,
  }: {
    site: Site;
    /** Those to its tanks, the newest first. */
    visits: Schemas['Listed'][];
    today: string;
    onsaved: () => Promise<void>;
  } = $props();

  let open = $state(false);
  let typed = $state.raw<Site | null>(null);
  let problem = $state('');
  let next = $derived(
    visits
      .map((visit) => visit.nextOn ?? '')
      .filter((day) => day >= today)
      .sort()[0],
  );
  const FIELDS: { key: 'client' | 'address' | 'contact'; words: string; most: number }[] = [
    { key: 'client', words: 'Looked after for', most: 120 },
    { key: 'address', words: 'Address', most: 300 },
    { key: 'contact', words: 'Telephone or e-mail', most: 120 },
  ];

  async function save(event: SubmitEvent) {
    event.preventDefault();
    if (!typed) return;
    const answer = await api.PUT('/api/sites', { body: typed });
    if (!answer.response.ok) {
      problem = answer.error?.detail ?? 'That was not saved.';
      return;
    }
    problem = '';
    open = false;
    await onsaved();
    show({ kind: 'done', text: 'Saved.' });
  }
</script>

<div class="mt-4 flex flex-wrap items-baseline gap-x-4 text-sm" data-testid="room">
  <h2 class="font-bold">
    {#if site.stop}<span class="text-neutral font-normal">{site.stop}.</span>{/if}
    {site.site}
  </h2>
  {#if site.client}<span>{site.client}</span>{/if}
  {#if site.address}<span class="text-neutral">{site.address}</span>{/if}
  {#if reach(site.contact)}
    <a class="link min-h-11 underline-offset-4 sm:min-h-0" href={reach(site.contact)}
      >{site.contact}</a
    >
  {:else if site.contact}<span class="text-neutral">{site.contact}</span>{/if}
  {#if next}<span class="text-neutral">next visit {nearDay(next, today)}</span>{/if}
  <Button
    dense
    class="text-neutral"
    onclick={() => {
      typed = { ...site };
      open = true;
    }}
    aria-label="who {site.site} is looked after for"
    >{site.client ? 'Details' : 'Whose is it?'}</Button
  >
</div>
<Sheet title={site.site} {open} onclose={() => (open = false)}>
  {#if typed}
    <form onsubmit={save} data-testid="site">
      {#each FIELDS as { key, words, most } (key)}
        <Label class="border-base-300 gap-3 border-b">
          <span class="flex-1">{words}</span>
          <Input
            class="w-64"
            maxlength={most}
            value={typed[key]}
            oninput={(event) => {
              if (typed) typed = { ...typed, [key]: event.currentTarget.value };
            }}
          />
        </Label>
      {/each}
      <Label class="border-base-300 gap-3 border-b">
        <span class="flex-1">Stop on your round, 0 for none</span>
        <Count
          value={typed.stop ?? 0}
          label="stop on your round"
          most={999}
          onchange={(stop) => {
            if (typed) typed = { ...typed, stop: stop || undefined };
          }}
        />
      </Label>
      <p class="text-neutral mt-2">
        Only you see this. It stands on the page a visit leaves, but for telephone and e-mail.
      </p>
      {#if problem}<p class="text-error" role="alert">{problem}</p>{/if}
      <Button kind="main" class="mt-3">Save</Button>
    </form>
    <h3 class="mt-6 font-serif text-lg">Visits</h3>
    <ul>
      {#each visits as visit (visit.id)}
        <li class="border-base-300 border-b py-1">
          <a class="link underline-offset-4" href="/tank/{visit.tank}/visit">{visit.name}</a>
          <span class="text-neutral"
            >{nearDay(visit.on, today)}{visit.ended ? '' : ', not ended'}</span
          >
        </li>
      {:else}
        <li class="text-neutral">None yet.</li>
      {/each}
    </ul>
  {/if}
</Sheet>
