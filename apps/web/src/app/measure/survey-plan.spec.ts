import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import type { Pattern } from '@core/job/survey';
import { testJob } from '@core/testing/test-job';
import { fromSheet } from '@core/units/quantity';
import { provideDesk, type TestDesk } from '../testing/desk';
import { surveyed } from '../workers/surveyed';
import { SurveyPlan, type Sheet } from './survey-plan';
import { SurveyView } from './survey-view';

let fixture: ComponentFixture<SurveyPlan>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const q = (v: number) => fromSheet(v, `${v} mm`);
const rect = (a: number, b: number, dx = 0, dy = 0) =>
  [
    [a, b],
    [-a, b],
    [-a, -b],
    [a, -b],
  ].map(([x, y], i) => ({ id: `H${i + 1}`, x: x! + dx, y: y! + dy }));
const pattern = (of: Pattern['of'], holes: Pattern['holes'], slot = 0, along: 'x' | 'y' = 'x'): Pattern => ({
  id: `${of}-left`,
  of,
  side: 'left',
  hole: q(11),
  slot: q(slot),
  along,
  holes,
  from: 'measured',
  readings: [],
});
const withSurvey = (survey: Partial<Job['survey']>): Job => ({ ...testJob(), survey: { ...testJob().survey, ...survey } });

async function show(job: Job, sheet: Sheet) {
  desk = provideDesk(job);
  TestBed.configureTestingModule({ providers: [SurveyView] });
  fixture = TestBed.createComponent(SurveyPlan);
  fixture.componentRef.setInput('sheet', sheet);
  await refresh();
}

async function refresh() {
  const job = desk.job()!;
  for (const [name, value] of Object.entries({ job, verdict: null, surveyed: surveyed(job) }))
    fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
}

const placed = (css: string) =>
  [...host().querySelectorAll(css)].map((g) =>
    /translate\(([-\d.e]+) ([-\d.e]+)\)/.exec(g.getAttribute('transform')!)!.slice(1).map(Number),
  );

describe('patterns', () => {
  it('the structure is laid on the fitting where they meet best, wherever it was measured from', async () => {
    await show(
      withSurvey({ patterns: [pattern('fitting', rect(45, 35)), pattern('structure', rect(45, 35, 400, -120))] }),
      'patterns',
    );
    const structure = placed('g.structure');
    rect(45, 35).forEach((h, i) => {
      expect(structure[i]![0]).toBeCloseTo(h.x, 2);
      expect(structure[i]![1]).toBeCloseTo(-h.y, 2);
    });
  });
  it('slots are drawn the way they run; the largest offset is drawn large enough to see', async () => {
    await show(
      withSurvey({ patterns: [pattern('fitting', rect(45, 35), 8, 'y'), pattern('structure', rect(45.6, 35))] }),
      'patterns',
    );
    const slot = host().querySelector('g.fitting rect')!;
    expect([slot.getAttribute('width'), slot.getAttribute('height')]).toEqual(['11', '19']);
    expect(host().querySelector('.legend')!.textContent).toMatch(/offsets drawn (20|50) ×/);
    expect(host().querySelectorAll('g.offset.misses')).toHaveLength(0);
  });
  it('a hole that misses is marked and says by how much', async () => {
    await show(withSurvey({ patterns: [pattern('fitting', rect(45, 35)), pattern('structure', rect(49, 35))] }), 'patterns');
    const labels = [...host().querySelectorAll('g.offset.misses text')].map((t) => t.textContent!.trim());
    // 4 mm each less 1 mm of clearance.
    expect(labels).toEqual(['H1 3', 'H2 3', 'H3 3', 'H4 3']);
  });
  it('dragged by keys, a structure hole moves in its own axes and is no longer measured', async () => {
    await show(withSurvey({ patterns: [pattern('fitting', rect(45, 35)), pattern('structure', rect(45, 35, 400))] }), 'patterns');
    host()
      .querySelector('[data-hole=H2]')!
      .dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', shiftKey: true }));
    const p = desk.job()!.survey.patterns[1]!;
    expect(p.from).toBe('assumed');
    expect(p.holes[1]).toEqual({ id: 'H2', x: 355, y: 45 });
  });
  it('with only one pattern it is drawn as it stands', async () => {
    await show(withSurvey({ patterns: [pattern('structure', rect(45, 35, 10))] }), 'patterns');
    expect(placed('g.structure')[0]).toEqual([55, -35]);
    expect(host().querySelectorAll('g.fitting')).toHaveLength(0);
  });
});

describe('as built', () => {
  it('out of tolerance is drawn at the edge it was measured on: left is port, up on the plan', async () => {
    const log = [{ id: 'C1', name: 'Sill', nominal: q(400), tolerance: q(1), left: q(403), right: q(400), fore: q(397) }];
    await show(withSurvey({ sides: 'pair', log }), 'as-built');
    const bands = [...host().querySelectorAll('g.out')];
    expect(bands.map((b) => b.querySelector('text')!.textContent!.trim())).toEqual(['Sill +3', 'Sill −3']);
    const { plate } = testJob();
    const [port, fore] = bands.map((b) => b.querySelector('rect')!);
    expect(Number(port!.getAttribute('y'))).toBeLessThan(-plate.y1);
    expect(Number(fore!.getAttribute('x'))).toBe(plate.x1);
  });
  it('gaps are marked where they were read, packers at their bolts', async () => {
    const shims = testJob().bolts.items.map((b, i) => ({ id: `S${i + 1}`, x: b.x, y: b.y, gap: q(i === 1 ? 0.8 : 0) }));
    await show(withSurvey({ shims }), 'as-built');
    expect(placed('g.gap')).toEqual(testJob().bolts.items.map((b) => [b.x, -b.y]));
    expect([...host().querySelectorAll('text.packer')].map((t) => t.textContent!.trim())).toContain('B2 packer 0.8');
  });
});

describe('what is behind', () => {
  const zone = { id: 'D1', what: 'pipe', note: '', x0: 130, x1: 150, y0: 60, y1: -60, clear: q(5) } as const;
  it('a zone drawn the wrong way round has its size, and moves as a whole', async () => {
    await show(withSurvey({ hidden: [zone] }), 'behind');
    const grip = host().querySelector('rect.grip')!;
    expect([grip.getAttribute('width'), grip.getAttribute('height')]).toEqual(['20', '120']);
    grip.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', altKey: true }));
    expect(desk.job()!.survey.hidden[0]).toMatchObject({ x0: 130.1, x1: 150.1, y0: 60, y1: -60 });
    expect(desk.did).toEqual(['move D1']);
  });
  it('is on the one drawing of the plate, with its clearance round it', async () => {
    await show(withSurvey({ hidden: [zone] }), 'base');
    const [clear, core] = [...host().querySelectorAll('g.hidden rect')];
    expect([clear!.getAttribute('width'), core!.getAttribute('width')]).toEqual(['30', '20']);
  });
});
