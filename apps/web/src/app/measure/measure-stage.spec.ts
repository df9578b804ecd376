import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import type { Pattern, Side } from '@core/job/survey';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { assumed } from '@core/units/quantity';
import { provideDesk, type TestDesk } from '../testing/desk';
import { started } from '../testing/workers';
import { TypedAs } from '../fields/typed-as';
import { MeasureStage } from './measure-stage';

let fixture: ComponentFixture<MeasureStage>;
let desk: TestDesk;
const host = () => fixture.nativeElement as HTMLElement;
const text = (css: string) => host().querySelector(css)!.textContent!.replace(/\s+/g, ' ').trim();
const field = (label: string) =>
  [...host().querySelectorAll('ms-quantity')].find((q) => q.querySelector('label')!.textContent!.trim().endsWith(label))!;
const listed = () => [...host().querySelectorAll('.picture li')].map((l) => l.textContent!.trim());
const button = (words: string | RegExp) =>
  [...host().querySelectorAll('button')].find((b) => {
    const said = b.getAttribute('aria-label') ?? b.textContent!;
    return typeof words === 'string' ? said.includes(words) : words.test(said);
  })!;

const settle = async () => {
  await fixture.whenStable();
  // What the surveyor is asked while the page settles is answered, as the worker would.
  const worker = started.surveyor.at(-1)!;
  while (worker.waiting.length > 0) worker.answer();
  await fixture.whenStable();
};

async function show(job: Job, sheet?: string) {
  desk = provideDesk(job);
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  TestBed.inject(TypedAs).said.set('measured');
  fixture = TestBed.createComponent(MeasureStage);
  if (sheet) fixture.componentRef.setInput('sheet', sheet);
  await settle();
}

async function type(label: string, words: string) {
  const input = field(label).querySelector('input')!;
  input.value = words;
  input.dispatchEvent(new Event('input'));
  await settle();
}

async function press(words: string | RegExp) {
  button(words).click();
  await settle();
}

async function choose(label: string, value: string) {
  const select = host().querySelector<HTMLSelectElement>(`select[aria-label="${label}"]`)!;
  select.value = value;
  select.dispatchEvent(new Event('change'));
  await settle();
}

const fresh = (): Job => ({ ...newJob('a', 'A'), loads: testJob().loads });
const rect = (a: number, b: number) =>
  [
    [a, b],
    [-a, b],
    [-a, -b],
    [a, -b],
  ].map(([x, y], i) => ({ id: `H${i + 1}`, x: x!, y: y! }));
const pattern = (of: Pattern['of'], side: Side, holes: Pattern['holes']): Pattern => ({
  id: `${of}-${side}`,
  of,
  side,
  hole: fromSheet(11, '11 mm'),
  slot: fromSheet(0, '0'),
  along: 'x',
  holes,
  from: 'measured',
  readings: [],
});
const withPatterns = (patterns: Pattern[], sides: 'one' | 'pair' = 'one'): Job => {
  const job = fresh();
  return { ...job, survey: { ...job.survey, sides, patterns } };
};

