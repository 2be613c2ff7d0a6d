<script lang="ts">
  import { api, type Problem } from '../api/client';
  import { goTo } from '../lib/place.svelte';
  import { whereInFile } from '../lib/words';
  import { loadTanks } from '../lib/tanks.svelte';

  /** A tank from a file of its own. */
  let refused = $state<Problem | null>(null);

  async function read(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const chosen = input.files?.[0];
    if (!chosen) return;
    refused = null;
    const id = crypto.randomUUID();
    const file = await chosen.text();
    const answer = await api.POST('/api/tanks', { body: { id, file } });
    input.value = '';
    if (answer.error) refused = answer.error;
    else {
      void loadTanks();
      goTo(`/tank/${id}`);
    }
  }
</script>

<label
  class="inline-flex min-h-11 cursor-pointer items-center text-sm underline underline-offset-4 focus-within:outline-2"
>
  Import a tank file
  <input
    type="file"
    accept=".json,application/json"
    class="sr-only"
    onchange={read}
    data-testid="take-in"
  />
</label>
{#if refused}
  <div role="alert" class="border-error mt-3 border-l-2 pl-3 text-sm" data-testid="refused">
    <p class="text-error font-semibold">{refused.detail}</p>
    <ul class="mt-1">
      {#each refused.fields ?? [] as field (field.field + field.found)}
        <li>
          {whereInFile(field.field)}: found {field.found}; allowed: {field.allowed}
        </li>
      {/each}
    </ul>
  </div>
{/if}
