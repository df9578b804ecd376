/** How the reader's own spreadsheet reads numbers. */
export type CsvNumbers = 'point' | 'comma';

const KEY = 'csv numbers';

/** Kept in the browser, as it is the reader's and not the job's; to begin with, as the browser's language writes them. */
export const keptNumbers = {
  read(): CsvNumbers {
    const kept = localStorage.getItem(KEY);
    if (kept === 'point' || kept === 'comma') return kept;
    return (1.5).toLocaleString(navigator.language).includes(',') ? 'comma' : 'point';
  },
  write(way: CsvNumbers): void {
    localStorage.setItem(KEY, way);
  },
};
