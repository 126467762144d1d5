import "@testing-library/jest-dom/vitest";

class NoResizing {
  observe() {}
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver = NoResizing;
