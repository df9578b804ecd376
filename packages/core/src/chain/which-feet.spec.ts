import { asSolved, caseFile, linkOf, wholeCase } from '../testing/case-file';
import { atFoot } from '../job/at-foot';

const EIGHT = 'eight-feet-any-four-count';
const RESTING = 'two-feet-only-rest-yet-hold-sideways';

it('any four of eight feet count: the set that is worst for the thinnest foot is among those asked', () => {
  const whole = wholeCase(EIGHT);
  // F8 with its neighbours F5 to F7, by a 3 × 3 solve outside the program.
  expect(linkOf(asSolved(caseFile(EIGHT, 'F8')), 'skin-bending')).toMatchObject({ state: 'fails' });
  expect(linkOf(caseFile(EIGHT, 'F8'), 'bolt-tension').caseName).toContain('Foot 1 and Foot 2 and Foot 3 and Foot 4 idle');
  const shuffled = { ...whole, feet: [...whole.feet.filter((f) => f.design), ...whole.feet.filter((f) => !f.design).reverse()] };
  for (const f of whole.feet)
    expect(linkOf(atFoot(shuffled, f.id), 'bolt-tension').utilisation).toBeCloseTo(
      linkOf(atFoot(whole, f.id), 'bolt-tension').utilisation,
      9,
    );
});

it('two of four feet only rest: the other two hold all that pushes sideways, 110 kN on four bolts of 22.27', () => {
  for (const job of [caseFile(RESTING), asSolved(caseFile(RESTING))]) {
    const shear = linkOf(job, 'bolt-shear');
    expect(shear.demand * 4).toBeCloseTo(110_000, -3);
    // M10 8.8, thread in the shear plane: 0.6·800·58/1.25 N (EN 1993-1-8 Tab. 3.4).
    expect(shear.utilisation).toBeCloseTo(27_500 / ((0.6 * 800 * 58) / 1.25), 2);
  }
  expect(linkOf(caseFile(RESTING, 'F3'), 'bolt-shear').demand).toBeCloseTo(0, 6);
});
