import { Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { evaluate } from '@core/chain/evaluate';
import { newLug } from '@core/job/plain-joint';
import { RANGES, type RangeName } from '@core/job/ranges';
import { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { PickField } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { provideDesk, type TestDesk } from '../testing/desk';
import { JointCard } from './joint-card';
import { LugCard } from './lug-card';
import { RulesCard } from './rules-card';
import { WeldCard } from './weld-card';

let fixture: ComponentFixture<unknown>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const fields = () => fixture.debugElement.queryAll(By.directive(QuantityField)).map((d) => d.componentInstance as QuantityField);
const paths = () => fields().map((f) => f.label() || RANGES[f.of() as RangeName].label);

async function show(card: Type<unknown>, job: Job = testJob()) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(card);
  await fixture.whenStable();
}

async function choose(label: string, value: string) {
  const pick = fixture.debugElement
    .queryAll(By.directive(PickField))
    .map((d) => d.componentInstance as PickField)
    .find((p) => p.label() === label)!;
  pick.changed.emit(value);
  await fixture.whenStable();
}

const button = (text: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(text))!;

describe('the joint', () => {
  it('asks only for what its picks make count', async () => {
    await show(JointCard);
    const limits = ['Most deflection', 'Span over deflection', 'Most above the plate', 'Most below the skin'];
    expect(paths()).toEqual(limits);
    await choose('Tightened', 'slip resistant');
    expect(paths()).toEqual(['Preload, part of proof', 'Slip factor μ', ...limits]);
    await choose('Between plate and skin', 'spacers');
    expect(paths()).toContain('Sleeve or spacer, wall');
    await choose('Holding', 'rivet nut');
    expect(paths()).toContain('Pull-out of the insert');
    expect(Job.safeParse(desk.job()).success).toBe(true);
  });

  it('a bent edge starts at the least radius of its metal, and says what the blank needs', async () => {
    await show(
      JointCard,
      testJob({}, (j) => ({ ...j, plate: { ...j.plate, metal: '6082-T6', thickness: fromSheet(4, '4 mm') } })),
    );
    await choose('Bent edge', 'aft');
    expect(desk.job()!.plate.fold).toMatchObject({ edge: 'aft', radius: { v: 14 } });
    // By hand: r 14 over t 4 is past 3·t, K 0.5: allowance π/2·(14 + 0.5·4) = 25.1 mm.
    expect(host().textContent).toMatch(/Bend allowance 25\.1 mm.*43\.1?.* mm past|Bend allowance 25\.1 mm/);
    await choose('Bent edge', 'none');
    expect(desk.job()!.plate.fold).toBeUndefined();
  });

  it('loose plates count in the chain at once', async () => {
    await show(JointCard);
    const before = evaluate(desk.job()!).links.find((l) => l.id === 'plate-bending')!.capacity;
    await choose('Loose plates on each other', '2');
    const after = evaluate(desk.job()!).links.find((l) => l.id === 'plate-bending')!.capacity;
    expect(after).toBeGreaterThan(before);
    expect(desk.did).toContain('2 loose plates');
  });
});

describe('welds', () => {
  it('a throat is asked for where there is a fillet, stitch and gap where it is stitched, a diameter for plugs', async () => {
    await show(WeldCard);
    expect(fields()).toHaveLength(0);
    await choose('Fitting to plate', 'all round');
    expect(paths()).toEqual(['Fitting weld, throat a', 'Filler strength F_EXX']);
    await choose('Plate to skin', 'stitched');
    expect(paths()).toEqual(expect.arrayContaining(['Length of a stitch', 'Gap between stitches']));
    await choose('Plate to skin', 'plugs');
    expect(paths()).toContain('Plug weld diameter');
    expect(host().textContent).toContain('tack at the corners');
  });
});

describe('the lug', () => {
  it('is put on, drawn to one scale, changed and taken out', async () => {
    await show(LugCard);
    button('Lug and pin').click();
    await fixture.whenStable();
    expect(desk.job()!.lug).toEqual(newLug());
    const view = host().querySelector('ms-lug-drawing svg')!.getAttribute('viewBox')!.split(' ').map(Number);
    expect(view.every(Number.isFinite)).toBe(true);
    await choose('Pin held', 'single');
    expect(desk.job()!.lug!.shear).toBe('single');
    await choose('Rules', 'EN');
    expect(host().textContent).not.toContain('Design factor');
    button('Take the lug out').click();
    await fixture.whenStable();
    expect('lug' in desk.job()!).toBe(false);
    expect(Job.safeParse(desk.job()).success).toBe(true);
  });
});

describe('rule packs', () => {
  it('each rule says whether it is kept, its figure and source, and the pack’s gaps stand under it', async () => {
    await show(RulesCard);
    const rules = [...host().querySelectorAll('li')].map((l) => l.textContent!.replace(/\s+/g, ' '));
    expect(rules[0]).toMatch(
      /EN-e Hole to plate edge at least 1\.2·d0\. Kept: 25 mm, least 13\.2 mm .* Code: EN 1993-1-8 Tab\. 3\.3\./,
    );
    expect(rules.some((r) => r.includes('Common practice.'))).toBe(true);
    expect(host().textContent).toContain('Not judged here: ');
    const packs = [...host().querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    packs.at(-1)!.click();
    await fixture.whenStable();
    expect(desk.job()!.packs).toEqual(['EN', 'competition']);
    expect(host().textContent).toContain('harness anchorages');
    packs[0]!.click();
    await fixture.whenStable();
    expect(desk.job()!.packs).toEqual(['competition']);
  });
});
