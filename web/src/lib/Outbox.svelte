<script lang="ts">
  import { drop, mend, outbox } from './outbox.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import { tanks } from './tanks.svelte';
  import Button from '../ui/Button.svelte';
  import Input from '../ui/Input.svelte';

  let open = $state(false);
  let refused = $derived(outbox.items.filter((item) => item.refused).length);
  let mended = $state<Record<string, string>>({});
  const nameOf = (tank: string) => tanks.all.find((one) => one.id === tank)?.name ?? '';
</script>

{#if outbox.items.length > 0}
  <button
    class="min-h-11 font-semibold whitespace-nowrap underline decoration-2 underline-offset-4"
    class:text-error={refused > 0}
    data-testid="outbox"
    onclick={() => (open = true)}
    >{refused > 0 ? `${refused} not taken` : `${outbox.items.length} to be sent`}</button
  >
{/if}
<Sheet
  title="Kept on this device"
  open={open && outbox.items.length > 0}
  onclose={() => (open = false)}
>
  <p class="text-neutral">
    What was noted without a connection. It is sent by itself, once; what the server would not take
    stays here until you decide.
  </p>
  <ul class="mt-2">
    {#each outbox.items as item (item.id)}
      <li class="border-base-300 border-b py-2" data-testid="outbox-item">
        <p>
          <strong>{nameOf(item.tank)}</strong>
          <span class="text-neutral">{item.at.slice(0, 16).replace('T', ' ')}</span>
        </p>
        {#if item.refused}
          <p class="text-error">{item.refused}</p>
          <label class="block"
            >What it should say
            <Input
              class="border-base-content w-full"
              value={mended[item.id] ?? item.text}
              oninput={(event) => (mended[item.id] = event.currentTarget.value)}
            /></label
          >
          <p class="flex gap-x-6">
            <Button kind="strong" onclick={() => mend(item.id, mended[item.id] ?? item.text)}
              >Send again</Button
            >
            <Button onclick={() => drop(item.id)}>Discard</Button>
          </p>
        {:else}
          <p>{item.text}</p>
        {/if}
      </li>
    {/each}
  </ul>
</Sheet>
