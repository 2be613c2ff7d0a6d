/** Farther than this, pixels, the pointer was dragged. */
const DRAGGED = 8;

/**
 * A press counts for the button it began on, though what was typed before it moved the page: leaving
 * the field may add a line above, and the pointer then comes up beside the button.
 */
export function keepPresses(page: Document): void {
  let pressed: HTMLElement | null = null;
  let from = { x: 0, y: 0 };

  page.addEventListener(
    'pointerdown',
    (event) => {
      const on = event.target instanceof Element ? event.target.closest('button, a[href]') : null;
      pressed = event.button === 0 && event.isPrimary && on instanceof HTMLElement ? on : null;
      from = { x: event.clientX, y: event.clientY };
    },
    true,
  );

  page.addEventListener(
    'pointerup',
    (event) => {
      const was = pressed;
      pressed = null;
      if (!was?.isConnected) return;
      if (Math.hypot(event.clientX - from.x, event.clientY - from.y) > DRAGGED) return;
      if (was.contains(page.elementFromPoint(event.clientX, event.clientY))) return;
      was.click();
    },
    true,
  );
}
