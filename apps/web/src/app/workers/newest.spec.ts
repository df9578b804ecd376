import { Newest } from './newest';

let sent: [number, string][];
let work: Newest<string>;
beforeEach(() => {
  sent = [];
  work = new Newest((ticket, item) => sent.push([ticket, item]));
});

it('sends the first at once; of those that come meanwhile only the newest', () => {
  work.put('a');
  work.put('b');
  work.put('c');
  expect(sent).toEqual([[1, 'a']]);
  expect(work.answered(1)).toBe('a');
  expect(sent).toEqual([
    [1, 'a'],
    [2, 'c'],
  ]);
  expect(work.answered(2)).toBe('c');
  expect(sent).toHaveLength(2);
});

it('an answer nobody waits for is none', () => {
  expect(work.answered(1)).toBeUndefined();
  work.put('a');
  expect(work.answered(9)).toBeUndefined();
  expect(work.answered(1)).toBe('a');
  expect(work.answered(1)).toBeUndefined();
});
