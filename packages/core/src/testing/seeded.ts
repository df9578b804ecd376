/** Even numbers from 0 up to 1, the same ones for the same seed (the 32-bit mixer of Steele, Lea and Flood’s SplitMix). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x9e3779b9) >>> 0;
    let z = state;
    z = Math.imul(z ^ (z >>> 16), 0x85ebca6b);
    z = Math.imul(z ^ (z >>> 13), 0xc2b2ae35);
    return ((z ^ (z >>> 16)) >>> 0) / 2 ** 32;
  };
}
