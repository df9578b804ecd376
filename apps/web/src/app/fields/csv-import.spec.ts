import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { refuse } from '@core/units/refusal';
import { CsvImport, type ReadRows } from './csv-import';

let fixture: ComponentFixture<CsvImport<string>>;
let taken: (readonly string[])[];
let closed: number;
const host = () => fixture.nativeElement as HTMLElement;
const reader = async (text: string): Promise<ReadRows<string> | ReturnType<typeof refuse>> => {
  await Promise.resolve();
  if (text.startsWith('!')) return refuse('line 1', 'no column for mass', 'mass: mass or weight');
  const lines = text.split('\n').map((t, i) => ({ t, line: i + 1 }));
  return {
    rows: lines.filter((l) => !l.t.includes('bad')).map((l) => l.t),
    errors: lines.filter((l) => l.t.includes('bad')).map((l) => ({ line: l.line, says: `"${l.t}" cannot be read` })),
  };
};
/** The reader has answered, and what it said is on the page. */
const read = async () => {
  await fixture.whenStable();
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
};
const paste = async (text: string) => {
  const area = host().querySelector('textarea')!;
  area.value = text;
  area.dispatchEvent(new Event('input'));
  await read();
};
const button = (words: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(words));

beforeEach(async () => {
  [taken, closed] = [[], 0];
  fixture = TestBed.createComponent<CsvImport<string>>(CsvImport);
  fixture.componentRef.setInput('what', 'Name and mass');
  fixture.componentRef.setInput('reader', reader);
  fixture.componentInstance.taken.subscribe((rows) => taken.push(rows));
  fixture.componentInstance.done.subscribe(() => closed++);
  await fixture.whenStable();
});

it('nothing pasted, nothing said and nothing to take', () => {
  expect(host().querySelector('[role=alert]')).toBeNull();
  expect(button('Take')).toBeUndefined();
});

it('good lines are taken as they are', async () => {
  await paste('a\nb');
  button('Take 2')!.click();
  expect(taken).toEqual([['a', 'b']]);
  expect(closed).toBe(1);
});

it('bad lines are numbered, and the good kept only when the person says so', async () => {
  await paste('a\nbad one\nc');
  expect(host().querySelector('li')!.textContent!.replace(/\s+/g, ' ').trim()).toBe('line 2 "bad one" cannot be read');
  expect(taken).toEqual([]);
  button('Keep the 2 good, leave out 1')!.click();
  expect(taken).toEqual([['a', 'c']]);
});

it('many bad lines are counted, not scrolled past', async () => {
  await paste(Array.from({ length: 12 }, (_, i) => `bad ${i}`).join('\n'));
  expect(host().querySelectorAll('li')).toHaveLength(9);
  expect(host().textContent).toContain('and 4 more');
  expect(button('Keep')).toBeUndefined();
});

it('a table that cannot be read at all says why, with what is allowed', async () => {
  await paste('!');
  expect(host().querySelector('[role=alert]')!.textContent).toContain(
    'line 1: no column for mass — allowed: mass: mass or weight',
  );
});

it('a file is read like what is pasted; Close keeps nothing', async () => {
  const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
  const text = () => Promise.resolve('from a file');
  await fixture.componentInstance['open']({ files: [{ text }], value: 'x' } as unknown as HTMLInputElement);
  await read();
  expect(input.accept).toContain('.csv');
  expect(button('Take 1')).toBeDefined();
  button('Close')!.click();
  expect(taken).toEqual([]);
  expect(closed).toBe(1);
});
