import { oneFoot } from '../job/at-foot';
import type { Job } from '../job/schema';
import { dimensionsAt } from '../prove/dimensions';
import { drawnBolts } from '../prove/fitted-bolts';
import { printOf } from '../prove/proof-stands';
import { holdPoints } from '../prove/stamp';
import { torqueCard } from '../shop/torque-card';
import { USUAL_SHOP } from '../stock/shop-settings';
import { found, type Written } from './log-lines';
import { resolved } from './test-job';

/** Everything done to a job of one foot, with one load, as it should be. */
export function allDone(job: Job): Written[] {
  const whole = oneFoot(job);
  const r = resolved(job);
  const card = torqueCard(r)!;
  return [
    ...dimensionsAt(whole, 'F1').map((d): Written => ({
      about: d.about,
      body: { ...found(d.key, d.nominal, d.nominal), under: d.under, over: d.over },
    })),
    { body: { kind: 'confirmed', what: 'bolts fitted', is: drawnBolts(r) } },
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
        proved: { caseId: 'L1-1', force: [0, 0, 900], of: printOf(whole, 'F1') },
      },
    },
    ...holdPoints(whole, USUAL_SHOP, []).map((h): Written => ({
      about: {},
      body: { kind: 'signed', operation: h.operation, text: h.text, name: 'A. Marsh' },
    })),
  ];
}
