import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { testJob } from '@core/testing/test-job';
import { fromSheet } from '@core/job/values';
import { solvedAnswer, withoutSizes } from '../testing/solved';
import { SpreadSection } from './spread-section';

beforeAll(withoutSizes);

const job = testJob({ fz: -4000 }, (j) => ({
  ...j,
  far: { kind: 'plate', metal: 'S275', thickness: fromSheet(6, '6 mm') },
}));
const answer = solvedAnswer(job);
const y = job.bolts.items[0]!.y;

let fixture: ComponentFixture<SpreadSection>;
const host = () => fixture.nativeElement as HTMLElement;
const text = () => host().textContent!.replace(/\s+/g, ' ');

function show(line = { a: { x: -250, y }, b: { x: 250, y } }, more: Record<string, unknown> = {}): void {
  fixture = TestBed.createComponent(SpreadSection);
  for (const [name, value] of Object.entries({ view: answer.view!, job, line, ...more }))
    fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
}
const paths = () => [...host().querySelectorAll('path')].map((p) => p.getAttribute('d')!);
const times = () => Number(/movement × ([\d.]+)/.exec(text())![1]);

it('draws every layer along the line, each broken off where it ends, and says how much larger than life', () => {
  show({ a: { x: -250, y: 0 }, b: { x: 250, y: 0 } });
  // The skin lies behind what presses into it.
  const [skin, base, plate, behind] = paths();
  expect([base, plate, skin, behind].every((d) => d!.startsWith('M') && d!.endsWith('Z'))).toBe(true);
  const width = (d: string) => {
    const x = d.match(/[-\d.]+ [-\d.]+/g)!.map((p) => Number(p.split(' ')[0]));
    return Math.max(...x) - Math.min(...x);
  };
  // 500 mm on 780 px: the plate's 230 mm, the base's 120; the skin from bearer to bearer.
  const life = 780 / 500;
  expect(width(plate!) / life).toBeGreaterThan(220);
  expect(width(plate!) / life).toBeLessThan(232);
  expect(width(base!) / life).toBeGreaterThan(112);
  expect(width(base!) / life).toBeLessThan(122);
  expect(width(skin!)).toBeGreaterThan(width(plate!));
  expect(times()).toBeGreaterThan(1);
  expect(text()).toMatch(/moves up to [\d.]+ mm along A–B/);
});

it('the movement drawn is the movement found, times the factor said', () => {
  show({ a: { x: -250, y: 0 }, b: { x: 250, y: 0 } });
  const skin = paths()[0]!;
  const ys = skin.match(/[-\d.]+ [-\d.]+/g)!.map((p) => Number(p.split(' ')[1]));
  const top = ys.slice(0, ys.length / 2);
  const drawn = Math.max(...top) - Math.min(...top);
  const { x, y: rows, layers } = answer.view!;
  const row = [...rows].reduce((best, v, j) => (Math.abs(v) < Math.abs(rows[best]!) ? j : best), 0);
  const lifts = [...x]
    .map((v, i) => (Math.abs(v) <= 250 ? layers[2]!.lift[i + row * x.length]! : NaN))
    .filter((v) => !Number.isNaN(v));
  const found = Math.max(...lifts) - Math.min(...lifts);
  expect(drawn / (found * times() * (780 / 500))).toBeCloseTo(1, 1);
});

it('bolts on the line are drawn through the stack; those off it are not', () => {
  show();
  expect([...host().querySelectorAll('line.shank')]).toHaveLength(2);
  expect(text()).toMatch(/B1/);
  show({ a: { x: -250, y: 0 }, b: { x: 250, y: 0 } });
  expect(host().querySelectorAll('line.shank')).toHaveLength(0);
});

it('two pictures side by side share one factor: the larger movement of both', () => {
  show();
  const alone = times();
  show(undefined, {
    reach: 4 * answer.figures.cases.reduce((m, c) => ('refused' in c ? m : Math.max(m, c.deflection.value)), 0),
  });
  expect(times()).toBeLessThan(0.5 * alone);
});

it('a line of any way: athwart through the bolts it meets B1 and B4', () => {
  const x = job.bolts.items[0]!.x;
  show({ a: { x, y: -200 }, b: { x, y: 200 } });
  const ids = [...host().querySelectorAll('text.small')].map((t) => t.textContent!.trim()).filter((t) => /^B\d$/.test(t));
  expect(ids.sort()).toEqual(
    job.bolts.items
      .filter((b) => b.x === x)
      .map((b) => b.id)
      .sort(),
  );
});
