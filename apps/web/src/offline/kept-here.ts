import { CACHES, kindOf } from './what-is-kept';

/** Has the browser keep the program and what was looked at, where it can: on this machine, or over https. */
export function keepHere(): void {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
  const first = navigator.serviceWorker.controller === null;
  if (first) navigator.serviceWorker.addEventListener('controllerchange', () => void seenBefore(), { once: true });
  navigator.serviceWorker.register('/service-worker.js').catch((e: unknown) => console.warn('not kept for offline', e));
}

/** What was looked at before there was anyone to keep it is asked once more, so that it is kept too. */
export async function seenBefore(): Promise<void> {
  const asked = new Set(performance.getEntriesByType('resource').map((e) => e.name));
  for (const at of asked) {
    const kind = kindOf('GET', new URL(at), location.origin);
    // A server that went away meanwhile has nothing to be kept.
    if (kind === 'data' || kind === 'photo') await fetch(at).catch(() => undefined);
  }
}

/** Whoever goes out leaves nothing of the shop's behind. */
export async function forgetHere(): Promise<void> {
  if (!('caches' in window)) return;
  await Promise.all([caches.delete(CACHES.data), caches.delete(CACHES.photos)]);
}
