import { sharp } from '@core/geometry/outline';
import { shapedPlate } from '@core/job/shaped';
import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { evaluate, type Verdict } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { panelView, PlateDrawing, plateView } from './plate-drawing';

@Component({ imports: [PlateDrawing], template: '<svg msPlate [job]="job()" [verdict]="verdict()" [labels]="labels()"></svg>' })
class Host {
  readonly job = signal<Job>(testJob());
  readonly verdict = signal<Verdict | null>(null);
  readonly labels = signal(true);
}

async function draw(job = testJob(), judged = true, labels = true) {
  const fixture = TestBed.createComponent(Host);
  fixture.componentInstance.job.set(job);
  fixture.componentInstance.verdict.set(judged ? evaluate(job) : null);
  fixture.componentInstance.labels.set(labels);
  await fixture.whenStable();
  return fixture.nativeElement.querySelector('svg') as SVGElement;
}
/** What a path of straight lines and quarter arcs reaches to: x, y, width, height. */
function reach(path: Element): number[] {
  const ends = [...path.getAttribute('d')!.matchAll(/[MLA]([^MLAZ]*)/g)].map((m) =>
    m[1]!.trim().split(/\s+/).slice(-2).map(Number),
  );
  const [xs, ys] = [ends.map((e) => e[0]!), ends.map((e) => e[1]!)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return [x, y, Math.max(...xs) - x, Math.max(...ys) - y];
}

it('is true to scale: one unit is one millimetre, y turned so that port is up', async () => {
  const svg = await draw();
  expect(reach(svg.querySelector('path.plate')!)).toEqual([-115, -105, 230, 210]);
  const bolts = [...svg.querySelectorAll('g[transform^=translate]')].map((g) => g.getAttribute('transform'));
  expect(bolts).toEqual(['translate(90 -80)', 'translate(-90 -80)', 'translate(-90 80)', 'translate(90 80)']);
});

it('the view holds the plate with room, or the panel with its bearers', () => {
  const job = testJob();
  const near = plateView(job);
  expect([near.x0 < -115, near.x1 > 115, near.y0 < -105, near.y1 > 105]).toEqual([true, true, true, true]);
  const wide = panelView(job);
  expect([wide.x0, wide.x1]).toEqual([-264, 264]);
});

it('shows each bolt’s share of the pull; shares add up to all of it', async () => {
  const svg = await draw(testJob({ fz: 4000 }));
  const shares = [...svg.querySelectorAll('text')]
    .map((t) => /(\d+) %/.exec(t.textContent!)?.[1])
    .filter(Boolean)
    .map(Number);
  expect(shares).toEqual([25, 25, 25, 25]);
});

it('shows where the base presses, and the arrow of an in-plane load', async () => {
  const svg = await draw(testJob({ fx: 3000, z: 120 }));
  expect(svg.querySelector('polygon[points][stroke-dasharray]')).not.toBeNull();
  expect(svg.querySelector('.arrow')).not.toBeNull();
  expect((await draw(testJob({ fz: 4000 }))).querySelector('.arrow')).toBeNull();
});

it('draws a refused layout all the same, without shares', async () => {
  const job = testJob();
  const svg = await draw({ ...job, bolts: { ...job.bolts, items: [{ id: 'B1', x: 300, y: 0 }] } });
  expect(svg.querySelector('path.plate')).not.toBeNull();
  expect(svg.textContent).not.toContain('%');
});

it('on the rack it is bare of words', async () => {
  expect((await draw(testJob(), true, false)).querySelectorAll('text')).toHaveLength(0);
});

it('the hidden backing plate is dashed, and only there when fitted', async () => {
  const dashed = (svg: SVGElement) => svg.querySelectorAll('rect[stroke-dasharray="5 3"]').length;
  expect(dashed(await draw())).toBe(1);
  expect(dashed(await draw({ ...testJob(), far: { kind: 'washer' } }))).toBe(0);
});

it('a drawn outline is drawn as it is cut, with its openings', async () => {
  const job = testJob();
  const corners = [
    sharp(-115, -105),
    sharp(115, -105),
    { ...sharp(115, 105), make: 'clip' as const, size: 30 },
    sharp(-115, 105),
  ];
  const opening = [sharp(80, -20), sharp(100, -20), sharp(100, 20), sharp(80, 20)];
  const svg = await draw({ ...job, plate: shapedPlate(job.plate, { corners, openings: [opening] }) });
  const path = svg.querySelector('path.plate')!;
  // Port is up: y turned; the clip takes 30 mm off the fore port corner.
  expect(path.getAttribute('d')).toBe('M-115 105L115 105L115 -75L85 -105L-115 -105L-115 105ZM80 20L100 20L100 -20L80 -20L80 20Z');
  expect(path.getAttribute('fill-rule')).toBe('evenodd');
});
