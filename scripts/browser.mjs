import { execFileSync } from 'node:child_process';

/** Chromium as Debian packages it, without a window where that is installed, and the flags it needs in a container. */
export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Its path, or undefined where it is not installed. */
export function findChromium() {
  for (const name of ['chromium-headless-shell', 'chromium', 'chromium-browser', 'google-chrome']) {
    try {
      return execFileSync('which', [name], { encoding: 'utf8' }).trim();
    } catch {
      // not this name
    }
  }
  return undefined;
}
