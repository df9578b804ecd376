import { fromSheet } from '../../units/quantity';
import { casesOfLoad } from '../cases';
import { Load } from '../schema';
import type { LoadCase } from '../load-case';
import { newLoad } from '../new-load';

/** Builders against sums done apart from them: statics by hand, with the numbers written out. */
const G = 9.80665;
const degrees = (v: number) => (v * Math.PI) / 180;

function cases(
  kind: string,
  v: Record<string, number>,
  more: { k?: Record<string, number>; pick?: Record<string, string> } = {},
): LoadCase[] {
  const fresh = newLoad(kind, 'L1', '');
  const given = Object.fromEntries(Object.entries(v).map(([k, n]) => [k, fromSheet(n, String(n))]));
  return casesOfLoad({
    ...fresh,
    values: { ...fresh.values, ...given },
    factors: { ...fresh.factors, ...more.k },
    picks: { ...fresh.picks, ...more.pick },
  });
}
const named = (list: LoadCase[], name: string) => list.find((c) => c.name.endsWith(name))!;
const close = (c: LoadCase, want: Partial<Record<'fx' | 'fy' | 'fz' | 'mx' | 'my' | 'mz', number>>) => {
  for (const [key, v] of Object.entries(want)) expect([key, c[key as 'fx']]).toEqual([key, expect.closeTo(v, 3)]);
};

describe('seat (FMVSS 207 S4.2, memory: 20 × seat mass)', () => {
  it('its share and its height: 0.5 × 20 × 20 kg × g at 300 mm', () => {
    const all = cases('seat', { seatMass: 20, person: 80, height: 300, ahead: 0, share: 0.5 });
    const F = 0.5 * 20 * 20 * G;
    close(named(all, 'thrown forward'), { fx: F, fz: 0, my: F * 300 });
    close(named(all, 'thrown aft'), { fx: -F, my: -F * 300 });
    close(named(all, 'to port'), { fy: 0.5 * 8 * 20 * G, mx: -0.5 * 8 * 20 * G * 300 });
  });
  it('sitting down hard is the person too, and comes and goes', () => {
    const c = named(cases('seat', { seatMass: 20, person: 80, height: 300, ahead: 50 }), 'sitting down hard');
    close(c, { fz: -3 * 100 * G, my: 50 * 3 * 100 * G });
    expect(c.action).toBe('variable');
    expect(named(cases('seat', {}), 'thrown forward').action).toBe('accidental');
  });
  it('rebound lifts the person with the seat, whoever counts fore and aft: 4 × 100 kg × g', () => {
    for (const counts of ['seat', 'both'])
      close(named(cases('seat', { seatMass: 20, person: 80, share: 1 }, { pick: { counts } }), 'rebound up'), {
        fz: 4 * 100 * G,
      });
  });
  it('seat and person where the belts do not hold the person', () => {
    const alone = named(cases('seat', { seatMass: 20, person: 80 }), 'thrown forward').fx;
    const both = named(cases('seat', { seatMass: 20, person: 80 }, { pick: { counts: 'both' } }), 'thrown forward').fx;
    expect(both / alone).toBeCloseTo(5, 9);
  });
});

describe('competition seat', () => {
  it('driver and seat together, each way, at their common centre', () => {
    const all = cases('competition-seat', { seatMass: 10, driver: 90, height: 200, share: 1 });
    close(named(all, 'forward'), { fx: 15 * 100 * G, my: 15 * 100 * G * 200 });
    expect(all.map((c) => Math.abs(c.fz))).toContainEqual(expect.closeTo(8 * 100 * G, 3));
  });
});

describe('recovery point', () => {
  it('a pull 45° off axis turns the plate by its lever: sin 45° = cos 45°', () => {
    const all = cases('recovery-point', { mass: 2000, height: 40, ahead: 100, offAxis: degrees(45) });
    const side = all.find((c) => c.fy > 0)!;
    expect(side.fx).toBeCloseTo(side.fy, 6);
    close(side, { mz: 100 * side.fy, mx: -40 * side.fy });
  });
  it('off a bumper’s face it pulls the plate off, and only what is off axis lies along it', () => {
    const put = { mass: 2000, height: 40, ahead: 25, offAxis: degrees(45) };
    const all = cases('recovery-point', put, { pick: { mount: 'face' } });
    close(
      all.find((c) => Math.abs(c.fy) < 1)!,
      { fx: 0, fz: 2000 * G, my: -25 * 2000 * G },
    );
    const side = all.find((c) => c.fy > 1)!;
    close(side, { fz: 2000 * G * Math.SQRT1_2, fy: 2000 * G * Math.SQRT1_2, mx: -40 * side.fy });
  });
  it('a file written before there was a choice pulls along the plate, as it did', () => {
    const { mount: _m, ...picks } = newLoad('recovery-point', 'L1').picks;
    expect(Load.parse({ ...newLoad('recovery-point', 'L1'), picks }).picks['mount']).toBe('along');
  });
});

