import { oncePainted } from './paint';

/**
 * Draws a long list a few parts a frame, so that what stands first can be read and pressed while
 * the rest is being drawn. To be made while a component is.
 */
export class Gradually {
  private count = $state(0);
  private all = $state(false);

  /**
   * @param first parts drawn at once
   * @param step parts drawn with each frame after that
   * @param total how many there are
   */
  constructor(first: number, step: number, total: () => number) {
    this.count = first;
    $effect(() => {
      if (this.count >= total()) {
        this.all ||= total() > 0;
        return;
      }
      return oncePainted(() => (this.count += step));
    });
  }

  /** The parts to draw by now. */
  of<T>(all: T[]): T[] {
    return this.count >= all.length ? all : all.slice(0, this.count);
  }

  /** Whether all were drawn once. */
  get isComplete(): boolean {
    return this.all;
  }

  /** How many are drawn by now of those from a number, counted from 0. */
  since(number: number): number {
    return Math.max(0, this.count - number);
  }

  /** Whether the part of a number, counted from 0, is drawn by now. */
  has(number: number): boolean {
    return number < this.count;
  }
}