describe('base and skin', () => {
  beforeEach(() => show(fresh()));

  it('lists what is still assumed, each with its value', () => {
    expect(host().querySelector('.picture > h3')!.textContent).toBe('12 of 12 values assumed');
    expect(listed()).toContain('Skin thickness: 4 mm');
  });

  it('a measured value leaves the list and keeps its text', async () => {
    await type('Skin thickness', '10 ga');
    expect(desk.job()!.skin.thickness).toMatchObject({ text: '10 ga', from: 'measured' });
    expect(desk.job()!.skin.thickness.v).toBeCloseTo(3.4163, 4);
    expect(listed().some((l) => l.startsWith('Skin thickness'))).toBe(false);
  });

  it.each([
    ['laminate', 8000, 'Glass content by mass'],
    ['plywood', 500, undefined],
    ['sandwich', 300, 'Near face thickness'],
    ['timber', 300, undefined],
    ['hollow', 30_000, 'Wall thickness'],
    ['bed', 30_000, undefined],
  ])('%s keeps what was measured of the panel, and assumes its own bed of %d MPa', async (kind, modulus, own) => {
    await type('Clear span, fore and aft', '612');
    const base = fixture.debugElement.query((d) => d.name === 'ms-base-and-skin').componentInstance;
    base.kind(kind);
    await settle();
    expect(desk.job()!.skin).toMatchObject({
      kind,
      spanX: { v: 612, from: 'measured' },
      bedModulus: { v: modulus, from: 'assumed' },
    });
    if (own) expect(field(own)).toBeDefined();
    expect(host().textContent!.includes('held by their anchors')).toBe(kind === 'bed');
  });

  it('a typed value is measured only once the person has said that what they type is', async () => {
    TestBed.inject(TypedAs).said.set('as marked');
    await type('Skin thickness', '5.8');
    expect(desk.job()!.skin.thickness).toMatchObject({ v: 5.8, from: 'assumed' });
    expect(desk.job()!.skin.thickness.at).toBeUndefined();
    host().querySelector<HTMLButtonElement>('.typed mat-button-toggle[value=measured] button')!.click();
    await type('Skin thickness', '5.9');
    expect(desk.job()!.skin.thickness).toMatchObject({ v: 5.9, from: 'measured', at: expect.any(String) });
  });

  it('another kind of skin has a thickness of its own, assumed', async () => {
    await type('Skin thickness', '5.8');
    fixture.debugElement.query((d) => d.name === 'ms-base-and-skin').componentInstance.kind('timber');
    await settle();
    expect(desk.job()!.skin.thickness).toEqual({ v: 45, text: '45 mm', from: 'assumed' });
  });

  it('a moved base hole makes the pattern measured', async () => {
    const x = host().querySelector<HTMLInputElement>('.hole input')!;
    x.value = '46';
    x.dispatchEvent(new Event('input'));
    await settle();
    expect(desk.job()!.base.holes[0]).toEqual({ id: 'H1', x: 46, y: 35 });
    expect(desk.job()!.base.holesFrom).toBe('measured');
  });

  it('holes are added with a free name and taken out', async () => {
    await press(/^\s*Hole\s*$/);
    expect(desk.job()!.base.holes.at(-1)).toEqual({ id: 'H5', x: 0, y: 0 });
    await press('Take out base hole H2');
    expect(desk.job()!.base.holes.map((h) => h.id)).toEqual(['H1', 'H3', 'H4', 'H5']);
  });

  it('shows the plate over the skin between its bearers', () => {
    expect(host().querySelector('svg.plate-drawing')!.getAttribute('viewBox')).toBe('-264 -214 528 428');
  });
});

