import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Type } from '@angular/core';
import { oneFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { fromSheet } from '@core/job/values';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { DrillCard } from './drill-card';
import { PartsCard } from './parts-card';
import { TorqueSheet } from './torque-sheet';

let fixture: ComponentFixture<unknown>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const cells = (css = 'tbody tr') =>
  [...host().querySelectorAll(css)].map((r) =>
    [...r.querySelectorAll('td')].map((d) => d.textContent!.replace(/\s+/g, ' ').trim()),
  );

async function show(card: Type<unknown>, job: Job | WholeJob) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(card);
  await fixture.whenStable();
}

describe('drilling', () => {
  it('lists the holes from the corner a square is laid on, each with its bits and speed', async () => {
    await show(DrillCard, testJob());
    expect(host().querySelector('caption')!.textContent).toContain('outline');
    // 11 mm in mild steel at 25 m/min: 723 /min.
    expect(cells()[0]).toEqual([
      'B1',
      '205 mm',
      '185 mm',
      '11 mm',
      '3.9 mm, then 11 mm',
      '720 /min',
      'M10 8.8',
      'stack-drill with backing plate',
    ]);
  });
  it('the bits to lay out, each once for a metal, the smallest first', async () => {
    await show(DrillCard, testJob());
    const bits = [...host().querySelectorAll('.bits li')].map((l) => l.textContent!.replace(/\s+/g, ' ').trim());
    expect(bits[0]).toMatch(/^3\.\d mm \d+ \/min in steel 8 holes$/);
    expect(bits).toContain('11 mm 720 /min in steel 8 holes');
  });
  it('a speed that is pressed shows its formula; pressed again it closes', async () => {
    await show(DrillCard, testJob());
    const speed = () => host().querySelector<HTMLButtonElement>('td button')!;
    speed().click();
    await fixture.whenStable();
    expect(speed().getAttribute('aria-expanded')).toBe('true');
    expect(host().querySelector('ms-steps')!.textContent).toContain('1000');
    expect(host().textContent).toContain('HSS; cutting oil.');
    speed().click();
    await fixture.whenStable();
    expect(host().querySelector('ms-steps')).toBeNull();
  });
  it('a bent plate is measured on its flat blank, and a line to scribe has no bit', async () => {
    await show(
      DrillCard,
      testJob({}, (j) => ({
        ...j,
        plate: { ...j.plate, fold: { edge: 'fore', radius: fromSheet(10, '10 mm'), height: fromSheet(50, '50 mm') } },
      })),
    );
    expect(host().querySelector('caption')!.textContent).toContain('flat blank');
    expect(
      cells()
        .find((c) => c[0]!.startsWith('bend'))!
        .slice(3, 6),
    ).toEqual(['', '', '']);
  });
});

describe('parts', () => {
  it('each once, with its pieces of both hands, stock, blank and mass; what it all weighs', async () => {
    await show(PartsCard, standingAs(oneFoot(lopsidedJob()), 'F1', 'four feet', { along: 600, across: 400, count: 4 }));
    const rows = cells();
    expect(rows[0]![3]).toBe('2 as drawn, 2 of the other hand');
    expect(rows[0]![2]).toMatch(/mounting plate ?Fore port, Fore starboard, Aft port, Aft starboard/);
    const kg = (s: string) => parseFloat(s);
    const count = (s: string) => (s.match(/\d+/g) ?? []).reduce((n, v) => n + Number(v), 0);
    const sum = rows.reduce((n, r) => n + count(r[3]!) * kg(r[6]!), 0);
    expect(kg(cells('tfoot tr')[0]!.at(-1)!) / sum).toBeCloseTo(1, 1);
  });
  it('pressed, a part is opened at a foot it is at', async () => {
    await show(PartsCard, testJob());
    const opened: string[] = [];
    (fixture.componentInstance as PartsCard).opened.subscribe((id) => opened.push(id));
    host().querySelectorAll<HTMLButtonElement>('td button')[1]!.click();
    expect(opened).toEqual(['backing']);
    expect(desk.foot()).toBe('F1');
  });
  it('a layout that cannot be made says why', async () => {
    await show(PartsCard, { ...testJob(), bolts: { ...testJob().bolts, items: [] } });
    expect(host().querySelector('[role=alert]')!.textContent).toContain('there are no bolts');
  });
});

describe('tightening', () => {
  it('bolts to take along, rounds of the torque and the order drawn on the plate', async () => {
    await show(TorqueSheet, testJob());
    expect(host().querySelector('.bolts')!.textContent).toMatch(/4 M10 × \d+ mm/);
    const rounds = cells('.torque tbody tr').map((r) => r[1]!);
    expect(rounds).toHaveLength(4);
    const full = parseFloat(rounds[2]!);
    expect(parseFloat(rounds[0]!) / full).toBeCloseTo(0.3, 1);
    expect(host().querySelector('caption')!.textContent).toMatch(/crosswise: B\d, B\d, B\d, B\d/);
    expect([...host().querySelectorAll('.torque text')].map((t) => t.textContent)).toEqual(['1', '2', '3', '4']);
  });
});