describe('chainplate', () => {
  it('leans 20° abeam: along the wire in each part, and the pull is the wire’s own', () => {
    const [c] = cases('chainplate', { wire: 10_000, lean: degrees(20), heading: 0, height: 50 }, { pick: { by: 'wire' } });
    close(c!, { fx: 0, fy: 13_000 * Math.sin(degrees(20)), fz: 13_000 * Math.cos(degrees(20)) });
    expect(Math.hypot(c!.fx, c!.fy, c!.fz)).toBeCloseTo(13_000, 6);
  });
  it('Skene (memory): twice the half beam, half the load', () => {
    const P = (halfBeam: number) => cases('chainplate', { rm30: 20e6, halfBeam, share: 0.6, lean: 0 })[0]!.fz;
    expect(P(1000)).toBeCloseTo(0.6 * 1.5 * 20_000, 3);
    expect(P(2000)).toBeCloseTo(P(1000) / 2, 6);
  });
});

describe('mast foot', () => {
  it('heeled and tilted: compression splits by the tilt, the side force adds', () => {
    const all = cases('mast-foot', {
      stay: 4000,
      stays: 3,
      lean: degrees(10),
      halyard: 1000,
      mass: 30,
      tilt: degrees(4),
      shear: 250,
      moment: 0,
      height: 80,
    });
    const C = 3 * 4000 * Math.cos(degrees(10)) + 2 * 1000 + 30 * G;
    close(named(all, 'heeled to port'), { fz: -C * Math.cos(degrees(4)), fy: C * Math.sin(degrees(4)) + 250 });
    close(named(all, 'stays slack, side force only'), { fy: 250, fz: -30 * G, mx: -250 * 80 });
  });
});

describe('mooring', () => {
  it('wind on a hull: q·A·Cd·gust, 12 m² at 20 m/s (0.613 V², ASCE 7)', () => {
    const all = cases('mooring', { windage: 12e6, wind: 20, sideAngle: 0, upAngle: 0, height: 50 }, { pick: { by: 'wind' } });
    expect(Math.max(...all.map((c) => c.fx))).toBeCloseTo(0.613 * 400 * 12 * 1.2 * 1.5, 6);
  });
  it('by the line: its breaking load in every direction of the fan', () => {
    for (const c of cases(
      'mooring',
      { breaking: 18_000, sideAngle: degrees(50), upAngle: degrees(10) },
      { pick: { by: 'line' } },
    ))
      expect(Math.hypot(c.fx, c.fy, c.fz)).toBeCloseTo(18_000, 6);
  });
});

describe('cradle, locker, tank', () => {
  it('thrown sideways it still weighs: 1.5 g to port with 1 g down, off centre', () => {
    const all = cases('cradle', { mass: 50, height: 200, ahead: 30, toPort: -40, share: 1 });
    const W = 50 * G;
    close(named(all, 'to port'), { fy: 1.5 * W, fz: -W, mx: -40 * -W - 200 * 1.5 * W, my: -30 * -W, mz: 30 * 1.5 * W });
    close(named(all, 'down'), { fz: -3 * W });
    close(named(all, 'up'), { fz: W });
  });
});

describe('arch, davit, crane', () => {
  it('M = φ·m·g·R whichever way it swings (Euclid)', () => {
    const all = cases('cantilever', { mass: 60, reach: 1100, height: 900, swing: degrees(60), lead: 0 });
    for (const c of all) expect(Math.hypot(c.mx, c.my)).toBeCloseTo(2 * 60 * G * 1100, 3);
    expect(new Set(all.map((c) => c.name)).size).toBe(all.length);
  });
});

describe('roof unit in wind', () => {
  it('heavier, it lifts less; 0.6 of the weight is counted (ASCE 7, memory)', () => {
    const fz = (mass: number) => cases('roof-unit', { mass, face: 0.8e6, top: 0.6e6, wind: 35, share: 1 })[0]!.fz;
    expect(fz(40) - fz(140)).toBeCloseTo(0.6 * 100 * G, 6);
  });
  it('pressure grows with the square of the wind', () => {
    const fx = (wind: number) => cases('roof-unit', { wind, share: 1 })[0]!.fx;
    expect(fx(40) / fx(20)).toBeCloseTo(4, 9);
  });
});

