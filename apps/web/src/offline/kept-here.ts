import { CACHES } from './what-is-kept';

/** Has the browser keep the program and what was looked at, where it can: on this machine, or over https. */
export function keepHere(): void {
  if ('serviceWorker' in navigator && window.isSecureContext)
    navigator.serviceWorker.register('/service-worker.js').catch((e: unknown) => console.warn('not kept for offline', e));
}

/** Whoever goes out leaves nothing of the shop's behind. */
export async function forgetHere(): Promise<void> {
  if (!('caches' in window)) return;
  await Promise.all([caches.delete(CACHES.data), caches.delete(CACHES.photos)]);
}
