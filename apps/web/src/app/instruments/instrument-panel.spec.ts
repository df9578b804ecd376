import { signal } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { InstrumentState } from '@core/formats/instrument-messages';
import { Bench, type Landing, type Said } from './bench';
import { InstrumentPanel } from './instrument-panel';

const state = (instrument: InstrumentState['instrument'], more: Partial<InstrumentState> = {}): InstrumentState => ({
  instrument,
  name: `${instrument} stand-in`,
  display: '100.00 mm',
  unit: 'mm',
  held: false,
  zero: '',
  lowBattery: false,
  fault: 'none',
  on: 100,
  range: '0 to 300 mm',
  ...more,
});

/** A bench that writes down what it is asked. */
class TestBench {
  readonly link = signal<Bench['link'] extends () => infer L ? L : never>('closed');
  readonly states = signal<InstrumentState[]>([]);
  readonly said = signal<Said | null>(null);
  readonly landing = signal<Landing | null>(null);
  readonly typed = signal(false);
  readonly asked: unknown[] = [];
  open(): void {
    this.link.set('open');
    this.states.set([state('caliper'), state('tape', { display: '500.0 mm' }), state('angle', { display: '0.0°', unit: '°' })]);
  }
  close(): void {
    this.link.set('closed');
  }
  press(...what: unknown[]): Promise<void> {
    this.asked.push(what);
    return Promise.resolve();
  }
  lies(...what: unknown[]): Promise<void> {
    this.asked.push(what);
    return Promise.resolve();
  }
}

let fixture: ComponentFixture<InstrumentPanel>;
let bench: TestBench;
const host = () => fixture.nativeElement as HTMLElement;
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words))!;
const press = async (words: string) => {
  button(words).click();
  await fixture.whenStable();
};

beforeEach(async () => {
  bench = new TestBench();
  TestBed.configureTestingModule({ providers: [{ provide: Bench, useValue: bench }] });
  fixture = TestBed.createComponent(InstrumentPanel);
  await fixture.whenStable();
});

it('is put away until it is wanted, and takes nothing from the server then', () => {
  expect(bench.link()).toBe('closed');
  expect(host().querySelector('output')).toBeNull();
});

it('taken out, it shows the display, says where a reading lands, and each button goes to its instrument', async () => {
  await press('Take out');
  expect(host().querySelector('output')!.textContent).toBe('100.00 mm');
  expect(host().textContent).toContain('click into a field: the reading lands there');
  bench.landing.set({ name: () => 'Skin thickness', take: () => ({ taken: true, says: '' }) });
  await fixture.whenStable();
  expect(host().querySelector('.lands')!.textContent).toContain('lands in Skin thickness');
  for (const b of ['Send reading', 'Hold', 'Zero', 'inch']) await press(b);
  expect(bench.asked).toEqual([
    ['caliper', 'send'],
    ['caliper', 'hold'],
    ['caliper', 'zero'],
    ['caliper', 'unit'],
  ]);
});

it('another instrument shows its own display; an angle has no inches', async () => {
  await press('Take out');
  const pick = async (kind: string) => {
    host().querySelector<HTMLInputElement>(`input[value=${kind}]`)!.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  await pick('tape');
  expect(host().querySelector('output')!.textContent).toBe('500.0 mm');
  await pick('angle');
  expect(host().querySelector('output')!.textContent).toBe('0.0°');
  expect(button('inch')).toBeUndefined();
  await press('Send reading');
  expect(bench.asked).toEqual([['angle', 'send']]);
});

it('hold, zero and a low battery stand on its face', async () => {
  await press('Take out');
  bench.states.set([state('caliper', { held: true, zero: '12.00 mm', lowBattery: true })]);
  await fixture.whenStable();
  const marks = host().querySelector('.marks')!.textContent!;
  expect(marks).toContain('hold');
  expect(marks).toContain('zero at 12.00 mm');
  expect(marks).toContain('battery low');
  expect(button('Hold').getAttribute('aria-pressed')).toBe('true');
});

it('what the stand-in lies on is a number, and rubbish is said; a fault can be played', async () => {
  await press('Take out');
  const box = host().querySelector<HTMLInputElement>('.stand-in input')!;
  fixture.componentInstance['lies']('81,2');
  expect(bench.asked.at(-1)).toEqual(['caliper', { on: 81.2 }]);
  fixture.componentInstance['lies']('');
  expect(bench.said()).toEqual({ text: 'Stand-in: "" is not a number.', bad: true });
  expect(box.type).toBe('number');
  const select = host().querySelector('select')!;
  select.value = 'low battery';
  select.dispatchEvent(new Event('change'));
  expect(bench.asked.at(-1)).toEqual(['caliper', { fault: 'low battery' }]);
});

it('what was said is shown as good or bad; a lost link is an alert', async () => {
  await press('Take out');
  bench.said.set({ text: '6.35 mm: in Skin thickness.', bad: false });
  await fixture.whenStable();
  expect(host().querySelector('.took')!.textContent).toContain('6.35 mm');
  bench.said.set({ text: 'low battery', bad: true });
  bench.link.set('lost');
  await fixture.whenStable();
  expect(host().querySelector('p.error[role=status]')!.textContent).toContain('low battery');
  expect(host().querySelector('[role=alert]')!.textContent).toContain('link to the instruments is lost');
});

it('leaving the stage puts them away and lets the field go', async () => {
  await press('Take out');
  bench.landing.set({ name: () => 'X', take: () => ({ taken: true, says: '' }) });
  fixture.destroy();
  expect(bench.link()).toBe('closed');
  expect(bench.landing()).toBeNull();
});
