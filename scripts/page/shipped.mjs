import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, constants } from 'node:zlib';
import { BUILT, filesOf, SHIPPED, shippedFrom, ships } from './built-from.mjs';

/** What brotli makes smaller; fonts and pictures are as small as they get. */
export const PACKED = /\.(js|css|svg|html|webmanifest)$/;
/** Smaller ones are served as they are, bytes. */
const LEAST = 1000;

export function packed(bytes, quality) {
  const params = { [constants.BROTLI_PARAM_QUALITY]: quality, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
  return brotliCompressSync(bytes, { params });
}

/** Files of the built page, without those compressed beside them. */
const plain = () => filesOf(BUILT).filter((f) => !f.endsWith('.br'));

function put(file, bytes) {
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, bytes);
}

/** Compressed here once, beside each file, so that no answer has to be. */
export function compress() {
  for (const file of plain().filter((f) => PACKED.test(f))) {
    const whole = readFileSync(file);
    if (whole.length >= LEAST) writeFileSync(`${file}.br`, packed(whole, 9));
  }
}

/** Puts the built page into the folder that comes with the sources. */
export function ship(from) {
  rmSync(SHIPPED, { recursive: true, force: true });
  for (const file of plain()) {
    const to = join(SHIPPED, relative(BUILT, file));
    const bytes = readFileSync(file);
    if (PACKED.test(file)) put(`${to}.br`, packed(bytes, 11));
    else put(to, bytes);
  }
  ships(from);
}

/** What is shipped, by its name as served. */
function* contents() {
  for (const file of filesOf(SHIPPED)) {
    const name = relative(SHIPPED, file);
    if (name === 'built-from') continue;
    const bytes = readFileSync(file);
    yield name.endsWith('.br') ? [name.slice(0, -3), brotliDecompressSync(bytes), bytes] : [name, bytes];
  }
}

/** Puts the shipped page where it is served from. */
export function unpack() {
  rmSync(BUILT, { recursive: true, force: true });
  for (const [name, bytes, small] of contents()) {
    put(join(BUILT, name), bytes);
    if (small && bytes.length >= LEAST) put(join(BUILT, `${name}.br`), small);
  }
}

/** Files in which the shipped page is not the one built; nothing where it is of other sources than `from`. */
export function differing(from) {
  if (shippedFrom() !== from) return [];
  const shipped = new Map([...contents()].map(([name, bytes]) => [name, bytes]));
  const built = new Map(plain().map((f) => [relative(BUILT, f), readFileSync(f)]));
  return [...new Set([...shipped.keys(), ...built.keys()])].filter((n) => {
    const [a, b] = [shipped.get(n), built.get(n)];
    return !a || !b || !a.equals(b);
  });
}
