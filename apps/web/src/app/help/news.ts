/** What an upgrade brought, newest first; the edition is the day it was made. */
export interface Edition {
  readonly edition: string;
  readonly lines: readonly string[];
}

export const NEWS: readonly Edition[] = [
  {
    edition: '2026-11-29',
    lines: [
      'Undo takes back what you did, and nothing of what somebody else saved meanwhile.',
      'What is pressed or dragged stays where it is while a verdict comes in.',
      'A job without a load opens on what may pull or press on it.',
      'The rack finds what falls due soon by use too, and says how far it has come.',
    ],
  },
  {
    edition: '2026-11-28',
    lines: [
      'Dark card for a dim shop: under Help, or as the system has it.',
      'Words of the trade: rest the pointer on a label, or press F1 in a field.',
      'A short tour, under Help; it can be left and taken up again.',
      'Read-only links to one job are made, listed and ended on its history.',
      'The rack is sorted and filtered by what falls due.',
    ],
  },
  {
    edition: '2026-11-27',
    lines: [
      'New job opens on what is being mounted, and on what.',
      'History of a job: what changed, who, the verdict then; bring back.',
      'On the shop’s network, with people, roles and passphrases: npm start -- --lan.',
      'Backups every night, and before every upgrade: npm run backup, npm run restore.',
    ],
  },
];

const SEEN = 'mast-shoe.news-seen';

/** What came since this browser was last here; somebody new has missed nothing. */
export function unseenNews(): readonly Edition[] {
  const seen = localStorage.getItem(SEEN);
  if (seen === null) {
    newsSeen();
    return [];
  }
  return NEWS.filter((n) => n.edition > seen);
}

export const newsSeen = (): void => localStorage.setItem(SEEN, NEWS[0]!.edition);
