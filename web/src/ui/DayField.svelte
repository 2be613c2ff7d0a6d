<script lang="ts">
  import { readDay, shownDay } from '../lib/days';
  import Input from './Input.svelte';

  /** A day as the reader writes it: 3 Oct, 3.10.26, today; kept as an ISO day, empty for none. */
  let {
    value = $bindable(),
    today,
    toCome = false,
    ...rest
  }: {
    value: string | undefined;
    today: string;
    /** Whether a day without a year is the next such day, not the last. */
    toCome?: boolean;
    class?: string;
    'data-testid'?: string;
  } = $props();

  const uid = $props.id();
  /** What was typed and is no day. */
  let unread = $state('');
  let shown = $derived(unread || (value ? shownDay(value) : ''));

  function typed(text: string) {
    const day = text.trim() === '' ? '' : readDay(text, today, { toCome });
    unread = day === null ? text : '';
    if (day !== null) value = day || undefined;
  }
</script>

<span class="inline-flex flex-col">
  <Input
    class="w-32"
    value={shown}
    onchange={(event) => typed(event.currentTarget.value)}
    autocomplete="off"
    aria-invalid={unread ? true : undefined}
    aria-describedby={unread ? uid : undefined}
    {...rest}
  />
  {#if unread}
    <span id={uid} class="text-error text-sm" role="alert">Write it like 3 Oct or 2026-10-03.</span>
  {/if}
</span>
