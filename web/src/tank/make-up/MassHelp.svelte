<script lang="ts">
  import { api } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Select from '../../ui/Select.svelte';

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
    <Input type="number" step="any" min="0.1" dense class="w-16 text-right" bind:value={lengthCm} />
    cm, body
    <Select dense bind:value={shape}>
      {#each SHAPES as name (name)}<option value={name}>{name}</option>{/each}
    </Select></label
  >
  <Button type="button" dense onclick={work}>Take the mass</Button>
  {#if problem}<span class="text-error" role="alert">{problem}</span>{/if}
</p>
