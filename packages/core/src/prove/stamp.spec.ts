import { oneFoot } from '../job/at-foot';
import { fromSheet } from '../job/values';
import { USUAL_SHOP } from '../stock/shop-settings';
import { torqueCard } from '../shop/torque-card';
import { found, logOf, type Written } from '../testing/log-lines';
import { resolved, testJob } from '../testing/test-job';
import { dimensionsAt } from './dimensions';
import { holdPoints, openPoints, sideBySide, stampRefusal } from './stamp';

const job = testJob({ fz: 900 }, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } }));
const whole = oneFoot(job);
const card = torqueCard(resolved(job))!;

/** Everything done as it should be. */
const done: Written[] = [
  ...dimensionsAt(whole, 'F1').map((d): Written => ({
    about: d.about,
    body: { ...found(d.key, d.nominal, d.nominal), under: d.under, over: d.over },
  })),
  { body: { kind: 'confirmed', what: 'nut class', is: '8' } },
  { body: { kind: 'confirmed', what: 'lubrication', is: 'lightly oiled' } },
  ...card.passes.flatMap((p, i) =>
    card.order.map((bolt): Written => ({
      about: { foot: 'F1', bolt },
      body: { kind: 'tightened', round: i + 1, target: p.torque, torque: p.torque, reads: 'good', because: '', with: 'typed' },
    })),
  ),
  ...card.order.map((bolt): Written => ({ about: { foot: 'F1', bolt }, body: { kind: 'witness mark' } })),
  {
    about: {},
    body: {
      kind: 'proof',
      pull: '00000000-0000-4000-8000-000000000999',
      caseName: 'Case L1',
      load: 900,
      holdSeconds: 60,
      curve: [],
      set: [0],
      setLimit: 0.1,
      result: 'passed',
      because: '',
      remarks: '',
      with: 'load cell stand-in',
    },
  },
  ...holdPoints(whole, USUAL_SHOP, []).map((h): Written => ({
    about: {},
    body: { kind: 'signed', operation: h.operation, text: h.text, name: 'A. Marsh' },
  })),
];
const refusal = (entries: readonly Written[]) => stampRefusal(whole, USUAL_SHOP, logOf(entries));

it('a job with nothing written down has everything open, and cannot be stamped', () => {
  const open = openPoints(whole, USUAL_SHOP, []);
  expect(new Set(open.map((o) => o.about))).toEqual(new Set(['fit-up', 'tightening', 'proof', 'hold point']));
  expect(refusal([])).toMatch(/^\d+ open: /);
});
it('all measured, tightened, proved and signed it may be', () => {
  expect(refusal(done)).toBe('');
});
it('each thing left out keeps it open', () => {
  for (const kind of ['dimension', 'confirmed', 'tightened', 'witness mark', 'proof', 'signed'] as const) {
    const i = done.findIndex((d) => d.body.kind === kind);
    expect(refusal(done.filter((_, k) => k !== i))).toMatch(/^1 open: /);
  }
});
it('as built it no longer holds: not stamped, whatever else is signed', () => {
  const thin: Written[] = [
    { body: found('plate/thickness', 1, 8) },
    { body: { kind: 'decision', key: 'plate/thickness', decide: 'accept', reason: 'in a hurry' } },
  ];
  expect(refusal([...done, ...thin])).toMatch(/as built it does not hold: /);
  const side = sideBySide(whole, logOf([...done, ...thin]));
  expect(side.design.state).not.toBe('fails');
  expect(side.built.state).toBe('fails');
  expect(side.built.utilisation).toBeGreaterThan(side.design.utilisation);
});
it('a finding stays open until the same round finds it sound', () => {
  const round = (state: 'sound' | 'finding'): Written => ({
    about: { foot: 'F1' },
    body: { kind: 'inspected', task: 'look', name: 'Look', found: state, text: 'rust at B2' },
  });
  expect(refusal([...done, round('finding')])).toContain('rust at B2');
  expect(refusal([...done, round('finding'), round('sound')])).toBe('');
});
