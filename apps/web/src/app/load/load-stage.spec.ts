import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Job } from '@core/job/schema';
import { newLoad, workedLoad } from '@core/loads/new-load';
import { BUILDERS, builderOf } from '@core/loads/registry';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { LoadStage } from './load-stage';

let fixture: ComponentFixture<LoadStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const button = (words: string) =>
  [...host().querySelectorAll('button')].find((b) => (b.getAttribute('aria-label') ?? b.textContent)!.includes(words))!;
const rows = () => [...host().querySelectorAll('.cases tbody tr')].map((r) => r.textContent!.trim());

async function show(job: Job) {
  desk = provideDesk(job);
  fixture = TestBed.createComponent(LoadStage);
  await fixture.whenStable();
}

const settle = () => fixture.whenStable();
const press = async (words: string) => {
  button(words).click();
  await settle();
};
const toggle = async (words: string) => {
  const found = [...host().querySelectorAll<HTMLButtonElement>('mat-button-toggle button')].find((b) =>
    b.textContent!.includes(words),
  )!;
  found.click();
  await settle();
};
const withLoad = (kind: string): Job => ({ ...testJob(), loads: [newLoad(kind, 'L1')] });

async function type(label: string, text: string) {
  const input = [...host().querySelectorAll('ms-quantity')].find((q) => q.textContent!.includes(label))!.querySelector('input')!;
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

it('without a load it asks for one; the first names the kind of fitting', async () => {
  await show({ ...testJob(), family: 'general', loads: [] });
  expect(host().textContent).toContain('No load yet');
  expect(host().querySelectorAll('ms-builder-kinds li')).toHaveLength(BUILDERS.length);
  await press(builderOf('winch').name);
  expect(rows()).toHaveLength(3);
  expect(desk.job()!.loads[0]).toMatchObject({ kind: 'winch', values: { pull: { from: 'assumed' } } });
  expect(desk.job()!.family).toBe('winch');
});

it.each(BUILDERS)('$kind: asks for its fields, shows its factors with their source, draws and computes', async (b) => {
  await show(withLoad(b.kind));
  const silent = new Set<string>(b.unused?.(desk.job()!.loads[0]!.picks) ?? []);
  const card = host().querySelector('ms-load-card')!;
  expect(card.querySelectorAll('ms-quantity')).toHaveLength(Object.keys(b.fields).filter((k) => !silent.has(k)).length);
  expect(card.querySelectorAll('ms-factor')).toHaveLength(Object.keys(b.factors).length);
  for (const f of Object.values(b.factors)) expect(card.textContent).toContain(f.source);
  expect(host().querySelectorAll('ms-load-sketch svg').length).toBeGreaterThan(0);
  expect(rows().length).toBeGreaterThan(0);
  expect(host().querySelectorAll('ms-steps li, ms-steps tr, ms-steps div').length).toBeGreaterThan(0);
});

it('a winch shows its fan and its arithmetic, in the units people typed', async () => {
  await show(withLoad('winch'));
  await type('Rated pull', '2000 lb');
  await type('Pull angle up', '30');
  expect(rows()).toHaveLength(6);
  expect(rows().find((r) => r.startsWith('Winch: ahead'))).toContain('8.90 kN');
  expect(host().querySelector('ms-steps')!.textContent).toMatch(/P·cos\(β\)·cos\(θ\)|P \\cdot \\cos/);
});

it('names the governing case and its load', async () => {
  await show(testJob());
  expect(host().querySelectorAll('.cases .governs')).toHaveLength(1);
  expect(host().querySelectorAll('article .governs')).toHaveLength(1);
});

it('a force at a point shows what it turns into at the plate', async () => {
  await show(testJob({ fx: 1000, z: 200 }));
  expect(rows()[0]).toContain('1.00 kN');
  expect(rows()[0]).toContain('200 N·m');
});

it('duplicates, renames, mirrors and takes out, each undoable by name', async () => {
  await show(testJob());
  await press('Duplicate Case L1');
  expect(desk.job()!.loads.map((l) => l.id)).toEqual(['L1', 'L2']);
  await press('Open Case L1 (copy)');
  const name = host().querySelector<HTMLInputElement>('article .name')!;
  name.value = ' Other side ';
  name.dispatchEvent(new Event('change'));
  await settle();
  expect(desk.job()!.loads[1]!.name).toBe('Other side');
  await press('Mirror Other side');
  expect(desk.job()!.loads[1]!.mirrored).toBe(true);
  await press('Take out Other side');
  expect(desk.job()!.loads).toHaveLength(1);
  expect(desk.did.map((d) => d.replace(/^.*: /, ''))).toEqual(['duplicate load', 'rename load', 'mirror', 'take out Other side']);
});

it('a factor overridden is marked, and one press brings the usual back', async () => {
  await show(withLoad('cradle'));
  const field = host().querySelector('ms-load-card ms-factor')!;
  const input = field.querySelector('input')!;
  input.value = '4';
  input.dispatchEvent(new Event('change'));
  await settle();
  expect(desk.job()!.loads[0]!.factors['down']).toBe(4);
  expect(input.classList).toContain('over');
  expect(field.querySelector('button')!.textContent).toContain('3');
  field.querySelector('button')!.click();
  await settle();
  expect(desk.job()!.loads[0]!.factors['down']).toBe(3);
});

it('a worked example shows the figure expected beside the one that comes out', async () => {
  const b = builderOf('tow-point');
  await show({ ...testJob(), loads: [workedLoad('tow-point', b.worked[0]!, 'L1')] });
  const said = host().querySelector('.example')!.textContent!;
  expect(said).toContain('D 12.48 kN here, 12.48 kN expected');
  expect(said).toContain('UN R55');
});

it('a height that looks like the other unit is asked about and left as typed', async () => {
  await show(withLoad('winch'));
  await type('Line height', '140 in');
  expect(host().querySelector('.doubt')!.textContent).toContain('Was that mm, read as inches?');
  expect(desk.job()!.loads[0]!.values['drumHeight']!.v).toBeCloseTo(3556, 6);
});

describe('weight take-off', () => {
  const paste = async (text: string) => {
    await toggle('Take-off');
    await press('From a table');
    const area = host().querySelector('ms-csv-import textarea') as HTMLTextAreaElement;
    area.value = text;
    area.dispatchEvent(new Event('input'));
    await settle();
    await new Promise((read) => setTimeout(read));
    await settle();
  };
  it('reads a table with decimal commas; bad lines are numbered and the good kept when confirmed', async () => {
    await show(withLoad('cradle'));
    await paste('name;mass (kg);x;z\r\nFrame;42,5;0;310\r\nMotor;-3;120;560\r\nTank;"60 kg";-80;220\r\n');
    expect(host().querySelector('ms-csv-import li')!.textContent).toMatch(/line 3\s+Mass: -3 kg is too small/);
    expect(desk.job()!.loads[0]!.parts).toHaveLength(0);
    await press('Keep the 2 good, leave out 1');
    expect(desk.job()!.loads[0]!.parts.map((p) => [p.name, p.mass.v])).toEqual([
      ['Frame', 42.5],
      ['Tank', 60],
    ]);
    // By hand: (42.5·310 + 60·220)/102.5 = 257.3 mm.
    expect(host().querySelector('.total')!.textContent).toContain('257.3 mm');
    expect(host().querySelector('.total')!.textContent).toContain('102.50 kg');
  });
  it('a table without a mass column is refused by the heading line', async () => {
    await show(withLoad('cradle'));
    await paste('name;weightless\nA;1');
    expect(host().querySelector('ms-csv-import [role=alert]')!.textContent).toContain('line 1');
    expect(host().querySelector('ms-csv-import [role=alert]')!.textContent).toContain('no column for mass');
  });
});

it('combines loads with the job’s factors or its own', async () => {
  await show({ ...testJob(), loads: [newLoad('roof-unit', 'L1'), { ...newLoad('free', 'L2'), name: 'Person' }] });
  await press('Combine');
  expect(desk.job()!.combinations[0]!.parts).toEqual([
    { load: 'L1', factor: null },
    { load: 'L2', factor: null },
  ]);
  expect(rows().filter((r) => r.startsWith('Together'))).toHaveLength(4);
  const input = host().querySelector('ms-combination-card ms-factor input') as HTMLInputElement;
  input.value = '0,5';
  input.dispatchEvent(new Event('change'));
  await settle();
  expect(desk.job()!.combinations[0]!.parts[0]!.factor).toBe(0.5);
});

it('the envelope draws every case and says which governs which link', async () => {
  await show(withLoad('winch'));
  await toggle('Envelope');
  expect(host().querySelectorAll('ms-envelope circle').length).toBeGreaterThanOrEqual(3);
  expect(host().querySelector('ms-envelope tbody')!.textContent).toContain('Plate bending');
});

it('the three schools are there with their reason; the job says which, and its factors', async () => {
  await show(testJob());
  const labels = () => [...host().querySelectorAll('ms-school-card ms-factor label')].map((s) => s.textContent!.trim());
  expect(labels()).toEqual(['On break', 'On yield']);
  await toggle('Limit states');
  expect(desk.job()!.practice.school).toBe('limit');
  expect(labels()).toEqual([
    'γG, lasting loads',
    'γG,inf, weight that helps',
    'γQ, passing loads',
    'γM0 on yield',
    'γM2 on break',
  ]);
  expect(host().textContent).toContain('Each load multiplied by its own γ');
  await toggle('Crash');
  expect(desk.job()!.practice.school).toBe('ultimate');
  expect(labels()).toEqual([]);
  expect(host().textContent).toContain('never use it for a load that comes back');
});

it('a factor out of range is refused by name and range, and changes nothing', async () => {
  await show(testJob());
  const input = host().querySelector<HTMLInputElement>('ms-school-card ms-factor input')!;
  for (const bad of ['0.2', '', 'x', '99']) {
    input.value = bad;
    input.dispatchEvent(new Event('change'));
    await settle();
    expect(host().querySelector('ms-school-card [role=alert]')!.textContent).toContain('allowed: 1 to 20');
  }
  expect(desk.job()!.practice.onBreak).toBe(3);
  input.value = '3,5';
  input.dispatchEvent(new Event('change'));
  await settle();
  expect(desk.job()!.practice.onBreak).toBe(3.5);
  expect(host().querySelector('ms-school-card [role=alert]')).toBeNull();
});

it('says what decides for the family, and the trade’s reminders', async () => {
  await show({ ...withLoad('seat'), family: 'seat' });
  expect(host().querySelector('aside')!.textContent).toContain('UN R14');
  expect(host().querySelector('aside')!.textContent).toContain('never anchored on a seat rail');
});

it('arrow keys move a handle of the picture', async () => {
  await show(withLoad('winch'));
  const handle = host().querySelector('ms-load-sketch .handle')!;
  expect(handle.getAttribute('aria-label')).toContain('line height 120 mm');
  handle.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', shiftKey: true }));
  await settle();
  expect(desk.job()!.loads[0]!.values['drumHeight']).toMatchObject({ v: 130, from: 'assumed' });
  expect(desk.said()).toContain('line height');
});