describe('hole patterns', () => {
  it('start from what is drawn, not measured until someone does', async () => {
    await show(fresh(), 'patterns');
    expect(host().textContent).toContain('Nobody has measured this pattern yet');
    await press('Start from the bolts as laid out');
    await press('Fitting');
    await press('Start from the base’s holes');
    expect(desk.job()!.survey.patterns.map((p) => [p.id, p.from])).toEqual([
      ['structure-left', 'assumed'],
      ['fitting-left', 'assumed'],
    ]);
  });

  it('meet with their play; a hole off by 6 mm stands out and is named', async () => {
    await show(withPatterns([pattern('fitting', 'left', rect(45, 35)), pattern('structure', 'left', rect(45, 35))]), 'patterns');
    expect(text('.verdict')).toContain('They meet, 1.0 mm of play');
    const x = [...host().querySelectorAll('.hole')][1]!.querySelectorAll('input')[1]!;
    x.value = '41';
    x.dispatchEvent(new Event('input'));
    await settle();
    expect(text('.warn')).toContain('H2 stands out: 6.0 mm off the others');
    expect(text('.verdict')).toContain('They miss by');
    expect(desk.job()!.survey.patterns[1]!.holes[1]).toEqual({
      id: 'H2',
      x: -45,
      y: 41,
      taken: { y: { at: expect.stringMatching(/^\d{4}-/) } },
    });
  });

  it('a different number of holes is refused in words', async () => {
    await show(
      withPatterns([pattern('fitting', 'left', rect(45, 35)), pattern('structure', 'left', rect(45, 35).slice(1))]),
      'patterns',
    );
    expect(text('ms-pattern-study [role=alert]')).toContain('3 holes were measured and the other pattern has 4');
  });

  it('a mirror image is offered and taken', async () => {
    const lopsided = rect(45, 35).map((h, i) => ({ ...h, x: h.x + [0, 9, -4, 14][i]! }));
    await show(
      withPatterns([
        pattern('fitting', 'left', lopsided),
        pattern(
          'structure',
          'left',
          lopsided.map((h) => ({ ...h, y: -h.y })),
        ),
      ]),
      'patterns',
    );
    expect(host().textContent).toContain('It fits better as a mirror image');
    await press('Mirror it');
    expect(desk.job()!.survey.patterns.find((p) => p.of === 'structure')!.holes).toEqual(lopsided);
    expect(text('.verdict')).toContain('They meet');
  });

  it('far apart, the adapter is offered with its verdict and taken as one step; what cannot be done says why', async () => {
    await show(withPatterns([pattern('fitting', 'left', rect(45, 35)), pattern('structure', 'left', rect(95, 85))]), 'patterns');
    const adapter = [...host().querySelectorAll('.remedy')].at(-1)!;
    expect(adapter.textContent).toMatch(/Then (holds|lets go|not shown to hold)/);
    expect(host().textContent).toContain('no slot up to 40 mm');
    const before = desk.did.length;
    await press('Take: Adapter plate');
    expect(desk.job()!.bolts.items[0]).toMatchObject({ id: 'B1', x: expect.closeTo(95, 3), y: expect.closeTo(85, 3) });
    expect(desk.job()!.base.holes).toEqual(rect(45, 35));
    expect(desk.did.slice(before)).toEqual(['adapter plate with both patterns']);
    expect(desk.said()).toContain('Adapter plate with both patterns: done.');
  });

  it('both sides: the right is started as the mirror of the left and is not measured until someone does', async () => {
    await show(withPatterns([pattern('structure', 'left', rect(45, 35))], 'pair'), 'patterns');
    await press('Structure, right');
    await press('Mirror the other side');
    expect(desk.job()!.survey.patterns[1]).toMatchObject({
      id: 'structure-right',
      from: 'assumed',
      holes: [{ x: 45, y: -35 }, {}, {}, {}],
    });
    await settle();
    expect(host().textContent).toContain('The two sides are alike');
  });

  it('readings become centres: inside edges plus a diameter, and a bad one shows its residual', async () => {
    await show(withPatterns([pattern('structure', 'left', rect(45, 35))]), 'patterns');
    for (let i = 0; i < 6; i++) await press('Reading');
    const names = desk.job()!.survey.patterns[0]!.readings.map((r) => `${r.from}-${r.to}`);
    expect(names).toEqual(['H1-H2', 'H2-H3', 'H3-H4', 'H4-H1', 'H1-H3', 'H2-H4']);
    await choose('M1 over', 'outside');
    await type('H1 to H2', '105');
    const cells = () =>
      [...host().querySelectorAll('ms-readings tbody tr')].map((r) =>
        [...r.querySelectorAll('td.number')].map((c) => c.textContent!.trim()),
      );
    expect(cells()[0]![0]).toBe('94 mm');
    expect(Number(cells()[0]![1])).toBeGreaterThan(0.5);
    await press('Work out the centres');
    expect(desk.job()!.survey.patterns[0]).toMatchObject({ from: 'measured' });
  });

  it('comes from a table with its bad lines numbered, and from a drawing, refused by line', async () => {
    await show(withPatterns([pattern('structure', 'left', rect(45, 35))]), 'patterns');
    await press('From a table');
    const area = host().querySelector('ms-csv-import textarea') as HTMLTextAreaElement;
    area.value = 'hole;x (mm);y (mm)\nA;10,5;2\nB;oops;3\nC;-10,5;2';
    area.dispatchEvent(new Event('input'));
    await settle();
    expect(text('ms-csv-import li')).toContain('line 3');
    await press('Keep the 2 good');
    expect(desk.job()!.survey.patterns[0]!.holes).toEqual([
      { id: 'A', x: 10.5, y: 2 },
      { id: 'C', x: -10.5, y: 2 },
    ]);
    const sheet = fixture.debugElement.query((d) => d.name === 'ms-pattern-sheet').componentInstance;
    await sheet.drawing({ files: [{ name: 'bad.dxf', text: () => Promise.resolve('0\nSECTION\nx\n') }], value: '' });
    await settle();
    expect(text('ms-pattern-sheet p[role=alert]')).toContain('bad.dxf: line 3: "x" is not a group code');
    expect(desk.job()!.survey.patterns[0]!.holes).toHaveLength(2);
  });

  it('a hole of the open pattern is nudged on the plan', async () => {
    await show(withPatterns([pattern('fitting', 'left', rect(45, 35)), pattern('structure', 'left', rect(45, 35))]), 'patterns');
    const grip = host().querySelector('[data-hole=H1]')!;
    grip.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', shiftKey: true }));
    await settle();
    expect(desk.job()!.survey.patterns[1]).toMatchObject({ from: 'assumed', holes: [{ x: 55, y: 35 }, {}, {}, {}] });
  });
});

