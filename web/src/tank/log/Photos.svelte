<script lang="ts">
  import { onMount } from 'svelte';
  import { api, postPhoto, type Schemas } from '../../api/client';

  import { show } from '../../lib/toast.svelte';
  import { shortDay } from '../../lib/words';
  import Button from '../../ui/Button.svelte';
  import Input from '../../ui/Input.svelte';
  import Label from '../../ui/Label.svelte';
  import Select from '../../ui/Select.svelte';

  let {
    tank,
    about = '',
  }: {
    tank: string;
    /** What the next photo shows, until something else is said. */
    about?: string;
  } = $props();
  let photos = $state<Schemas['Photo'][]>([]);
  // svelte-ignore state_referenced_locally
  let note = $state(about);
  let busy = $state(false);
  let pair = $state<string[]>([]);

  async function load() {
    const answer = await api.GET('/api/tanks/{id}/photos', { params: { path: { id: tank } } });
    photos = answer.data ?? [];
    if (pair.length === 0 && photos.length > 1)
      pair = [photos[photos.length - 1]?.id ?? '', photos[0]?.id ?? ''];
  }
  onMount(() => void load());

  async function add(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) return;
    busy = true;
    const problem = await postPhoto(tank, crypto.randomUUID(), file, note);
    busy = false;
    input.value = '';
    if (problem) show({ kind: 'problem', text: problem });
    else {
      note = about;
      pair = [];
      await load();
    }
  }

  async function remove(photo: Schemas['Photo']) {
    await api.DELETE('/api/tanks/{id}/photos/{photo}', {
      params: { path: { id: tank, photo: photo.id } },
    });
    pair = pair.filter((id) => id !== photo.id);
    await load();
  }

  const source = (id: string) => `/api/tanks/${tank}/photos/${id}`;
  const said = (photo: Schemas['Photo']) =>
    `${shortDay(photo.day)} ${photo.day.slice(0, 4)}${photo.note ? `, ${photo.note}` : ''}`;
</script>

<p class="text-neutral">
  Same view, full light. Where it was taken is removed before a photo is kept.
</p>
<div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
  <label class="block"
    >Note
    <Input class="block w-64" bind:value={note} maxlength={200} /></label
  >
  <Label class="gap-3"
    ><span class="sr-only">Add a photo</span>
    <input
      type="file"
      accept="image/jpeg,image/png"
      capture="environment"
      disabled={busy}
      onchange={add}
      data-testid="photo-file"
    /></Label
  >
</div>
{#if photos.length > 1}
  <div class="mt-4 grid grid-cols-2 gap-3" data-testid="photo-pair">
    {#each [0, 1] as side (side)}
      {@const shown = photos.find((photo) => photo.id === pair[side])}
      <div>
        <Select
          class="w-full"
          aria-label={side === 0 ? 'left photo' : 'right photo'}
          bind:value={pair[side]}
        >
          {#each photos as photo (photo.id)}<option value={photo.id}>{said(photo)}</option>{/each}
        </Select>
        {#if shown}
          <img src={source(shown.id)} alt={said(shown)} class="mt-1 w-full" />
        {/if}
      </div>
    {/each}
  </div>
{/if}
<ul class="mt-4 grid grid-cols-3 gap-3 sm:grid-cols-5" data-testid="photos">
  {#each photos as photo (photo.id)}
    <li class="text-sm">
      <img
        src={source(photo.id)}
        alt={said(photo)}
        class="aspect-square w-full object-cover"
        loading="lazy"
      />
      <p>{said(photo)}</p>
      <Button
        dense
        aria-label="remove the photo of {said(photo)}"
        onclick={() => void remove(photo)}>Remove</Button
      >
    </li>
  {:else}
    <li class="text-neutral col-span-full">No photo yet.</li>
  {/each}
</ul>
