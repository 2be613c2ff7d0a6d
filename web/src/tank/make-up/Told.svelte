<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import Blank from './Blank.svelte';
  import { getEditing } from './editing.svelte';
  import type { Path } from './file';
  import { pieces } from './sentences';
  import { blank } from './words';

  /** A sentence of the make-up with its blanks; what follows a bar is shown on demand. */
  let { base, words }: { base: Path; words: string } = $props();

  const editing = getEditing();
  let more = $state(false);
  let parts = $derived(words.split('|'));
  const pathsOf = (part: string): Path[] =>
    pieces(part, () => true).flatMap((piece) =>
      'path' in piece ? [[...base, ...piece.path]] : [],
    );
  /** Whether something stands in the part that is folded away. */
  let wanted = $derived(more || (parts[1] !== undefined && editing.touches(pathsOf(parts[1]))));

  const said = (path: Path) => {
    const value = editing.at([...base, ...path]);
    return value !== undefined && value !== null;
  };
</script>

<!-- No space may slip in between a blank and what follows it. -->
{#each wanted ? parts : parts.slice(0, 1) as part, i (i)}
  <!-- prettier-ignore -->
  {i > 0 ? ' ' : ''}{#each pieces(part, said) as piece, k (k)}{#if 'words' in piece}{piece.words}{:else}{@const path =
        [...base, ...piece.path]}<Blank
        blank={blank(editing.file, path)}
        name={String(path.at(-1))}
        value={editing.at(path)}
        was={editing.was(path)}
        assumed={editing.assumed(path)}
        problem={editing.problemAt(path)}
        today={editing.today}
        onchange={(value) => editing.set(path, value)}
      />{/if}{/each}
{/each}
{#if parts.length > 1 && !wanted}
  <Button kind="bare" dense class="text-neutral font-sans text-sm" onclick={() => (more = true)}
    >more…</Button
  >
{/if}
