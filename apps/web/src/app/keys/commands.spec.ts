import { commandFor, COMMANDS, setSingleKeys } from './commands';

const press = (key: string, more: KeyboardEventInit = {}) => new KeyboardEvent('keydown', { key, ...more });

it.each([
  [press('z', { ctrlKey: true }), 'undo'],
  [press('z', { metaKey: true }), 'undo'],
  [press('Z', { ctrlKey: true, shiftKey: true }), 'redo'],
  [press('y', { ctrlKey: true }), 'redo'],
  [press(','), 'thinner'],
  [press('.'), 'thicker'],
  [press('['), 'smaller'],
  [press(']'), 'larger'],
  [press('g'), 'class'],
  [press('m'), 'mirror'],
  [press('d'), 'dimensions'],
  [press('u'), 'units'],
  [press('?', { shiftKey: true }), 'keys'],
  [press('k', { ctrlKey: true }), 'commands'],
  [press('Delete'), 'remove-bolt'],
  [press('3'), 'lay-out'],
  [press('4'), 'spread'],
])('a key does what the list says %#', (e, id) => expect(commandFor(e, false)).toBe(id));

it('while typing in a field, letters are letters; the command box still opens', () => {
  expect(commandFor(press('g'), true)).toBeUndefined();
  expect(commandFor(press('z', { ctrlKey: true }), true)).toBeUndefined();
  expect(commandFor(press('k', { ctrlKey: true }), true)).toBe('commands');
});

it('Alt belongs to the fine nudge, and unknown keys to nobody', () => {
  expect(commandFor(press('g', { altKey: true }), false)).toBeUndefined();
  expect(commandFor(press('q'), false)).toBeUndefined();
});

it('no key means two things', () => {
  const keys = COMMANDS.flatMap((c) => c.keys as readonly string[]);
  expect(new Set(keys).size).toBe(keys.length);
});

it('single keys are put away by who does not want them: those with Ctrl, and the command box, stay (WCAG 2.1.4)', () => {
  setSingleKeys(false);
  expect([press('g'), press('3'), press('?', { shiftKey: true })].map((e) => commandFor(e, false))).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
  expect(commandFor(press('z', { ctrlKey: true }), false)).toBe('undo');
  expect(commandFor(press('k', { ctrlKey: true }), true)).toBe('commands');
  setSingleKeys(true);
  expect(commandFor(press('g'), false)).toBe('class');
});
