import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

/** Nothing is ever scrolled here: what comes into view is tried in a browser. */
globalThis.IntersectionObserver ??= class {
  readonly root = null;
  readonly rootMargin = '';
  readonly thresholds = [];
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
  takeRecords(): IntersectionObserverEntry[] {
    return [];
  }
} as unknown as typeof IntersectionObserver;

/** A stream that says nothing, and tabs that do not hear each other: both are tried in a browser. */
globalThis.EventSource ??= class extends EventTarget {
  static readonly CLOSED = 2;
  readonly readyState = 0;
  close(): void {}
} as unknown as typeof EventSource;
globalThis.BroadcastChannel ??= class extends EventTarget {
  onmessage: ((e: MessageEvent) => void) | null = null;
  postMessage(): void {}
  close(): void {}
} as unknown as typeof BroadcastChannel;

/** Nothing has a size here. */
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
} as unknown as typeof ResizeObserver;

// The page of the tests has no screen to ask; it is a light one.
window.matchMedia ??= ((media: string) => ({
  media,
  matches: false,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
})) as unknown as typeof window.matchMedia;
