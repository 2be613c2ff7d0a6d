import '@testing-library/jest-dom/vitest';

/** jsdom lays nothing out, so nothing ever changes its size. */
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
