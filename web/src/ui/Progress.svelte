<script lang="ts">
  /** How far long work is, told in words and drawn as a rule that fills. */
  let { share, words }: { share: number | undefined; words: string } = $props();

  let percent = $derived(Math.round((share ?? 0) * 100));
</script>

<div class="max-w-md">
  <p>{words}{share === undefined ? '' : `, ${percent} % done`}</p>
  <div
    class="bg-base-300 mt-1 h-1"
    role="progressbar"
    aria-label={words}
    aria-valuemin="0"
    aria-valuemax="100"
    aria-valuenow={share === undefined ? undefined : percent}
  >
    <div class="bg-secondary h-1 transition-[width] duration-150" style:width="{percent}%"></div>
  </div>
</div>
