<script lang="ts">
  import { api, type Schemas } from '../api/client';

  import { said } from '../lib/said';
  import { show } from '../lib/toast.svelte';
  import { longDay } from '../lib/words';
  import Input from '../ui/Input.svelte';
  import Label from '../ui/Label.svelte';

  let { tank, onchanged }: { tank: Schemas['UpkeepTank']; onchanged: () => Promise<void> } =
    $props();
  const ORIGIN: Record<string, string> = {
    TRADE: 'usual',
    KEEPER: 'yours',
    MODEL: 'by the model',
    ROUTINE: 'your routine',
    SEEN: 'because you saw it',
  };

  async function set(work: string, typed: string) {
    const everyDays = Math.round(Number(typed));
    const answer = await api.PUT('/api/tanks/{id}/upkeep/{work}', {
      params: { path: { id: tank.id, work } },
      body: { version: tank.careVersion, everyDays },
    });
    if (!answer.response.ok)
      show({ kind: 'problem', text: answer.error?.detail ?? 'That was not saved.' });
    await onchanged();
  }
</script>

<h3 class="font-serif text-lg">{tank.name}</h3>
<p class="text-neutral">Days between; 0 takes the work off the list.</p>
<ul>
  {#each tank.works as work (work.key)}
    <li class="border-base-300 flex flex-wrap items-center gap-x-4 border-b py-1">
      <span class="min-w-0 flex-1 basis-40">
        {said(work.words, tank.today)}
        <span class="text-neutral block text-sm">
          {work.lastDone ? `last ${longDay(work.lastDone, tank.today)}` : 'never noted'} ·
          {ORIGIN[work.origin]}
          {said(work.reason, tank.today)}
        </span>
      </span>
      {#if work.kind !== 'CHANGE'}
        <Label
          >every
          <Input
            type="number"
            min="0"
            max="365"
            class="w-16 text-center"
            value={work.everyDays}
            aria-label="days between: {said(work.words, tank.today)}"
            onchange={(event) => void set(work.key, event.currentTarget.value)}
          /> days</Label
        >
      {/if}
    </li>
  {/each}
</ul>
