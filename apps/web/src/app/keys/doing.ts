/** Something that can be done by name: a verb, a size, a link, a sheet, a page, another job. */
export interface Doing {
  readonly id: string;
  readonly words: string;
  /** What else people call it. */
  readonly also?: string;
  readonly key?: string;
  run(): void;
}

/** What people call the verbs besides what the list says. */
export const ALSO: Readonly<Record<string, string>> = {
  undo: 'back revert',
  redo: 'again',
  thinner: 'plate thickness less',
  thicker: 'plate thickness more stiffer',
  smaller: 'bolt size screw',
  larger: 'bolt size screw',
  class: 'grade 8.8 10.9 A4 stainless',
  'add-bolt': 'fastener screw hole new',
  'remove-bolt': 'delete fastener screw',
  mirror: 'flip left right hand other side port starboard',
  dimensions: 'measurements sizes',
  units: 'metric imperial mm inch in convert',
  school: 'safety factor working load limit states ultimate',
  rules: 'standard code eurocode AISC',
  'crank-up': 'turn load increase multiply',
  'crank-down': 'turn load decrease',
  'crank-back': 'reset load',
  load: 'force case weight fitting',
  measure: 'survey caliper readings assumed',
  'lay-out': 'plan section edit draw bolts',
  spread: 'solver skin panel deflection stress',
  choose: 'search stock optimise options lighter cheaper',
  make: 'cut fabricate packet sheets',
  beside: 'difference version diff',
  rack: 'home jobs list',
  keys: 'help shortcuts keyboard',
};

/** Sheets of the open job, by address under it. */
const SHEETS: readonly (readonly [path: string, words: string, also: string])[] = [
  ['packet.pdf', 'Packet, PDF', 'print cards work order route'],
  ['report.pdf', 'Calculation report, PDF', 'working proof calculation print'],
  ['template.pdf', 'Template 1:1, PDF', 'paper pattern print drill'],
  ['plate.dxf', 'Plate for the cutter, DXF', 'dxf export laser plasma cad drawing'],
  ['part.svg', 'Plate for the cutter, SVG', 'svg export laser drawing'],
  ['drill-list.csv', 'Drill list, CSV', 'holes spreadsheet export'],
  ['parts.csv', 'Parts list, CSV', 'spreadsheet export'],
  ['buy.csv', 'Buy list, CSV', 'purchase shopping order spreadsheet'],
  ['labels.pdf', 'Labels, PDF', 'stickers code'],
  ['route.ics', 'Route as a calendar', 'ics dates schedule'],
  ['record.pdf', 'Record as built, PDF', 'proof logbook certificate'],
  ['handover.pdf', 'Handover, PDF', 'open points'],
  ['job.json', 'Job file', 'json export save backup'],
];

/** Sheets to take out; lists with their numbers as the reader’s spreadsheet has them. */
export const sheetsOf = (job: string, numbers: string, take: (address: string) => void): Doing[] =>
  SHEETS.map(([path, words, also]) => ({
    id: path,
    words: `Take out: ${words}`,
    also,
    run: () => take(`/api/jobs/${job}/${path}${path.endsWith('.csv') ? `?numbers=${numbers}` : ''}`),
  }));

const plain = (s: string): string =>
  s
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '');

/** Those that have the beginning of every word typed; what says so in its own words before what is only called so. */
export function found(all: readonly Doing[], typed: string): Doing[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [...all];
  const begins = (text: string) => {
    const there = plain(text).split(/[^\p{L}\p{N}.:]+/u);
    return (w: string) => there.some((t) => t.startsWith(w));
  };
  const own = all.filter((d) => words.every(begins(d.words)));
  const called = all.filter((d) => !own.includes(d) && words.every(begins(`${d.words} ${d.also ?? ''}`)));
  return [...own, ...called];
}