describe('suspension', () => {
  const v = { wheel: 4000, radius: 300, arm: 400, height: 50, ahead: 0 };
  it('braking μ·N aft, and its torque held by the arm on top of the wheel load', () => {
    close(named(cases('suspension', v), 'braking'), { fx: -4000, fz: -(4000 * (300 / 400) + 4000) });
    close(named(cases('suspension', v, { k: { mu: 0.8 } }), 'braking'), { fx: -3200 });
  });
  it('bump 3 g, rebound 1 g, corner 1 g with the wheel on the ground (common practice)', () => {
    const all = cases('suspension', v);
    close(named(all, 'bump'), { fz: -12_000 });
    close(named(all, 'rebound'), { fz: 4000 });
    close(named(all, 'corner to port'), { fy: 4000, fz: -4000, mx: -50 * 4000 });
  });
  it('a link pulls and pushes along itself: 60°, cos 0.5, sin 0.866 (trigonometric table)', () => {
    const [pull, push] = cases('suspension', { ...v, angle: degrees(60) }, { pick: { what: 'link' } });
    close(pull!, { fx: 6000 });
    expect(pull!.fz / 12_000).toBeCloseTo(0.866, 3);
    expect([push!.fx, push!.fz]).toEqual([-pull!.fx, -pull!.fz]);
  });
});

describe('gate, door, carrier', () => {
  it('a person on its end: H = (W·w/2 + P·w)/s, by hand 3.5 times their weight here', () => {
    const all = cases('gate', { mass: 40, width: 1400, spacing: 400, person: 800, pin: 45 });
    const H = (40 * G * 700 + 800 * 1400) / 400;
    expect(Math.max(...all.map((c) => Math.abs(c.fz)))).toBeCloseTo(H, 3);
    expect(Math.min(...all.map((c) => c.fx))).toBeCloseTo(-(40 * G + 800), 3);
  });
});

describe('tow point (UN R55, memory)', () => {
  it('pushes and pulls alike with the nose on it; one chain holds the trailer', () => {
    const all = cases('tow-point', { vehicle: 3000, trailer: 1500, nose: 750, height: 100, overhang: 200 });
    const D = (G * 3000 * 1500) / 4500;
    close(named(all, 'trailer pushes'), { fx: 0.6 * D, fz: -750, my: 100 * 0.6 * D - 200 * 750 });
    close(named(all, 'trailer pulls'), { fx: -0.6 * D, fz: -750 });
    close(named(all, 'one chain holds the trailer'), { fx: -1500 * G });
    expect(cases('tow-point', {}, { pick: { chains: 'no' } })).toHaveLength(2);
  });
});

describe('ladder on a deck', () => {
  it('a person on the step turns it forward by the offset; the pull is level at the step’s height', () => {
    const all = cases('ladder', { person: 1200, offset: 200, along: 900, out: 600, share: 1 }, { pick: { mount: 'deck' } });
    close(named(all, 'on the outer step'), { fz: -1200, my: 200 * 1200 });
    close(named(all, 'swinging out'), { fx: 600, fz: -1200, my: 900 * 600 + 200 * 1200 });
  });
  it('on a step under the deck the pull turns it the other way: 99 − 375 N·m (statics by hand)', () => {
    const v = { person: 1100, offset: 180, along: -1500, out: 500, share: 0.5 };
    const all = cases('ladder', v, { pick: { mount: 'deck' } });
    close(named(all, 'swinging out'), { fx: 250, fz: -550, my: 99_000 - 375_000 });
  });
});

describe('seat with its own belts, moments', () => {
  it('lap-only leaves the shoulder out; up angle lifts by its sine', () => {
    const up = degrees(10);
    const [c] = cases('belted-seat', { seatMass: 0.001, up, lapHeight: 250 }, { pick: { rule: 'M1', belt: 'lap' } });
    expect(c!.fx).toBeCloseTo(22_250 * Math.cos(up), 0);
    expect(c!.fz).toBeCloseTo(22_250 * Math.sin(up), 0);
  });
});

describe('force at a point', () => {
  it('is as typed, with its own moment kept', () => {
    const [c] = cases('free', { fx: 10, fy: -20, fz: 30, mx: 1, my: 2, mz: 3, x: 4, y: 5, z: 6 });
    // (4,5,6) × (10,−20,30) = (5·30 + 6·20, 6·10 − 4·30, −4·20 − 5·10).
    close(c!, { fx: 10, fy: -20, fz: 30, mx: 1 + 270, my: 2 - 60, mz: 3 - 130 });
  });
});
