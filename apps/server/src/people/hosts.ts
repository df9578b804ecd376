import { hostname, networkInterfaces } from 'node:os';

/** Names this machine goes by on its networks: its own, its addresses, and those it was told. */
export function hostsOf(told: string): string[] {
  const addresses = Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).map(({ address, family }) => (family === 'IPv6' ? `[${address.replace(/%.*/, '')}]` : address)),
  );
  const name = hostname();
  const more = told
    .split(',')
    .map((h) => h.trim())
    .filter(Boolean);
  return [...new Set([name, `${name}.local`, ...addresses, ...more])];
}
