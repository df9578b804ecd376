import { evaluate } from '../../chain/evaluate';
import type { Job } from '../../job/schema';
import { asWelded, metal } from '../../stock/metals';
import { resolved, testJob, withWelds } from '../../testing/test-job';
import { fromSheet } from '../../units/quantity';
import { Working } from '../../working/steps';
import { filletAluminium } from './fillet';

const q = (v: number) => fromSheet(v, `${v} mm`);
const silent = new Working(false);
const alloy =
  (id: string) =>
  (j: Job): Job =>
    withWelds({ fitting: 'all round', fittingThroat: q(4) })({
      ...j,
      practice: { ...j.practice, school: 'limit' },
      plate: { ...j.plate, metal: id },
      base: { ...j.base, metal: id },
    });
const link = (job: Job, id: string) => evaluate(job).links.find((l) => l.id === id)!;

describe('what welding leaves of an alloy (EN 1999-1-1 Tab. 3.2b and 8.8, memory)', () => {
  it.each([
    ['6082-T6', 125, 185, 210],
    ['6061-T6', 115, 175, 190],
    ['5083-H111', 125, 275, 240],
  ])('%s: f_o,haz %d, f_u,haz %d, f_w %d with 5356', (id, fo, fu, fw) => expect(metal(id)!.welded).toEqual({ fy: fo, fu, fw }));
  it('6082-T6 loses half its yield; 5083-H111 nothing', () => {
    expect(asWelded(metal('6082-T6')!).fy / metal('6082-T6')!.fy).toBeLessThan(0.5);
    expect(asWelded(metal('5083-H111')!)).toBe(metal('5083-H111'));
  });
  it('a plate that is welded is judged softened everywhere, one that is not as it came', () => {
    expect(resolved(testJob({}, alloy('6082-T6'))).plateMetal).toMatchObject({ fy: 125, fu: 185 });
    expect(resolved(withWelds({ fitting: 'none' })(testJob({}, alloy('6082-T6')))).plateMetal.fy).toBe(255);
    const skin = { ...testJob().skin, kind: 'sheet', metal: '6082-T6' } as Job['skin'];
    const down = testJob({}, (j) => withWelds({ doubler: 'all round' })({ ...alloy('6082-T6')(j), skin }));
    expect(resolved(down).skin).toMatchObject({ bending: 125, fu: 185 });
  });
});

describe('a fillet in aluminium by hand, a 4, γ_Mw 1.25', () => {
  const x = { a: 4, fw: 210, fuHaz: 185, γ: 1.25 };
  it('pulled out of its plane: on the throat 2·q/(√2·a) of 168 MPa, on the leg q/(√2·a) as shear √3 of 148', () => {
    const o = filletAluminium({ along: 0, across: 0, out: 400, at: { x: 0, y: 0 } }, x, silent);
    // Throat: 2·400/5.657 = 141.4 → 0.842; leg: √3·400/5.657 = 122.5 → 0.828.
    expect(o.capacity).toBeCloseTo(168, 9);
    expect(o.demand / o.capacity).toBeCloseTo(0.842, 3);
  });
  it('sheared along: τ = q/a, √3·q/a of 168 MPa', () => {
    const o = filletAluminium({ along: 300, across: 0, out: 0, at: { x: 0, y: 0 } }, x, silent);
    expect(o.demand / o.capacity).toBeCloseTo((Math.sqrt(3) * 75) / 168, 6);
  });
  it('on much softer metal the metal beside it goes first', () => {
    const o = filletAluminium({ along: 300, across: 0, out: 0, at: { x: 0, y: 0 } }, { ...x, fuHaz: 100 }, silent);
    expect(o.capacity).toBe(80);
    expect(o.demand).toBeCloseTo((Math.sqrt(3) * 300) / (4 * Math.SQRT2), 9);
  });
});

it('aluminium on aluminium is judged, on steel and in an alloy nobody wrote down it is refused', () => {
  const load = { fx: 3000, fz: 2000 };
  expect(link(testJob(load, alloy('6082-T6')), 'fitting-weld').state).toBe('sound');
  const onSteel = testJob(load, (j) => ({ ...alloy('6082-T6')(j), base: { ...j.base, metal: 'S275' } }));
  expect(link(onSteel, 'fitting-weld').because).toContain('is not known to this check');
  expect(link(testJob(load, alloy('C655')), 'fitting-weld').state).toBe('refused');
});

it('softened, the same plate holds less than unwelded metal would', () => {
  const load = { fx: 3000, fz: 4000, mx: 3e5 };
  const bolted =
    (id: string) =>
    (j: Job): Job => ({ ...alloy(id)(j), base: { ...j.base, metal: id, holes: [] } });
  const soft = link(testJob(load, bolted('6082-T6')), 'plate-bending').utilisation;
  const hard = link(withWelds({ fitting: 'none' })(testJob(load, bolted('6082-T6'))), 'plate-bending').utilisation;
  expect(soft / hard).toBeGreaterThan(1.5);
});
