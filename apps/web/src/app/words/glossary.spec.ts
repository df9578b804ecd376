import { CHECKS } from '@core/checks/registry';
import { RANGES } from '@core/job/ranges';
import { CHAPTERS, wordFor } from './glossary';

const WORDS = CHAPTERS.slice(0, -1).flatMap((c) => c.terms);

it('each word has a drawing on its sheet, two sentences, and no word of the screen means two', () => {
  const known = WORDS.flatMap((t) => t.known);
  expect(known.filter((k, i) => known.indexOf(k) !== i)).toEqual([]);
  const ids = CHAPTERS.flatMap((c) => c.terms.map((t) => t.id));
  expect(new Set(ids).size).toBe(ids.length);
  for (const t of WORDS) {
    expect([t.id, t.says.split(/\.(?:\s|$)/).filter(Boolean).length]).toEqual([t.id, 2]);
    expect([t.id, t.says.length <= 240, t.draws.length > 0]).toEqual([t.id, true, true]);
    expect([t.id, t.known.every((k) => k === k.toLowerCase())]).toEqual([t.id, true]);
    for (const { d } of t.draws)
      for (const m of d.matchAll(/[ML]\s*(-?[\d.]+)[ ,](-?[\d.]+)/g)) {
        const [x, y] = [Number(m[1]), Number(m[2])];
        expect([t.id, d, x >= 0 && x <= 160 && y >= -1 && y <= 84]).toEqual([t.id, d, true]);
      }
  }
});

it('every link of the load path is explained by its own name', () => {
  for (const c of CHECKS) {
    const word = wordFor(c.name);
    expect([c.id, word !== null, word?.says.includes(c.why)]).toEqual([c.id, true, true]);
  }
});

it('nine in ten numbers of a job card have a word that explains them', () => {
  const labels = [...new Set(Object.values(RANGES).map((r) => r.label))];
  const without = labels.filter((l) => !wordFor(l));
  expect(without.length / labels.length).toBeLessThan(0.1);
});

it.each([
  ['Bed modulus under the base', 'bed-modulus'],
  ['Under the nuts', 'washer'],
  ['Edge distance, e1', 'edge-distance'],
  ['Its weld, throat a: from a sheet', 'throat'],
  ['γM0 on yield', 'limit-states'],
  ['Far face thickness', 'sandwich'],
  ['In the shear plane', 'shear-plane'],
])('%s is about %s', (label, id) => expect(wordFor(label)?.id).toBe(id));

it.each(['', '42', 'Customer', 'Drag bolts, edges, corners; Alt for 0.1 mm, and much else that is no label at all'])(
  'nothing is made up for “%s”',
  (text) => expect(wordFor(text)).toBeNull(),
);
