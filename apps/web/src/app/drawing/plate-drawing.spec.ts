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
const rect = (r: Element) => ['x', 'y', 'width', 'height'].map((a) => Number(r.getAttribute(a)));

it('is true to scale: one unit is one millimetre, y turned so that port is up', async () => {
  const svg = await draw();
  expect(rect(svg.querySelector('rect.plate')!)).toEqual([-115, -105, 230, 210]);
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
  expect(svg.querySelector('rect.plate')).not.toBeNull();
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
