import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { PickField } from '../fields/pick-field';
import { By } from '@angular/platform-browser';
import { provideDesk, type TestDesk } from '../testing/desk';
import { StackCard } from './stack-card';

let fixture: ComponentFixture<StackCard>;
let desk: TestDesk;
const picks = () => fixture.debugElement.queryAll(By.directive(PickField)).map((d) => d.componentInstance as PickField);
const host = () => fixture.nativeElement as HTMLElement;
const labels = () => picks().map((p) => p.label());

async function show(job: Job = testJob()) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(StackCard);
  await fixture.whenStable();
}

async function choose(label: string, value: string, nth = 0) {
  picks()
    .filter((p) => p.label() === label)
    [nth]!.changed.emit(value);
  await fixture.whenStable();
}

it('has plate, fasteners and far side', async () => {
  await show();
  expect(labels()).toEqual([
    'Thickness',
    'Metal',
    'Size',
    'Class',
    'Nut',
    'Hole',
    'Under the nuts',
    'Thickness',
    'Metal',
    'Plates',
  ]);
});

it('changes each part of the stack', async () => {
  await show();
  await choose('Thickness', '1/4 in');
  await choose('Metal', '316');
  await choose('Size', 'M12');
  await choose('Class', 'A4-70');
  await choose('Hole', 'fine');
  await choose('Thickness', '3 mm', 1);
  expect(desk.job()).toMatchObject({
    plate: { metal: '316', thickness: { v: 6.35, text: '1/4 in', from: 'sheet' } },
    bolts: { size: 'M12', class: 'A4-70', fit: 'fine' },
    far: { thickness: { v: 3 } },
  });
});

it('washers have no thickness or metal to choose; a backing plate starts in the plate’s own metal', async () => {
  await show();
  await choose('Under the nuts', 'large washer');
  expect(desk.job()!.far).toEqual({ kind: 'large washer' });
  expect(labels().filter((l) => l === 'Thickness')).toHaveLength(1);
  await choose('Under the nuts', 'plate');
  expect(desk.job()!.far).toMatchObject({ kind: 'plate', metal: 'S275', thickness: { text: '5 mm' } });
});

it('an inch size brings inch classes with it', async () => {
  await show();
  await choose('Size', '1/2-13');
  const grade = picks().find((p) => p.label() === 'Class')!;
  expect(grade.choices().map((c) => c.value)).toEqual(['Gr 2', 'Gr 5', 'Gr 8', 'A325', 'A490', 'F593']);
  expect(grade.value()).toBe('Gr 5');
});

it('a thickness that is not stock is still shown as what it is', async () => {
  await show({ ...testJob(), plate: { ...testJob().plate, thickness: fromSheet(7, '7 mm') } });
  expect(picks()[0]!.choices()[0]).toEqual({ value: '7 mm', label: '7 mm (not stock)' });
});

it('shows mass, rough cost and grip, and none of them for a layout that cannot be made', async () => {
  await show();
  expect(fixture.nativeElement.querySelector('dl').textContent).toMatch(/Mass.*\d\.\d\d kg.*about \d+.*25 mm/s);
  desk.change('empty', (j) => ({ ...j, bolts: { ...j.bolts, items: [] } }));
  await fixture.whenStable();
  expect(fixture.nativeElement.querySelector('dl')).toBeNull();
});

it('says which bolt, how much sticks out, and how hard to tighten; a soft skin limits it', async () => {
  await show();
  const rows = () =>
    Object.fromEntries(
      [...host().querySelectorAll('dt')].map((dt) => [dt.textContent!, dt.nextElementSibling!.textContent!.trim()] as const),
    );
  // M10: grip 25, nut 8.4, two threads: 36.4, so 40 mm; K·d·F = 0.2·10·0.75·580·58 = 50 N·m (by hand).
  expect(rows()).toMatchObject({ Bolts: '4 M10 × 40 mm, 6.6 mm out', 'Tighten to': '50 N·m' });
  desk.change('laminate', (j) => ({
    ...j,
    far: { kind: 'washer' },
    skin: { ...j.skin, kind: 'laminate', glass: j.skin.thickness } as Job['skin'],
  }));
  desk.change('glass', (j) => ({ ...j, skin: { ...j.skin, glass: fromSheet(0.35, '35 %') } as Job['skin'] }));
  await fixture.whenStable();
  expect(rows()['Tighten to']).toMatch(/^\d+ N·m, or the skin crushes$/);
});
