<script lang="ts">
  import { api } from '../../api/client';

  import { tanks } from '../../lib/tanks.svelte';
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import Input from '../../ui/Input.svelte';

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
      <Check
        checked={chosen.includes(tank.id)}
        onchange={(event) => {
          chosen = event.currentTarget.checked
            ? [...chosen, tank.id]
            : chosen.filter((one) => one !== tank.id);
          changed();
        }}>{tank.name}</Check
      >
    {/each}
  </fieldset>
  <label class="mt-2 block"
    >What was measured or done in each
    <Input
      class="border-base-content mt-1 w-full"
      bind:value={text}
      oninput={changed}
      maxlength={500}
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
  <Button
    kind="main"
    class="mt-2"
    disabled={busy ||
      noted ||
      !text.trim() ||
      chosen.length === 0 ||
      results.some((r) => r.problem)}>{noted ? 'Noted' : `Note it in ${chosen.length}`}</Button
  >
</form>
