import { TestBed } from '@angular/core/testing';
import { testJob } from '@core/testing/test-job';
import { provideDesk } from '../testing/desk';
import { RowChart } from './row-chart';

it('draws each bolt’s share beside what would even it, and says what the end bolt gains', async () => {
  const row = [-90, -45, 0, 45, 90].flatMap((x, i) => [-80, 80].map((y, k) => ({ id: `B${2 * i + k + 1}`, x, y })));
  provideDesk(testJob({ fx: 4000 }, (j) => ({ ...j, bolts: { ...j.bolts, items: row } })));
  const fixture = TestBed.createComponent(RowChart);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  expect(host.querySelectorAll('rect.is')).toHaveLength(5);
  const heights = [...host.querySelectorAll('rect.is')].map((r) => Number(r.getAttribute('height')));
  expect(heights[0]).toBeGreaterThan(heights[2]!);
  expect(heights[0]).toBeCloseTo(heights[4]!, 6);
  expect(host.textContent).toMatch(/End bolt \d+\.\d % becomes \d+\.\d %/);
  expect(host.querySelector('svg')!.getAttribute('aria-label')).toMatch(/Share along the row: B\d+ \d+ \| \d+ %/);
});

it('two bolts in a row are no row: nothing is drawn', async () => {
  provideDesk(testJob());
  const fixture = TestBed.createComponent(RowChart);
  await fixture.whenStable();
  expect((fixture.nativeElement as HTMLElement).querySelector('svg')).toBeNull();
});
