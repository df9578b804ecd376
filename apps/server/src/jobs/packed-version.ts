import { deflateSync, inflateSync } from 'node:zlib';

export type Packed = 'plain' | 'whole' | 'onto the one before';

export interface Body {
  readonly version: number;
  readonly packed: Packed;
  readonly body: Buffer;
}

/** Every so many versions one is packed whole, so that no more than this have to be unfolded for one; `list-bodies.sql` reads one more. */
const WHOLE_EVERY = 32;
/** As far back as the packer can look, bytes. */
const WINDOW = 32_768;

const dictionary = (before: string): Buffer => Buffer.from(before).subarray(-WINDOW);

/** A version packed small, with a checksum: what it has in common with the one before costs next to nothing. */
export function pack(version: number, text: string, before: string | undefined): Omit<Body, 'version'> {
  if (before === undefined || version % WHOLE_EVERY === 1) return { packed: 'whole', body: deflateSync(text) };
  return { packed: 'onto the one before', body: deflateSync(text, { dictionary: dictionary(before) }) };
}

/** The newest of some bodies as text; they come newest first and reach back to a whole one. Throws where they do not. */
export function unpack(bodies: Iterable<Body>): string {
  const chain: Body[] = [];
  for (const b of bodies) {
    if (chain.length > 0 && b.version !== chain.at(-1)!.version - 1) throw new Error(`version ${b.version + 1} is not kept`);
    chain.push(b);
    if (b.packed !== 'onto the one before') break;
  }
  let text: string | undefined;
  for (const { packed, body } of chain.reverse()) {
    if (packed === 'plain') text = body.toString();
    else if (packed === 'whole') text = inflateSync(body).toString();
    else if (text === undefined) throw new Error('the versions do not reach back to a whole one');
    else text = inflateSync(body, { dictionary: dictionary(text) }).toString();
  }
  if (text === undefined) throw new Error('there is no such version');
  return text;
}
