/** One notice at a time, with a way back for ten seconds. */
export interface Toast {
  text: string;
  action?: { label: string; run: () => void };
  kind: 'done' | 'problem';
}

export const toast = $state<{ now: Toast | null }>({ now: null });

const SHOWN_MS = 10_000;
let timer: ReturnType<typeof setTimeout> | undefined;

export function show(next: Toast): void {
  clearTimeout(timer);
  toast.now = next;
  timer = setTimeout(dismiss, SHOWN_MS);
}

export function dismiss(): void {
  clearTimeout(timer);
  toast.now = null;
}
