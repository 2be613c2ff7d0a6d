import type { ScaleTime } from 'd3-scale';
import { addDays, dayEnd } from '../../../lib/words';
import type { Time } from './time.svelte';

const HALF_DAY = 43_200_000;

/** Where the picture lies, in pixels. */
export interface Frame {
  x: ScaleTime<number, number>;
  left: number;
  right: number;
  today: string;
}

/** What mouse, fingers and keys do to the picture: point at a day, move along time, zoom. */
export class Hand {
  /** The day pointed at. */
  pointed = $state<string | null>(null);
  /** The range last chosen by name; empty once moved by hand. */
  range = $state('');
  private readonly fingers = new Map<number, number>();
  private moved = 0;

  constructor(
    private readonly time: Time,
    private readonly frame: () => Frame,
  ) {}

  down = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    this.fingers.set(event.pointerId, place(event));
    this.moved = 0;
    this.point(event);
  };

  move = (event: PointerEvent): void => {
    const before = this.fingers.get(event.pointerId);
    if (before === undefined) {
      if (event.pointerType === 'mouse') this.point(event);
      return;
    }
    const { x, left, right } = this.frame();
    const at = place(event);
    const other = [...this.fingers.entries()].find(([id]) => id !== event.pointerId)?.[1];
    if (other !== undefined) {
      const apart = Math.max(20, Math.abs(at - other));
      const middle = x.invert((at + other) / 2).getTime();
      this.time.zoom(Math.max(20, Math.abs(before - other)) / apart, middle);
      this.range = '';
    } else {
      this.moved += Math.abs(at - before);
      if (this.moved > 4) {
        (event.currentTarget as Element).setPointerCapture(event.pointerId);
        this.pan((before - at) / (right - left));
        this.pointed = null;
      }
    }
    this.fingers.set(event.pointerId, at);
  };

  up = (event: PointerEvent): void => {
    this.fingers.delete(event.pointerId);
  };

  leave = (): void => {
    if (this.fingers.size === 0) this.pointed = null;
  };

  /** Sideways moves along time; with Ctrl, by pinch, or when the page has nothing to scroll, up and down zooms. */
  wheel = (event: WheelEvent): void => {
    const sideways = Math.abs(event.deltaX) > Math.abs(event.deltaY) || event.shiftKey;
    const scrolls = document.documentElement.scrollHeight > window.innerHeight + 1;
    if (!sideways && !event.ctrlKey && scrolls) return;
    event.preventDefault();
    const { x, left, right } = this.frame();
    if (sideways) this.pan((event.deltaX || event.deltaY) / (right - left));
    else this.zoom(Math.exp(event.deltaY * 0.0015), x.invert(place(event)).getTime());
  };

  key = (event: KeyboardEvent): void => {
    if (event.target !== event.currentTarget) return;
    const { x, left, right, today } = this.frame();
    const days = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[event.key];
    if (days !== undefined && event.shiftKey) this.pan(days * 0.1);
    else if (days !== undefined) {
      this.pointed = addDays(this.pointed ?? today, days);
      const at = x(dayEnd(this.pointed));
      if (at < left || at > right) this.time.pan(days > 0 ? 0.3 : -0.3);
    } else if (event.key === '+' || event.key === '-')
      this.zoom(event.key === '+' ? 0.7 : 1 / 0.7, dayEnd(this.pointed ?? today).getTime());
    else if (event.key === 'Home') this.time.pan(-1e6);
    else if (event.key === 'End') this.time.pan(1e6);
    else if (event.key === 'Escape') this.pointed = null;
    else return;
    event.preventDefault();
  };

  private pan(share: number): void {
    this.time.pan(share);
    this.range = '';
  }

  private zoom(by: number, around: number): void {
    this.time.zoom(by, around);
    this.range = '';
  }

  private point(event: PointerEvent): void {
    const { x, left, right } = this.frame();
    const at = place(event);
    // an end-of-day value belongs to the day that ends there
    this.pointed =
      at >= left && at <= right
        ? new Date(x.invert(at).getTime() - HALF_DAY).toISOString().slice(0, 10)
        : null;
  }
}

function place(event: MouseEvent): number {
  return event.clientX - (event.currentTarget as Element).getBoundingClientRect().left;
}
