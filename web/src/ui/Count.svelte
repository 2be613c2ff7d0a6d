<script lang="ts">
  import Stepper from './Stepper.svelte';

  /** A whole number that is stepped up and down. */
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

<Stepper
  {value}
  {label}
  inputmode="numeric"
  onstep={(by) => set(value + by)}
  ontype={(text) => set(Math.round(Number(text)) || least)}
/>
