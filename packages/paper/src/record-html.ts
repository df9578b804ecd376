import { pathData } from '@core/geometry/region';
import type { Block, Card, Picture, Shape } from '@core/shop/cards/card';
import type { Photos } from './card-pages';

const escape = (s: string): string =>
  s.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

const STYLE = `
body { margin: 0 auto; max-width: 900px; padding: 24px; background: #f5efe1; color: #1d1b16; font: 15px/1.4 'Barlow', 'Segoe UI', 'Helvetica Neue', sans-serif; }
h1 { font-size: 26px; margin: 0; } h2 { font-size: 21px; border-bottom: 2px solid #1d1b16; margin: 28px 0 8px; } h3 { font-size: 16px; margin: 14px 0 4px; }
table { border-collapse: collapse; width: 100%; font-size: 13px; } th, td { text-align: left; vertical-align: top; padding: 3px 8px 3px 0; border-bottom: 1px solid #cfc4a8; overflow-wrap: anywhere; }
.n { text-align: right; font-variant-numeric: tabular-nums; white-space: nowrap; } .loud { font-weight: 700; } .wide { overflow-x: auto; }
svg, img { max-width: 100%; max-height: 340px; } figcaption { font-size: 13px; color: #4a4436; } figure { margin: 8px 0; }
.tick { display: inline-block; width: 10px; height: 10px; border: 1px solid #1d1b16; margin-right: 6px; } footer { margin-top: 32px; font-size: 13px; border-top: 1px solid #1d1b16; padding-top: 8px; }
@media print { body { background: #fff; } }
`;

/** What stands at the head and the foot of a page that is read without the program. */
export interface PageSays {
  readonly job: string;
  readonly issue: string;
  readonly holds: boolean;
  readonly verdict: string;
  readonly notJudged: string;
  readonly caution: string;
}

/** Cards as one page that opens from a file, without server, script or network: photographs and pictures are in it. */
export function recordHtml(cards: readonly Card[], says: PageSays, title: string, photos: Photos): string {
  const body = cards.map(
    (c) =>
      `<section><h2>${escape(c.of ? `${c.title}: ${c.of}` : c.title)}</h2>${c.blocks.map((b) => block(b, photos)).join('')}</section>`,
  );
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">
<title>${escape(`${says.job}: ${title}`)}</title><style>${STYLE}</style></head>
<body><header><h1>${escape(says.job)}</h1><p>${escape(`${says.issue}; ${title}; read only`)}</p>${says.holds ? '' : '<p class="loud">DOES NOT HOLD AS IT IS</p>'}</header>
<main>${body.join('\n')}</main>
<footer><p${says.holds ? '' : ' class="loud"'}>${escape(says.verdict)}</p><p>${escape(says.notJudged)}</p><p>${escape(says.caution)}</p></footer>
</body></html>
`;
}

function block(b: Block, photos: Photos): string {
  switch (b.kind) {
    case 'head':
      return `<h3>${escape(b.text)}</h3>`;
    case 'words':
      return `<p${b.loud ? ' class="loud"' : ''}>${escape(b.text)}</p>`;
    case 'list':
      return `<ul>${b.items.map((i) => `<li>${b.tick ? '<span class="tick"></span>' : ''}${escape(i)}</li>`).join('')}</ul>`;
    case 'sign':
      return `<p>${escape(b.text)}: ____________________</p>`;
    case 'photo': {
      const data = photos(b.sha256);
      if (!data) return `<p class="loud">${escape(`${b.says}: the photograph’s file is missing or damaged`)}</p>`;
      return `<figure><img alt="${escape(b.says)}" src="data:image/jpeg;base64,${data.toString('base64')}"><figcaption>${escape(b.says)}</figcaption></figure>`;
    }
    case 'picture':
      return `<figure>${svg(b.picture, b.says)}<figcaption>${escape(b.says)}</figcaption></figure>`;
    case 'table': {
      const cells = (row: readonly string[], tag: 'td' | 'th') =>
        row.map((c, i) => `<${tag}${b.right?.includes(i) ? ' class="n"' : ''}>${escape(c)}</${tag}>`).join('');
      const foot = b.foot ? `<tfoot><tr>${cells(b.foot, 'td')}</tr></tfoot>` : '';
      return `<div class="wide"><table><thead><tr>${cells(b.head, 'th')}</tr></thead><tbody>${b.rows.map((r) => `<tr>${cells(r, 'td')}</tr>`).join('')}</tbody>${foot}</table></div>`;
    }
  }
}

const LINE: Readonly<Record<string, string>> = {
  dash: 'fill="none" stroke="#1d1b16" stroke-width="0.3" stroke-dasharray="1.5 1"',
  weld: 'fill="none" stroke="#1d1b16" stroke-width="1"',
  line: 'fill="none" stroke="#1d1b16" stroke-width="0.3"',
};

function svg({ bounds: b, shapes }: Picture, says: string): string {
  const down = (p: { x: number; y: number }) => ({ x: p.x, y: -p.y });
  const one = (s: Shape): string => {
    if ('region' in s)
      return `<path d="${pathData(s.region, down, true)}" fill="#e4e2ee" fill-rule="evenodd" stroke="#1d1b16" stroke-width="0.3"/>`;
    if ('line' in s) return `<path d="M${s.line.map((p) => `${p.x} ${-p.y}`).join('L')}" ${LINE[s.look] ?? LINE['line']}/>`;
    if ('hole' in s)
      return `<circle cx="${s.hole.x}" cy="${-s.hole.y}" r="${s.d / 2}" fill="#fff" stroke="#1d1b16" stroke-width="0.3"/>`;
    return `<text x="${s.at.x}" y="${-s.at.y}" font-size="${s.size}" text-anchor="middle" dominant-baseline="central">${escape(s.text)}</text>`;
  };
  return `<svg role="img" aria-label="${escape(says)}" viewBox="${b.x0} ${-b.y1} ${b.x1 - b.x0} ${b.y1 - b.y0}" width="${8 * (b.x1 - b.x0) > 800 ? 800 : 6 * (b.x1 - b.x0)}">${shapes.map(one).join('')}</svg>`;
}
