import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Type } from '@angular/core';
import { oneFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import type { FreePart } from '@core/job/free-part';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { fromSheet } from '@core/job/values';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import type { BarPlan, Saw } from '@core/shop/bar-cutting';
import { refuse } from '@core/units/refusal';
import { of, throwError, type Observable } from 'rxjs';
import { CutPlan } from './cut-plan';
import { CutPlanApi, type StockPlan } from './cut-plan-api';
import { ShopDesk } from './shop-desk';
import { DrillCard } from './drill-card';
import { PartsCard } from './parts-card';
import { SheetPlan } from './sheet-plan';
import { TorqueSheet } from './torque-sheet';

let fixture: ComponentFixture<unknown>;
let desk: TestDesk;
const shop = () => TestBed.inject(ShopDesk).settings()!;
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
      '4 mm, then 11 mm',
      '720 /min',
      'M10 8.8',
      'stack-drill with backing plate',
    ]);
  });
  it('the bits to lay out, each once for a metal, the smallest first', async () => {
    await show(DrillCard, testJob());
    const bits = [...host().querySelectorAll('.bits li')].map((l) => l.textContent!.replace(/\s+/g, ' ').trim());
    expect(bits[0]).toMatch(/^4 mm \d+ \/min in steel 8 holes$/);
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
    expect(rows[0]![3]).toBe('1 a foot, 4 in all: 2 + 2 mirrored');
    expect(rows[0]![2]).toMatch(/mounting plate ?Fore port, Fore starboard, Aft port, Aft starboard/);
    const kg = (s: string) => parseFloat(s);
    const count = (s: string) => Number(/(\d+) in all/.exec(s)?.[1] ?? s);
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

describe('sheets', () => {
  const text = () => host().textContent!.replace(/\s+/g, ' ');
  it('which sheets to buy, every piece drawn on them by its mark, and what is left', async () => {
    await show(SheetPlan, standingAs(oneFoot(lopsidedJob()), 'F1', 'four feet', { along: 600, across: 400, count: 4 }));
    expect(text()).toMatch(/1 × 2000 mm × 1000 mm to buy; \d+ % of what is cut from is waste\. No fewer of them would do\./);
    const plates = host().querySelector('figure')!;
    expect(plates.querySelectorAll('.cut-out')).toHaveLength(4);
    expect([...plates.querySelectorAll('text')].map((t) => t.textContent!.trim())).toEqual(['1', '1', '1′', '1′']);
    expect(plates.querySelector('svg')!.getAttribute('aria-label')).toBe('On this sheet: 4 mounting plate');
  });
  it('a piece that may not be turned lies along, and what is chosen is kept', async () => {
    await show(SheetPlan, testJob());
    host().querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await fixture.whenStable();
    expect(shop().sheetCut).toEqual({ kerf: 3, margin: 10, along: true });
  });
  it('drawn where it is planned and in the hand it is drawn in: an L inside the margin, clear of the next, its leg where it was', async () => {
    const leg: FreePart = {
      id: 'l',
      name: 'L',
      use: 'gusset',
      metal: 'S275',
      count: 2,
      stock: {
        form: 'plate',
        thickness: fromSheet(4, '4 mm'),
        outline: {
          corners: [
            [0, 0],
            [200, 0],
            [200, 40],
            [50, 40],
            [50, 120],
            [0, 120],
          ].map(([x, y]) => ({ x: x!, y: y!, make: 'sharp' as const, size: 0, bulge: 0 })),
          openings: [],
        },
      },
      holes: [],
    };
    await show(
      SheetPlan,
      testJob({}, (j) => ({ ...j, parts: [leg] })),
    );
    const drawn = [...host().querySelectorAll('figure')].at(-1)!.querySelectorAll('.cut-out');
    const boxes = [...drawn].map((p) => {
      const points = [...p.getAttribute('d')!.matchAll(/[ML](\S+) ([^\sLZ]+)/g)].map((m) => ({
        x: Number(m[1]),
        y: Number(m[2]),
      }));
      const [x, y] = [points.map((q) => q.x), points.map((q) => q.y)];
      return { points, x0: Math.min(...x), x1: Math.max(...x), y0: Math.min(...y), y1: Math.max(...y) };
    });
    expect(boxes).toHaveLength(2);
    for (const b of boxes) {
      expect(Math.min(b.x0, b.y0)).toBeGreaterThanOrEqual(10);
      expect([b.x1 - b.x0, b.y1 - b.y0].map(Math.round).sort((a, c) => a - c)).toEqual([120, 200]);
      // Going round as drawn from above: y down, so the area turns out negative, turned or not.
      const area = b.points.reduce((sum, q, i) => {
        const n = b.points[(i + 1) % b.points.length]!;
        return sum + (q.x * n.y - n.x * q.y) / 2;
      }, 0);
      expect(area).toBeCloseTo(-(200 * 40 + 50 * 80), 6);
    }
    const [a, b] = boxes;
    expect(Math.max(a!.x0 - b!.x1, b!.x0 - a!.x1, a!.y0 - b!.y1, b!.y0 - a!.y1)).toBeGreaterThanOrEqual(3 - 1e-6);
    // Unturned, the short leg stands at the left and up, as it was drawn.
    const upright = boxes.find((k) => Math.round(k.x1 - k.x0) === 200);
    if (upright)
      expect(upright.points.filter((q) => Math.abs(q.y - upright.y0) < 1e-6).every((q) => q.x <= upright.x0 + 50 + 1e-6)).toBe(
        true,
      );
  });
  it('a layout that cannot be made says why', async () => {
    await show(SheetPlan, { ...testJob(), bolts: { ...testJob().bolts, items: [] } });
    expect(host().querySelector('[role=alert]')!.textContent).toContain('there are no bolts');
  });
});

describe('bars', () => {
  const plan = (over: Partial<BarPlan> = {}): BarPlan => ({
    bars: [
      {
        bar: { name: '6000 mm', length: 6000 },
        pieces: [
          { mark: '2 Strap', length: 900 },
          { mark: '2 Strap', length: 900 },
        ],
        stops: [910, 1813],
        left: 4184,
      },
    ],
    bought: 1,
    boughtLength: 6000,
    lowerBound: 6000,
    waste: 0.7,
    proven: true,
    ...over,
  });
  const asked: Saw[] = [];
  async function bars(answer: () => Observable<readonly StockPlan[]>) {
    asked.length = 0;
    TestBed.configureTestingModule({
      providers: [
        {
          provide: CutPlanApi,
          useValue: {
            plan: () => {
              asked.push(shop().saw);
              return answer();
            },
          },
        },
      ],
    });
    await show(CutPlan, testJob());
  }
  const text = () => host().textContent!.replace(/\s+/g, ' ');

  it('what to buy, how it is sawn and what is left; where it is not proven it says so', async () => {
    await bars(() => of([{ stock: 'flat bar 50 × 6 mm, Steel S275', plan: plan() }]));
    expect(text()).toContain('1 × 6000 mm to buy, 70.0 % of it not in a piece; no plan buys less.');
    expect(text()).toContain('910 mm 2 Strap, 900 mm');
    expect(text()).toContain('1813 mm 2 Strap, 900 mm');
    expect(host().querySelectorAll('.piece')).toHaveLength(2);
    TestBed.resetTestingModule();
    await bars(() => of([{ stock: 'x', plan: plan({ proven: false }) }]));
    expect(text()).toContain('not proven the least; at least 6000 mm is needed');
  });
  it('another kerf is asked anew and kept; a wrong one names its range and asks nothing', async () => {
    await bars(() => of([]));
    expect(text()).toContain('No part of this job is sawn from bar');
    const [kerf] = [...host().querySelectorAll('input')];
    const type = async (words: string) => {
      kerf!.value = words;
      kerf!.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    await type('1.5');
    expect(asked.at(-1)).toEqual({ kerf: 1.5, endWaste: 10 });
    expect(shop().saw).toEqual({ kerf: 1.5, endWaste: 10 });
    const n = asked.length;
    await type('-2');
    expect(asked).toHaveLength(n);
    expect(host().querySelector('[role=alert]')!.textContent).toContain('allowed: 0 up to 20 mm');
  });
  it('a refusal, a server that fails and a change that is not saved yet are said in words', async () => {
    const refusal = refuse('bars', 'the pieces do not fit', 'longer bars');
    await bars(() => of([{ stock: 'x', plan: refusal }]));
    expect(host().querySelector('[role=alert]')!.textContent).toContain('the pieces do not fit');
    TestBed.resetTestingModule();
    await bars(() => throwError(() => new Error('down')));
    expect(host().querySelector('[role=alert]')).not.toBeNull();
    TestBed.resetTestingModule();
    await bars(() => of([]));
    desk.state.update((s) => ({ ...s, save: 'saving' }));
    await fixture.whenStable();
    expect(text()).toContain('still being saved');
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

describe('left over', () => {
  const put = () =>
    [...host().querySelectorAll<HTMLButtonElement>('button')].filter((b) => b.textContent!.includes('put on the rack'));
  it('of a sheet goes on the rack, and the next plan is cut from it and buys nothing', async () => {
    await show(SheetPlan, testJob());
    const bought = () => host().textContent!.match(/(Nothing|1 × \S+) /g)!.length;
    expect(bought()).toBeGreaterThan(0);
    put()[0]!.click();
    await fixture.whenStable();
    const [offcut] = shop().offcuts;
    expect(offcut).toMatchObject({ width: 1000, count: 1 });
    expect(host().textContent).toContain('Nothing to buy');
    expect(host().textContent).toContain('Offcut off the rack');
  });
});

describe('a piece on its sheet', () => {
  const pieces = () => [...host().querySelectorAll<SVGPathElement>('.cut-out')];
  const key = async (k: string, shiftKey = false) => {
    pieces()[0]!.dispatchEvent(new KeyboardEvent('keydown', { key: k, shiftKey, bubbles: true, cancelable: true }));
    await fixture.whenStable();
  };
  it('is moved by arrow keys and turned by r, stays there, and goes back as planned', async () => {
    await show(SheetPlan, testJob());
    const before = pieces()[0]!.getAttribute('d');
    await key('ArrowRight', true);
    const [put] = desk.whole()!.making!.laid!;
    expect(put).toMatchObject({ sheet: 0, nth: 0, x: 20, y: 10 });
    expect(pieces()[0]!.getAttribute('d')).not.toBe(before);
    await key('r');
    expect(desk.whole()!.making!.laid).toHaveLength(1);
    [...host().querySelectorAll('button')].find((b) => b.textContent!.includes('as planned again'))!.click();
    await fixture.whenStable();
    expect(desk.whole()!.making).toBeUndefined();
    expect(pieces()[0]!.getAttribute('d')).toBe(before);
  });
  it('does not go over the margin: it says why and stays', async () => {
    await show(SheetPlan, testJob());
    await key('ArrowLeft');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('it reaches over the sheet’s margin');
    expect(desk.did).toEqual([]);
  });
});
