<script lang="ts">
  import { onDestroy, onMount } from 'svelte';

  /** A wait that goes on over reloads, told by sight and touch; sound only where it is wanted. */
  let {
    name,
    minutes,
    words,
    sound = false,
    onend = () => undefined,
  }: {
    name: string;
    minutes: number;
    words: string;
    sound?: boolean;
    onend?: () => void;
  } = $props();

  // svelte-ignore state_referenced_locally
  const store = `umberline-timer-${name}`;
  const TICK_MS = 250;
  let endsAt = $state(0);
  let now = $state(Date.now());
  let told = false;
  let ticking: ReturnType<typeof setInterval> | undefined;

  let left = $derived(Math.max(0, endsAt - now));
  let over = $derived(endsAt > 0 && left === 0);
  let shown = $derived(
    `${Math.floor(Math.ceil(left / 1000) / 60)}:${String(Math.ceil(left / 1000) % 60).padStart(2, '0')}`,
  );

  onMount(() => {
    endsAt = Number(localStorage.getItem(store) ?? 0);
    told = endsAt > 0 && endsAt < Date.now();
    if (endsAt > 0) run();
  });
  onDestroy(() => clearInterval(ticking));

  function run() {
    clearInterval(ticking);
    ticking = setInterval(() => {
      now = Date.now();
      if (now >= endsAt) {
        clearInterval(ticking);
        if (!told) tell();
      }
    }, TICK_MS);
    now = Date.now();
  }

  export function start() {
    told = false;
    endsAt = Date.now() + minutes * 60_000;
    localStorage.setItem(store, String(endsAt));
    run();
  }

  function stop() {
    clearInterval(ticking);
    endsAt = 0;
    localStorage.removeItem(store);
  }

  function tell() {
    told = true;
    navigator.vibrate?.([200, 100, 200]);
    if (sound) beep();
    onend();
  }

  function beep() {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    tone.connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.4);
  }
</script>

{#if endsAt === 0}
  <button
    type="button"
    class="border-base-content/50 min-h-11 rounded-field border px-3 text-sm print:hidden"
    aria-label="{minutes} min, start the timer: {words}"
    onclick={start}
    data-testid="timer-start">{minutes} min</button
  >
{:else}
  <button
    type="button"
    class="min-h-11 rounded-field border px-3 font-bold tabular-nums print:hidden"
    class:border-secondary={!over}
    class:bg-warning={over}
    class:text-warning-content={over}
    aria-label={over
      ? `now, time is over: ${words}; put the timer back`
      : `${shown}, stop the timer: ${words}`}
    onclick={stop}
    data-testid="timer">{over ? 'now' : shown}</button
  >
  <span class="sr-only" role="status">{over ? `Time is over: ${words}` : ''}</span>
{/if}
