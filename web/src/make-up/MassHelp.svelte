<script lang="ts">
  import { api } from '../api/client';

  /** A mass from a length: nobody weighs a fish. */
  let { onmass }: { onmass: (grams: number) => void } = $props();

  const SHAPES = ['slender', 'usual', 'deep', 'round', 'eel-like'];
  let shape = $state('usual');
  let lengthCm = $state(4);
  let problem = $state('');

  async function work() {
    problem = '';
    const answer = await api.POST('/api/mass', { body: { shape, lengthCm } });
    if (answer.data) onmass(answer.data.value);
    else problem = answer.error?.fields?.[0]?.allowed ?? 'That can’t be.';
  }
</script>

<p class="flex flex-wrap items-center gap-2">
  <label class="text-neutral flex items-center gap-2"
    >or from a length of
    <input
      type="number"
      step="any"
      min="0.1"
      class="border-base-content/50 h-11 w-16 border-b bg-transparent text-right sm:h-8"
      bind:value={lengthCm}
    />
    cm, body
    <select class="border-base-content/50 h-11 border-b bg-transparent sm:h-8" bind:value={shape}>
      {#each SHAPES as name (name)}<option value={name}>{name}</option>{/each}
    </select></label
  >
  <button type="button" class="min-h-11 underline sm:min-h-7" onclick={work}>Take the mass</button>
  {#if problem}<span class="text-error" role="alert">{problem}</span>{/if}
</p>
