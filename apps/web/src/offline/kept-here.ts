import { CACHES, kindOf } from './what-is-kept';

/** Has the browser keep the program and what was looked at, where it can: on this machine, or over https. */
export function keepHere(): void {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
  const first = navigator.serviceWorker.controller === null;
  if (first) navigator.serviceWorker.addEventListener('controllerchange', () => seenBefore(performance.now()), { once: true });
  navigator.serviceWorker.register('/service-worker.js').catch((e: unknown) => console.warn('not kept for offline', e));
}

/**
 * What was asked before `then`, when there was nobody to keep it, is asked once more as soon as it was answered, so that it is kept
 * too: an answer may still be on its way.
 */
export function seenBefore(then: number): void {
  const again = new Set<string>();
  new PerformanceObserver((seen) => {
    for (const { name, startTime } of seen.getEntries()) {
      const kind = kindOf('GET', new URL(name), location.origin);
      if (startTime > then || again.has(name) || (kind !== 'data' && kind !== 'photo')) continue;
      again.add(name);
      // A server that went away meanwhile has nothing to be kept.
      fetch(name).catch(() => undefined);
    }
  }).observe({ type: 'resource', buffered: true });
}

/** Whoever goes out leaves nothing of the shop's behind. */
export async function forgetHere(): Promise<void> {
  if (!('caches' in window)) return;
  await Promise.all([caches.delete(CACHES.data), caches.delete(CACHES.photos)]);
}
