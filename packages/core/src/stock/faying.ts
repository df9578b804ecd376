/** Slip factors of faying faces, EN 1993-1-8 Tab. 3.7 (EN 1090-2 Tab. 17, memory). */
export const FAYING = [
  { id: 'A', mu: 0.5, name: 'blasted, loose rust off' },
  { id: 'B', mu: 0.4, name: 'blasted and zinc-sprayed' },
  { id: 'C', mu: 0.3, name: 'wire brushed' },
  { id: 'D', mu: 0.2, name: 'as rolled' },
] as const;
