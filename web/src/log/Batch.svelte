<script lang="ts">
  import { api } from '../api/client';

  import { tanks } from '../lib/tanks.svelte';

  let { first, onnoted }: { first: string; onnoted: () => void } = $props();

  interface Result {
    name: string;
    said: string[];
    problem: boolean;
  }

  const READ_AFTER_MS = 200;
  let text = $state('');
  // svelte-ignore state_referenced_locally
  let chosen = $state<string[]>([first]);
  let results = $state<Result[]>([]);
  let noted = $state(false);
  let busy = $state(false);
  let ids = new Map<string, string>();
  let timer: ReturnType<typeof setTimeout> | undefined;

  function changed() {
    noted = false;
    ids = new Map();
    clearTimeout(timer);
    timer = setTimeout(() => void read(), READ_AFTER_MS);
  }

  async function read() {
    const asked = text;
    const at = new Date().toISOString();
    const all: Result[] = [];
    for (const tank of asked.trim() ? chosen : []) {
      const answer = await api.POST('/api/tanks/{id}/readings', {
        params: { path: { id: tank } },
        body: { text: asked, at },
      });
      const problems = answer.data?.problems ?? [answer.error?.detail ?? 'That can’t be read.'];
      all.push({
        name: nameOf(tank),
        said: problems.length ? problems : (answer.data?.understood ?? []),
        problem: problems.length > 0,
      });
    }
    if (asked === text) results = all;
  }

  function nameOf(tank: string): string {
    return tanks.all.find((one) => one.id === tank)?.name ?? '';
  }

  /** Notes the line in each tank; what is noted already is not noted twice. */
  async function note(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const at = new Date().toISOString();
    const all: Result[] = [];
    for (const tank of chosen) {
      const id = ids.get(tank) ?? crypto.randomUUID();
      ids.set(tank, id);
      const answer = await api.POST('/api/tanks/{id}/log', {
        params: { path: { id: tank } },
        body: { id, text, at },
      });
      all.push({
        name: nameOf(tank),
        said: answer.data?.understood ?? [answer.error?.detail ?? 'Nothing was saved.'],
        problem: !answer.data,
      });
    }
    results = all;
    noted = true;
    busy = false;
    onnoted();
  }
</script>

<form onsubmit={note} data-testid="batch">
  <fieldset class="flex flex-wrap gap-x-6">
    <legend class="sr-only">Tanks</legend>
    {#each tanks.all as tank (tank.id)}
      <label class="flex min-h-11 items-center gap-2"
        ><input type="checkbox" value={tank.id} bind:group={chosen} onchange={changed} />
        {tank.name}</label
      >
    {/each}
  </fieldset>
  <label class="mt-2 block"
    >What was measured or done in each
    <input
      class="border-base-content mt-1 h-11 w-full border-b bg-transparent px-1"
      bind:value={text}
      oninput={changed}
      maxlength="500"
      autocomplete="off"
      spellcheck="false"
      placeholder="cleaned sponge"
    /></label
  >
  <ul class="mt-2 min-h-16 text-sm" aria-live="polite">
    {#each results as result (result.name)}
      <li class:text-error={result.problem}>
        <strong>{result.name}</strong>: {result.said.join('; ')}
      </li>
    {/each}
  </ul>
  <button
    class="bg-base-content text-base-100 mt-2 min-h-11 rounded-field px-4"
    disabled={busy ||
      noted ||
      !text.trim() ||
      chosen.length === 0 ||
      results.some((r) => r.problem)}>{noted ? 'Noted' : `Note it in ${chosen.length}`}</button
  >
</form>
