/** What a person is told where the database cannot do what was asked. */
export interface Trouble {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
}

const KEPT = 'What you changed is kept in the browser and is sent again.';

const TROUBLES: readonly (readonly [code: string, trouble: Trouble])[] = [
  [
    'SQLITE_FULL',
    { status: 507, title: 'The server’s disk is full', detail: `Nothing could be written. Make room on it. ${KEPT}` },
  ],
  ['ENOSPC', { status: 507, title: 'The server’s disk is full', detail: `Nothing could be written. Make room on it. ${KEPT}` }],
  [
    'SQLITE_READONLY',
    {
      status: 503,
      title: 'The database may not be written to',
      detail: `Give the server the right to write in its folder. ${KEPT}`,
    },
  ],
  [
    'SQLITE_BUSY',
    { status: 503, title: 'The database is locked by another program', detail: `Close what else has it open. ${KEPT}` },
  ],
  [
    'SQLITE_CORRUPT',
    {
      status: 503,
      title: 'The database is damaged',
      detail: `Stop the server and bring back a backup (npm run restore). ${KEPT}`,
    },
  ],
  [
    'SQLITE_NOTADB',
    {
      status: 503,
      title: 'The database is damaged',
      detail: `Stop the server and bring back a backup (npm run restore). ${KEPT}`,
    },
  ],
  ['SQLITE_IOERR', { status: 503, title: 'The database’s disk does not answer', detail: `Look at the disk it lies on. ${KEPT}` }],
];

/** The database's own error in words; undefined where the error is none of its. */
export function troubleOf(error: unknown): Trouble | undefined {
  const code = (error as { code?: unknown } | null)?.code;
  return typeof code === 'string' ? TROUBLES.find(([c]) => code.startsWith(c))?.[1] : undefined;
}

/** The file is not the one that was opened: what would be written into it is lost when the program ends. */
export const GONE: Trouble = {
  status: 503,
  title: 'The database’s file was moved, replaced or removed',
  detail: `Nothing is written until it is back. Stop the server, put the file back or bring back a backup (npm run restore). ${KEPT}`,
};
