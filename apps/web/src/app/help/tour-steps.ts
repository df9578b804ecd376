/** One stop of the tour: where it is shown, what is ringed, what is said. */
export interface Stop {
  readonly on: 'rack' | 'job';
  /** Stage of the job it is shown on. */
  readonly stage?: string;
  readonly at: string;
  readonly name: string;
  readonly says: string;
}

export const STOPS: readonly Stop[] = [
  {
    on: 'rack',
    at: 'header a[href="/new"]',
    name: 'New job',
    says: 'A job begins with what is being mounted, and on what. It comes whole, with that trade’s usual values, all marked assumed.',
  },
  {
    on: 'rack',
    at: 'ms-rack .tags li, ms-rack .start',
    name: 'The rack',
    says: 'Each job hangs here as a tag: its plate to scale, whether it holds, what is weakest. Open one to go on.',
  },
  {
    on: 'job',
    at: 'ms-traveller nav',
    name: 'The traveller',
    says: 'The job’s own route card, in the order the work is done. Nothing is locked; a stage that lacks something says so and leads there.',
  },
  {
    on: 'job',
    at: 'ms-headline',
    name: 'Does it hold',
    says: 'What holds or lets go first, and beside it what was not judged. A figure is refused rather than guessed.',
  },
  {
    on: 'job',
    at: 'ms-load-path',
    name: 'The load path',
    says: 'Every link from the fitting to the structure, the weakest parting. Press one: formula, numbers, source, and what would clear it.',
  },
  {
    on: 'job',
    stage: 'measure',
    at: '#stage',
    name: 'Measure',
    says: 'Every number says where it comes from. What is assumed stays marked ◇, on screen and on paper, until you measure it.',
  },
  {
    on: 'job',
    stage: 'lay-out',
    at: '#stage',
    name: 'Lay out',
    says: 'Drag bolts, edges and faces, or type exact places. Plan, section and load path answer while you drag; Ctrl+Z takes it back.',
  },
  {
    on: 'job',
    at: 'button[aria-label="Commands"]',
    name: 'By name, by key',
    says: 'Ctrl+K does anything by what you call it. F1 in a field explains its word, ? lists the keys.',
  },
];
