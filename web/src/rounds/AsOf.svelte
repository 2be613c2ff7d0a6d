<script lang="ts">
  import { nearDay, ownDay, ownTime } from '../lib/words';

  /** Says that what stands above is of an earlier moment, while it is worked out anew. */
  let { from }: { from: string | undefined } = $props();
</script>

{#if from}
  <p class="text-neutral text-sm" role="status" data-testid="as-of">
    As of {nearDay(ownDay(from), ownDay(new Date().toISOString()))}, {ownTime(from)}; being worked
    out anew.
  </p>
{/if}