describe('as built', () => {
  it('says what is out, how the sides differ, and which side was only taken as equal', async () => {
    await show(withPatterns([], 'pair'), 'as-built');
    await press('Dimension');
    await type('Dimension, nominal', '412');
    await type('Dimension, left', '412.5');
    expect(text('tbody')).toContain('right taken as left: measure it');
    await type('Dimension, right', '406');
    expect(text('tbody .out')).toBe('out: right −6 mm; sides differ 6.5 mm');
    expect(desk.job()!.survey.log[0]!.right).toMatchObject({ v: 406, from: 'measured' });
    expect(host().querySelector('ms-survey-plan g.out')!.textContent).toContain('Dimension −6');
  });

  it('diagonals give out of square, gaps give heel, flatness and packers', async () => {
    await show(fresh(), 'as-built');
    // Bolts at ±90, ±80: diagonals of a true rectangle are equal.
    await type('Diagonal, aft starboard to fore port', '241');
    await type('Diagonal, aft port to fore starboard', '240');
    // (241² − 240²)/(4·180·160) = 481/115200 rad by hand: 0.24°.
    expect(text('.verdict')).toContain('0.24° off square');
    for (let i = 0; i < 4; i++) await press(/^\s*Gap/);
    const gaps = [...host().querySelectorAll('.shim')];
    const gap = gaps[2]!.querySelectorAll('input')[2]!;
    gap.value = '1.2';
    gap.dispatchEvent(new Event('input'));
    await settle();
    expect([...host().querySelectorAll('.packers li')].map((l) => l.textContent!.replace(/\s+/g, ' ').trim())).toEqual([
      'B1 0 mm',
      'B2 0 mm',
      'B3 1.2 mm',
      'B4 0 mm',
    ]);
    expect(host().querySelector('ms-survey-plan')!.textContent).toContain('B3 packer 1.2');
    // The plane leans: one wedge under the plate takes its angles, 3 mm at its thin corner.
    expect(text('.wedge')).toMatch(/Saw at 0\.\d\d° along and 0\.\d\d° across.*3 mm/);
  });
});

