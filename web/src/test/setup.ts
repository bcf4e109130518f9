import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// Files follow one another in the same window, so that what they share is loaded once: each test leaves it as it was.
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
  localStorage.clear();
  sessionStorage.clear();
});

// Nothing has a size here.
window.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};

// Only against hanging: where three builds share two cores a long form needs far more than the second that is usual.
configure({ asyncUtilTimeout: 30_000 });
