/** A page that isn't looked at paints nothing, and goes on all the same. */
const LONGEST_MS = 250;

/**
 * Calls back once what stands in the document by now was painted.
 *
 * @returns takes it back
 */
export function oncePainted(callback: () => void): () => void {
  let later: ReturnType<typeof setTimeout> | undefined;
  const over = () => {
    cancelAnimationFrame(frame);
    clearTimeout(later);
    clearTimeout(longest);
  };
  const done = () => {
    over();
    callback();
  };
  // a frame's own callbacks come before it is painted
  const frame = requestAnimationFrame(() => (later = setTimeout(done)));
  const longest = setTimeout(done, LONGEST_MS);
  return over;
}

export const painted = (): Promise<void> => new Promise((resolve) => oncePainted(resolve));
