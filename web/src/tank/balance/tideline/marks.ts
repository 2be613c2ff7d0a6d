import type { Schemas } from '../../../api/client';

/** An end of what is kept: the umber line, or the lower one. */
export type End = 'ceiling' | 'floor';

/** An end while it is moved. */
export interface Dragged {
  end: End;
  mgL: number;
}

/** A mark's place in pixels: what a reading means, never more exact than its kit. */
export interface Mark {
  kind: 'bar' | 'diamond' | 'tail-down' | 'tail-up';
  x: number;
  /** The reading itself, or the end of the range it lies beyond. */
  y: number;
  top: number;
  bottom: number;
  /** Whether the upper end is open, or cut off by the picture's edge. */
  openTop: boolean;
}

/**
 * Where a test stands in the picture.
 *
 * @param x place on the time axis
 * @param y from mg/L to pixels, downwards
 * @param edge the picture's upper edge, pixels
 */
export function mark(
  test: Schemas['TestMark'],
  x: number,
  y: (mgL: number) => number,
  edge: number,
): Mark {
  const bottom = y(test.lowMgL);
  const high = test.highMgL;
  const top = high === undefined ? edge : Math.max(edge, y(high));
  const openTop = high === undefined || y(high) < edge;
  if (test.use === 'exact')
    return { kind: 'diamond', x, y: Math.max(edge, y(test.readMgL)), top, bottom, openTop };
  if (test.use === 'below')
    return { kind: 'tail-down', x, y: Math.max(edge, y(high ?? 0)), top, bottom, openTop };
  if (test.use === 'above')
    return { kind: 'tail-up', x, y: Math.max(edge, bottom), top: edge, bottom, openTop: true };
  return { kind: 'bar', x, y: Math.max(edge, y(test.readMgL)), top, bottom, openTop };
}

/** Notches cut from the top edge, as deep as the share changed; half the water fills the strip. */
export function notches(changes: { x: number; fraction: number }[], stripHeight: number): string {
  return changes
    .map(({ x, fraction }) => {
      const depth = Math.max(3, Math.min(1, fraction / 0.5) * stripHeight);
      const half = Math.max(2.5, depth * 0.3);
      return `M${x - half} 0L${x} ${depth}L${x + half} 0Z`;
    })
    .join('');
}

/** Marks of one kind as paths, so that hundreds of them move as one. */
export function paths(marks: Mark[]): {
  bars: string;
  whiskers: string;
  diamonds: string;
  tails: string;
  rings: string;
} {
  const of = (kinds: Mark['kind'][], draw: (m: Mark) => string) =>
    marks
      .filter((m) => kinds.includes(m.kind))
      .map(draw)
      .join('');
  return {
    bars: of(
      ['bar'],
      (m) =>
        `${m.openTop ? '' : `M${m.x - 2.5} ${m.top}h5`}M${m.x - 2.5} ${m.bottom}h5M${m.x} ${m.top}V${m.bottom}`,
    ),
    whiskers: of(['diamond'], (m) => `M${m.x} ${m.top}V${m.bottom}`),
    diamonds: of(['diamond'], (m) => `M${m.x} ${m.y - 4}l4 4l-4 4l-4 -4Z`),
    tails: of(
      ['tail-down', 'tail-up'],
      (m) => `M${m.x} ${m.y}V${m.kind === 'tail-down' ? m.bottom : m.top}`,
    ),
    rings: of(
      ['tail-down', 'tail-up'],
      (m) => `M${m.x - 3.2} ${m.y}a3.2 3.2 0 1 0 6.4 0a3.2 3.2 0 1 0 -6.4 0Z`,
    ),
  };
}

/** The top of a nutrient's axis: room above the line, and for all but the tallest readings. */
export function axisTop(ceiling: number | undefined, fit: number[], bands: number[]): number {
  const most = Math.max(...fit, ...bands, 0.01);
  return Math.max(most * 1.12, (ceiling ?? 0) * 1.3);
}