describe('behind the skin', () => {
  it('something hidden is marked on the plan and keeps bolts out; access says what it means', async () => {
    await show(fresh(), 'behind');
    await press(/^\s*Mark/);
    expect(desk.job()!.survey.hidden[0]).toMatchObject({ what: 'cable', clear: { from: 'assumed' } });
    expect(host().querySelector('g.hidden')!.textContent).toContain('cable');
    await choose('What D1 is', 'cavity of unknown depth');
    await type('to, fore', '300');
    expect(desk.job()!.survey.hidden[0]).toMatchObject({ what: 'cavity of unknown depth', x1: 300 });
    const zone = host().querySelector('ms-survey-plan rect.grip')!;
    zone.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft' }));
    await settle();
    expect(desk.job()!.survey.hidden[0]!.x1).toBe(299);
    const behind = fixture.debugElement.query((d) => d.name === 'ms-behind').componentInstance;
    behind.setAccess('far', 'none');
    await settle();
    expect(host().textContent).toContain('captive nuts, studs');
    await press('Take out cavity of unknown depth D1');
    expect(desk.job()!.survey.hidden).toEqual([]);
  });

  it('a zone of another skin is marked, drawn and made of what is there; a cavity is crossed by choice', async () => {
    await show(fresh(), 'behind');
    await press(/^\s*Zone/);
    expect(desk.job()!.survey.zones).toMatchObject([
      { id: 'Z1', x0: 0, skin: { kind: 'laminate', thickness: { from: 'assumed' } } },
    ]);
    expect(desk.job()!.survey.zones![0]!.skin).not.toHaveProperty('spanX');
    expect(host().querySelector('g.zone')!.textContent).toContain('Z1: laminate');
    const zones = fixture.debugElement.query((d) => d.name === 'ms-zones').componentInstance;
    zones.kind(desk.job()!.survey.zones![0], 'sandwich');
    await settle();
    zones.material(desk.job()!.survey.zones![0], 'core', 'balsa');
    await settle();
    expect(desk.job()!.survey.zones![0]!.skin).toMatchObject({ kind: 'sandwich', core: 'balsa', coreCrush: { from: 'assumed' } });
    await press('Take out zone Z1');
    expect(desk.job()!.survey.zones).toBeUndefined();
    await press(/^\s*Mark/);
    await choose('What D1 is', 'cavity of unknown depth');
    const behind = fixture.debugElement.query((d) => d.name === 'ms-behind').componentInstance;
    behind.cross(desk.job()!.survey.hidden[0], 'sleeve');
    expect(desk.job()!.survey.hidden[0]).toMatchObject({ crossed: 'sleeve' });
    behind.cross(desk.job()!.survey.hidden[0], '');
    expect(desk.job()!.survey.hidden[0]).not.toHaveProperty('crossed');
  });

  it('existing holes and bearers are written down', async () => {
    await show(fresh(), 'behind');
    await press(/^\s*Hole\s*$/);
    await choose('What to do with E1', 're-use');
    await type('diameter', '3/8"');
    expect(desk.job()!.survey.existing[0]).toMatchObject({ use: 're-use', d: { v: expect.closeTo(9.525, 9), from: 'measured' } });
    await choose('Fore bearer, held by', 'welded');
    expect(desk.job()!.survey.bearers).toEqual([{ id: 'R-fore', edge: 'fore', section: '', connection: 'welded' }]);
  });
});

describe('measure next', () => {
  it('names the value that moves the weakest link most; measured there, the next one is named and the row stays', async () => {
    const job = fresh();
    const sure = <T extends object>(o: T): T =>
      Object.fromEntries(
        Object.entries(o).map(([k, v]) => [k, v && typeof v === 'object' && 'from' in v ? { ...v, from: 'measured' } : v]),
      ) as T;
    await show(
      {
        ...job,
        base: { ...sure(job.base), holesFrom: 'measured' },
        skin: { ...sure(job.skin), thickness: assumed(8, '8 mm'), bedModulus: assumed(30_000, '30000 MPa') },
      },
      'next',
    );
    expect(text('ms-next h2')).toBe('The result rests on 2 assumed values');
    expect(text('ms-next .verdict')).toContain('Measure next: Skin thickness');
    await type('Skin thickness', '8.2');
    expect(text('ms-next h2')).toBe('The result rests on 1 assumed value');
    expect(text('ms-next .verdict')).toContain('Measure next: Bed modulus');
    expect(host().querySelectorAll('ms-next tbody tr')).toHaveLength(2);
  });
});
