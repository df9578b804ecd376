/** Everything that can be done by name or key. One list for the keys, the command box and the list of keys. */
export const COMMANDS = [
  { id: 'undo', words: 'Undo', keys: ['Ctrl+Z'] },
  { id: 'redo', words: 'Redo', keys: ['Ctrl+Y', 'Ctrl+Shift+Z'] },
  { id: 'thinner', words: 'Thinner plate, next in stock', keys: [','] },
  { id: 'thicker', words: 'Thicker plate, next in stock', keys: ['.'] },
  { id: 'smaller', words: 'Smaller fastener', keys: ['['] },
  { id: 'larger', words: 'Larger fastener', keys: [']'] },
  { id: 'class', words: 'Next fastener class', keys: ['g'] },
  { id: 'add-bolt', words: 'Add a bolt', keys: ['a'] },
  { id: 'remove-bolt', words: 'Take out the picked bolt', keys: ['Delete', 'Backspace'] },
  { id: 'mirror', words: 'Mirror the layout to the other side', keys: ['m'] },
  { id: 'dimensions', words: 'Dimensions on or off', keys: ['d'] },
  { id: 'units', words: 'Millimetres or inches', keys: ['u'] },
  { id: 'school', words: 'Other factor school', keys: [] },
  { id: 'rules', words: 'EN or AISC rules', keys: [] },
  { id: 'crank-up', words: 'Turn the load up', keys: ['+', '='] },
  { id: 'crank-down', words: 'Turn the load down', keys: ['-'] },
  { id: 'crank-back', words: 'Load back to what it is', keys: ['0'] },
  { id: 'load', words: 'Go to Load', keys: ['1'] },
  { id: 'measure', words: 'Go to Measure', keys: ['2'] },
  { id: 'lay-out', words: 'Go to Lay out', keys: ['3'] },
  { id: 'spread', words: 'Go to Spread', keys: ['4'] },
  { id: 'choose', words: 'Go to Choose', keys: ['5'] },
  { id: 'make', words: 'Go to Make', keys: ['6'] },
  { id: 'beside', words: 'Compare with another job or an earlier version', keys: [] },
  { id: 'rack', words: 'Back to the rack', keys: [] },
  { id: 'commands', words: 'Command box', keys: ['Ctrl+K'] },
  { id: 'keys', words: 'List of keys', keys: ['?'] },
] as const;

export type CommandId = (typeof COMMANDS)[number]['id'];

/** Keys that act on what is picked on the plan. */
export const PLAN_KEYS: readonly (readonly [string, string])[] = [
  ['Arrow keys', 'nudge the picked bolt or edge 1 mm'],
  ['Shift + arrows', '10 mm'],
  ['Alt + arrows', '0.1 mm'],
  ['Tab', 'next bolt, edge or corner'],
  ['Enter', 'type an exact position'],
  ['Escape', 'let go; close the working'],
  ['F1', 'what the word of this field means'],
];

function chord(e: KeyboardEvent): string {
  const control = e.ctrlKey || e.metaKey ? 'Ctrl+' : '';
  const key = e.key.length === 1 && control ? e.key.toUpperCase() : e.key;
  return `${control}${control && e.shiftKey ? 'Shift+' : ''}${key}`;
}

const SINGLE = 'mast-shoe.single-keys';

/** Whether single keys do things; who speaks to the machine, or rests a hand on the keys, puts them away (WCAG 2.1.4). */
export const singleKeys = (): boolean => localStorage.getItem(SINGLE) !== 'off';
export const setSingleKeys = (on: boolean): void => localStorage.setItem(SINGLE, on ? 'on' : 'off');

/** The command of a key press. While typing in a field only the command box and nothing else is taken. */
export function commandFor(e: KeyboardEvent, typing: boolean): CommandId | undefined {
  if (e.altKey || e.defaultPrevented) return undefined;
  if (!(e.ctrlKey || e.metaKey) && !singleKeys()) return undefined;
  const c = chord(e);
  const found = COMMANDS.find((k) => (k.keys as readonly string[]).includes(c));
  return found && (!typing || found.id === 'commands') ? found.id : undefined;
}
