<script lang="ts">
  import { api, type Problem } from '../api/client';
  import { goTo } from '../lib/place.svelte';
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

<label class="inline-flex min-h-11 cursor-pointer items-center gap-3 text-sm">
  <span class="underline underline-offset-4">Import a tank file</span>
  <input
    type="file"
    accept=".json,application/json"
    class="max-w-[14rem] text-xs"
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
          <code>{field.field || 'the file'}</code>: found {field.found}; allowed: {field.allowed}
        </li>
      {/each}
    </ul>
  </div>
{/if}
