<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';
  import Input from './Input.svelte';

  /** A number with a press for one step less and one more. */
  let {
    value,
    label,
    onstep,
    ontype,
    class: extra = 'w-12 tabular-nums',
    ...rest
  }: Omit<HTMLInputAttributes, 'value'> & {
    value: number | string;
    label: string;
    onstep: (by: 1 | -1) => void;
    ontype: (text: string) => void;
  } = $props();
</script>

<span class="inline-flex items-center gap-1">
  <button
    type="button"
    class="border-base-content/40 size-11 rounded-field border text-xl"
    aria-label="less: {label}"
    onclick={() => onstep(-1)}>−</button
  >
  <Input
    class={['text-center', extra]}
    aria-label={label}
    {value}
    onchange={(event) => ontype(event.currentTarget.value)}
    {...rest}
  />
  <button
    type="button"
    class="border-base-content/40 size-11 rounded-field border text-xl"
    aria-label="more: {label}"
    onclick={() => onstep(1)}>+</button
  >
</span>
