/** Where things are kept in the browser. */
export const CACHES = {
  built: 'mast-shoe-built',
  page: 'mast-shoe-page',
  data: 'mast-shoe-data',
  photos: 'mast-shoe-photos',
} as const;

export type Kind = 'built' | 'page' | 'data' | 'photo' | 'none';

/** What is asked anew each time: streams, sheets, who sits here, and whatever is said of the moment. */
const ONLY_NOW = /^\/api\/(live|bench|health|backups|people|deeds|session\/.+)(\/|$)|\.(pdf|dxf|svg|csv|ics|html)$|\/links$/;

/** How an answer is kept, by what was asked for. Only reading from our own server is. */
export function kindOf(method: string, url: URL, origin: string): Kind {
  if (method !== 'GET' || url.origin !== origin) return 'none';
  const { pathname } = url;
  if (pathname.startsWith('/link/')) return 'none';
  if (!pathname.startsWith('/api/')) return /\.[a-z0-9]+$/.test(pathname) ? 'built' : 'page';
  if (pathname.startsWith('/api/photos/')) return 'photo';
  return ONLY_NOW.test(pathname) ? 'none' : 'data';
}
