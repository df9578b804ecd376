import { ALSO, found, sheetsOf, type Doing } from './doing';
import { COMMANDS } from './commands';

const taken: string[] = [];
const all: Doing[] = [
  ...COMMANDS.map((c) => ({ id: c.id, words: c.words, also: ALSO[c.id] ?? '', run: () => undefined })),
  ...sheetsOf('a', 'comma', (address) => taken.push(address)),
  { id: 'M12', words: 'Fasteners M12', also: 'bolt size', run: () => undefined },
];

it.each([
  ['template', 'template.pdf'],
  ['dxf', 'plate.dxf'],
  ['m12', 'M12'],
  ['help', 'keys'],
  ['imperial', 'units'],
  ['flip', 'mirror'],
  ['shopping', 'buy.csv'],
  ['safety factor', 'school'],
  ['calc print', 'report.pdf'],
])('“%s” finds %s', (typed, id) => expect(found(all, typed).map((d) => d.id)).toContain(id));

it('its own words come first, nothing typed is everything, and what nobody says is nothing', () => {
  expect(found(all, 'pl')[0]!.words.toLowerCase()).toContain('pl');
  expect(found(all, '  ')).toHaveLength(all.length);
  expect(found(all, 'zebra')).toEqual([]);
});

it('every verb is called something besides, and a sheet is taken from its own job', () => {
  expect(COMMANDS.filter((c) => c.id !== 'commands' && !ALSO[c.id]).map((c) => c.id)).toEqual([]);
  found(all, 'packet')[0]!.run();
  expect(taken).toEqual(['/api/jobs/a/packet.pdf']);
});
