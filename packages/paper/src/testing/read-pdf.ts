import { execFileSync } from 'node:child_process';

/** One page as a general PDF reader has it: size and each text with where it starts, mm from the top left corner. */
export interface ReadPage {
  readonly width: number;
  readonly height: number;
  readonly texts: readonly { readonly text: string; readonly x: number; readonly y: number }[];
  /** All of it in reading order, blanks as one. */
  readonly words: string;
}

const READER = `
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
const parts = [];
for await (const p of process.stdin) parts.push(p);
const doc = await getDocument({ data: new Uint8Array(Buffer.concat(parts)), verbosity: 0 }).promise;
const mm = 25.4 / 72;
const pages = [];
for (let i = 1; i <= doc.numPages; i++) {
  const page = await doc.getPage(i);
  const [, , w, h] = page.view;
  const { items } = await page.getTextContent();
  const texts = items.filter((t) => t.str !== undefined).map((t) => ({ text: t.str, x: t.transform[4] * mm, y: (h - t.transform[5]) * mm }));
  pages.push({ width: w * mm, height: h * mm, texts, words: items.map((t) => t.str + (t.hasEOL ? ' ' : '')).join(' ').replace(/\\s+/g, ' ') });
}
process.stdout.write(JSON.stringify(pages));
`;

/** A PDF read again by pdf.js, in a process of its own as it is a module and Jest’s tests are none. */
export const readPdf = (pdf: Buffer): readonly ReadPage[] =>
  JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '-e', READER], { input: pdf, maxBuffer: 1e8 }).toString('utf8'),
  ) as ReadPage[];
