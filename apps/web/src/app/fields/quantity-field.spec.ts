import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { RangeName } from '@core/job/ranges';
import type { Provenance, Quantity } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { Bench } from '../instruments/bench';
import { provideDesk } from '../testing/desk';
import { TypedAs } from './typed-as';
import { QuantityField } from './quantity-field';

let fixture: ComponentFixture<QuantityField>;
let got: Quantity[];
const input = () => fixture.nativeElement.querySelector('input') as HTMLInputElement;
const alert = () => (fixture.nativeElement.querySelector('[role=alert]') as HTMLElement | null)?.textContent ?? '';

async function show(from: Provenance = 'assumed', of: RangeName = 'skinThickness', more: Record<string, unknown> = {}) {
  fixture = TestBed.createComponent(QuantityField);
  got = [];
  fixture.componentInstance.changed.subscribe((q) => got.push(q));
  const inputs = { value: { v: 6, text: '6 mm', from }, of, system: 'mm', ...more };
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
}

async function type(text: string) {
  input().value = text;
  input().dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(() => provideDesk(testJob()));

it('has a label tied to its box, and shows the text as typed', async () => {
  await show();
  expect(fixture.nativeElement.querySelector('label').htmlFor).toBe(input().id);
  expect(fixture.nativeElement.textContent).toContain('Skin thickness');
  expect(input().value).toBe('6 mm');
});

it('marks an assumed value, in words', async () => {
  await show('assumed');
  expect(fixture.nativeElement.querySelector('.line').classList).toContain('assumed');
  expect(fixture.nativeElement.querySelector('.from').textContent).toContain('assumed');
});

it('a typed value counts as measured once the person says so, with its time, and is read as people write it', async () => {
  await show('assumed');
  await type('1/4');
  expect(got.pop()).toEqual({ v: 6.35, text: '1/4', from: 'assumed' });
  TestBed.inject(TypedAs).said.set('measured');
  await type('1/4');
  expect(got).toHaveLength(1);
  expect(got[0]).toMatchObject({ v: 6.35, text: '1/4', from: 'measured' });
  expect(got[0]!.at).toMatch(/^\d{4}-\d\d-\d\dT/);
});

it('in an inch job a value reads in inches, as typed where that is how it was typed, and 7 1/8 in stays 180.975 mm', async () => {
  await show('sheet', 'spanX', { system: 'inch' });
  expect(input().value).not.toContain('mm');
  await type('7 1/8 in');
  expect(got.at(-1)).toMatchObject({ v: 180.975, text: '7 1/8 in' });
});

it('a value from a sheet stays one', async () => {
  await show('sheet');
  await type('8');
  expect(got[0]).toEqual({ v: 8, text: '8', from: 'sheet' });
});

it('reads a gauge only where the metal is known', async () => {
  await show('assumed', 'skinThickness', { gauges: 'steel' });
  await type('10 ga');
  expect(got[0]!.v).toBeCloseTo(3.4163, 4);
  await show('assumed');
  await type('10 ga');
  expect(got).toEqual([]);
  expect(alert()).toContain('metal');
});

it('a bad text is kept with its reason and range; nothing is sent; Escape brings back what was', async () => {
  await show();
  await type('0');
  expect(got).toEqual([]);
  expect(alert()).toBe('0 is too small — allowed: over 0 up to 200 mm');
  expect(input().getAttribute('aria-invalid')).toBe('true');
  input().dispatchEvent(new Event('blur'));
  await fixture.whenStable();
  expect(input().value).toBe('0');
  input().dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
  await fixture.whenStable();
  expect(input().value).toBe('6 mm');
  expect(alert()).toBe('');
});

it('what is being typed is not rewritten under the fingers, and is tidied on leaving', async () => {
  await show('assumed', 'position', { provenance: false });
  await type('12');
  fixture.componentRef.setInput('value', { v: 12, text: '12 mm', from: 'assumed' });
  await fixture.whenStable();
  expect(input().value).toBe('12');
  input().dispatchEvent(new Event('blur'));
  await fixture.whenStable();
  expect(input().value).toBe('12 mm');
});

describe('readings of an instrument', () => {
  const AT = '2026-05-02T10:00:00.000Z';
  const send = async (text: string) => {
    const said = TestBed.inject(Bench).landing()!.take(text, AT, 'caliper stand-in');
    fixture.componentRef.setInput('value', got.at(-1) ?? fixture.componentInstance.value());
    await fixture.whenStable();
    return said;
  };
  const click = () => input().dispatchEvent(new Event('focus'));

  it('land where the field was clicked into, with time and instrument; three give their median and spread', async () => {
    await show();
    click();
    expect((await send('6.35 mm')).says).toBe('in Skin thickness.');
    expect(got.at(-1)).toEqual({ v: 6.35, text: '6.35 mm', from: 'measured', at: AT, with: 'caliper stand-in' });
    await send('6.39 mm');
    const { says } = await send('6.31 mm');
    expect(says).toBe('in Skin thickness, median 6.35 mm of 3, spread 0.08 mm.');
    expect(got.at(-1)).toMatchObject({ v: 6.35, readings: [6.35, 6.39, 6.31] });
    expect(fixture.nativeElement.querySelector('.how').textContent).toBe('median of 3, spread 0.08 mm · caliper stand-in');
  });

  it('in inches as well, and the wrong kind of thing is refused by name, the value kept', async () => {
    await show();
    click();
    await send('0.2500 in');
    expect(got.at(-1)!.v).toBeCloseTo(6.35, 9);
    const said = await send('12.3°');
    expect(said).toEqual({ taken: false, says: expect.stringContaining('not taken by Skin thickness') });
    expect(said.says).toContain('allowed: over 0 up to 200 mm');
    expect(got).toHaveLength(1);
  });

  it('start anew on clicking in again, so that a bad one is not averaged in; far apart they say so', async () => {
    await show();
    click();
    await send('6.35 mm');
    await send('9.35 mm');
    expect(fixture.nativeElement.querySelector('.how').textContent).toContain('readings differ, click in and read again');
    click();
    await send('6.37 mm');
    expect(got.at(-1)).toMatchObject({ v: 6.37 });
    expect(got.at(-1)).not.toHaveProperty('readings');
  });

  it('an instrument that types like a keyboard: each Enter is one reading', async () => {
    await show();
    TestBed.inject(Bench).typed.set(true);
    click();
    for (const text of ['6.34', '6.36', '6.38']) {
      await type(text);
      input().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      fixture.componentRef.setInput('value', got.at(-1));
      await fixture.whenStable();
    }
    expect(got.at(-1)).toMatchObject({ v: 6.36, with: 'typed by an instrument', readings: [6.34, 6.36, 6.38] });
    expect(TestBed.inject(Bench).said()!.text).toContain('median 6.36 mm of 3');
  });

  it('typed over by hand it is one value again', async () => {
    await show();
    click();
    await send('6.35 mm');
    await send('6.37 mm');
    await type('8');
    expect(got.at(-1)).not.toHaveProperty('readings');
    expect(got.at(-1)).not.toHaveProperty('with');
  });
});
