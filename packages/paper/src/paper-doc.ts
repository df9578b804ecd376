import PDFDocument from 'pdfkit';
import { FACES, type Face } from './fonts';
import { Pen, type Doc } from './pen';

/** Points in a millimetre. */
export const POINTS = 72 / 25.4;

/** The catalogue that the library keeps to itself. */
interface Catalogued {
  readonly _root: { readonly data: { ViewerPreferences?: object } };
}

/** A PDF with the sheets’ faces, and what it becomes when it is ended. `buffered`: pages can be gone back to, for their numbers. */
export function paperDoc(
  title: string,
  buffered = false,
): { readonly doc: Doc; readonly pen: Pen; readonly done: Promise<Buffer> } {
  const doc = new PDFDocument({
    autoFirstPage: false,
    bufferPages: buffered,
    lang: 'en',
    info: { Title: title, Creator: 'Mast Shoe' },
  });
  // A template is laid on the metal: no printer shrinks it to its margins unasked (ISO 32000-1 Table 150).
  const catalogue = (doc as unknown as Catalogued)._root.data;
  catalogue.ViewerPreferences = doc.ref({ DisplayDocTitle: true, PrintScaling: 'None' });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (c: Buffer) => chunks.push(c));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  for (const face of Object.keys(FACES) as Face[]) doc.registerFont(face, FACES[face]);
  return { doc, pen: new Pen(doc), done };
}

/** A page in millimetres, stretched by a printer’s correction where there is one. */
export function paperPage(
  doc: Doc,
  size: readonly [width: number, height: number],
  draw: () => void,
  stretch = { x: 1, y: 1 },
): void {
  doc.addPage({ size: [size[0] * POINTS, size[1] * POINTS], margin: 0 });
  doc.save().scale(POINTS * stretch.x, POINTS * stretch.y, {});
  draw();
  doc.restore();
}
