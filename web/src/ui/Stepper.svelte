<script lang="ts">
  /** A whole number with a press for one less and one more. */
  let {
    value,
    label,
    least = 0,
    most = 999,
    onchange,
  }: {
    value: number;
    label: string;
    least?: number;
    most?: number;
    onchange: (value: number) => void;
  } = $props();

  const set = (next: number) => onchange(Math.min(most, Math.max(least, next)));
</script>

<span class="inline-flex items-center">
  <button
    type="button"
    class="size-11 text-2xl"
    aria-label="less: {label}"
    onclick={() => set(value - 1)}>−</button
  >
  <input
    class="border-base-content/50 h-11 w-12 border-b bg-transparent text-center tabular-nums"
    inputmode="numeric"
    aria-label={label}
    {value}
    onchange={(event) => set(Math.round(Number(event.currentTarget.value)) || least)}
  />
  <button
    type="button"
    class="size-11 text-2xl"
    aria-label="more: {label}"
    onclick={() => set(value + 1)}>+</button
  >
</span>
