import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Point } from '@core/geometry/points';
import { onSolidBed, testJob } from '@core/testing/test-job';
import { panelView } from '../drawing/plate-drawing';
import { solvedAnswer, withoutSizes } from '../testing/solved';
import { fieldOf, scaleOf } from './field-picture';
import { SpreadPlan, type CutLine } from './spread-plan';

beforeAll(withoutSizes);

const job = testJob({ fz: 2000, fx: 3000, z: 120 });
const answer = solvedAnswer(job);
const field = fieldOf(answer.view!, 'deflection', 2, 'top')!;
const LINE: CutLine = { a: { x: -200, y: 10 }, b: { x: 200, y: 10 } };

let fixture: ComponentFixture<SpreadPlan>;
const host = () => fixture.nativeElement as HTMLElement;
const text = () => host().textContent!.replace(/\s+/g, ' ');

function show(more: Record<string, unknown> = {}): void {
  fixture = TestBed.createComponent(SpreadPlan);
  const given = { job, view: panelView(job), field, scale: scaleOf(field), spread: answer.view, line: LINE, ...more };
  for (const [name, value] of Object.entries(given)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
}
const key = (selector: string, name: string, more: KeyboardEventInit = {}) => {
  const e = new KeyboardEvent('keydown', { key: name, cancelable: true, bubbles: true, ...more });
  host().querySelector(selector)!.dispatchEvent(e);
  return e;
};

it('every bolt has its pull in words, and a bar in proportion to it', () => {
  show();
  const pulls = answer.view!.bolts.map((b) => b.tension);
  const bolts = [...host().querySelectorAll('g.bolt')];
  expect(bolts).toHaveLength(4);
  bolts.forEach((g, i) => expect(g.getAttribute('aria-label')).toMatch(new RegExp(`^Bolt B${i + 1}, pulled [\\d.]+ k?N$`)));
  const bars = bolts.map((g) => Number(g.querySelector('rect.bar')!.getAttribute('height')));
  const most = pulls.indexOf(Math.max(...pulls));
  bars.forEach((h, i) => expect(h / bars[most]!).toBeCloseTo(pulls[i]! / pulls[most]!, 9));
});

it('every bearer says how hard it pushes, and which way', () => {
  show();
  const words = [...host().querySelectorAll('text.bearer')].map((t) => t.textContent!.trim());
  expect(words).toHaveLength(4);
  for (const q of answer.view!.reactions)
    expect(words).toContainEqual(expect.stringMatching(new RegExp(`^${q.of} .* ${q.fz >= 0 ? 'up' : 'down'}$`)));
});

it('contours carry their values, but none over a bolt’s name or the peak', () => {
  show();
  const lines = host().querySelectorAll('path.contour');
  expect(lines.length).toBeGreaterThan(1);
  const labelled = [...host().querySelectorAll('text.level')].filter((t) => t.textContent!.trim() !== '');
  for (const t of labelled) {
    const [x, y] = [Number(t.getAttribute('x')), Number(t.getAttribute('y'))];
    for (const b of job.bolts.items) expect(Math.abs(b.x - x) < 34 * 2 && Math.abs(-b.y - y) < 34).toBe(false);
  }
});

it('under new input the old bars, pushes, contours and probe are gone', () => {
  show({ stale: true, probe: { x: 0, y: 0 } });
  expect(host().querySelectorAll('path.contour')).toHaveLength(0);
  expect(host().querySelectorAll('text.bearer')).toHaveLength(0);
  expect(host().querySelector('rect.bar')).toBeNull();
  expect(host().querySelector('.probe text')).toBeNull();
  expect(host().querySelector('canvas')!.classList).toContain('stale');
});

it('the probe reads the field, and says so where there is nothing', () => {
  show({ probe: { x: 0, y: 0 } });
  expect(host().querySelector('.probe text')!.textContent).toMatch(/[\d.]+ mm/);
  fixture.componentRef.setInput('probe', { x: 5000, y: 0 });
  fixture.detectChanges();
  expect(host().querySelector('.probe text')!.textContent).toContain('nothing here');
});

it('the peak is marked where it was read', () => {
  show({ peak: { x: 12, y: -34, words: '1.23 mm' } });
  expect(host().querySelector('g.peak')!.getAttribute('transform')).toBe('translate(12 34)');
  expect(host().querySelector('g.peak text')!.textContent).toContain('1.23 mm');
});

describe('by keyboard', () => {
  it.each([
    ['ArrowLeft', {}, { x: -1, y: 0 }],
    ['ArrowUp', { shiftKey: true }, { x: 0, y: 10 }],
    ['ArrowDown', { altKey: true }, { x: 0, y: -0.1 }],
    ['ArrowRight', {}, { x: 1, y: 0 }],
  ])('%s %j nudges a bolt', (name, more, by) => {
    show();
    const seen: { id: string; by: Point }[] = [];
    fixture.componentInstance.boltNudged.subscribe((n) => seen.push(n));
    const e = key('g.bolt', name, more);
    expect(seen).toEqual([{ id: 'B1', by }]);
    expect(e.defaultPrevented).toBe(true);
  });
  it('other keys are left to the page', () => {
    show();
    expect(key('g.bolt', 'Tab').defaultPrevented).toBe(false);
    expect(key('g.end', 'a').defaultPrevented).toBe(false);
  });
  it('the ends of the section walk by five, the other end stays', () => {
    show();
    const seen: CutLine[] = [];
    fixture.componentInstance.lineMoved.subscribe((l) => seen.push(l));
    key('g.end', 'ArrowUp');
    expect(seen).toEqual([{ a: { x: -200, y: 15 }, b: LINE.b }]);
  });
  it('the probe walks over the plan from its middle', () => {
    show();
    const seen: (Point | null)[] = [];
    fixture.componentInstance.probed.subscribe((p) => seen.push(p));
    key('svg.hands', 'ArrowRight');
    expect(seen).toEqual([{ x: 5, y: 0 }]);
    fixture.componentRef.setInput('probe', { x: 5, y: 0 });
    fixture.detectChanges();
    key('svg.hands', 'ArrowUp');
    expect(seen[1]).toEqual({ x: 5, y: 5 });
  });
});

it('one of two pictures side by side has no hands: nothing to focus, no bars', () => {
  show({ still: true, line: null });
  expect(host().querySelector('svg.hands')!.getAttribute('tabindex')).toBeNull();
  expect(host().querySelector('g.bolt')!.getAttribute('role')).toBeNull();
  expect(host().querySelector('rect.bar')).toBeNull();
  expect(host().querySelector('g.end')).toBeNull();
});

it('on a solid bed no bearer is named', () => {
  const bed = onSolidBed(job);
  const on = solvedAnswer(bed);
  expect(on.view!.reactions.map((q) => q.of)).toEqual(['bed']);
  show({ job: bed, spread: on.view, field: fieldOf(on.view!, 'deflection', 1, 'top') });
  expect(host().querySelectorAll('text.bearer')).toHaveLength(0);
  expect(text()).toContain('B1');
});
