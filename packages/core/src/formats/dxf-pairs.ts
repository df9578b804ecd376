import { isRefusal, refuse, type Refusal } from '../units/refusal';

/** A group code with its value, and the line of the file its value stands on. */
export interface Pair {
  readonly code: number;
  readonly value: string;
  readonly line: number;
}

const IN_TURN = 'a DXF in text form, codes and values in turn';
const WHOLE = 'a whole DXF in text form';

/** Codes and values in turn, as far as EOF; the first line that breaks the file is refused. One pass, whatever is in it. */
function pairsOf(text: string): Pair[] | Refusal {
  const lines = text.split(/\r\n|\r|\n/);
  while (lines.length > 0 && lines.at(-1)!.trim() === '') lines.pop();
  const pairs: Pair[] = [];
  for (let i = 0; i < lines.length; i += 2) {
    const code = lines[i]!.trim();
    if (!/^-?\d{1,5}$/.test(code)) return refuse(`line ${i + 1}`, `"${lines[i]!.slice(0, 30)}" is not a group code`, IN_TURN);
    const value = (lines[i + 1] ?? '').trim();
    if (Number(code) === 0 && value === 'EOF') {
      if (i + 2 < lines.length) return refuse(`line ${i + 3}`, 'the file goes on after its EOF', WHOLE);
      return pairs;
    }
    pairs.push({ code: Number(code), value, line: i + 2 });
  }
  return refuse(`line ${lines.length}`, 'it ends without EOF, as if cut off', WHOLE);
}

/** The sections of a DXF by name, each with what stands between its head and its ENDSEC. */
export function sectionsOf(text: string): ReadonlyMap<string, readonly Pair[]> | Refusal {
  const pairs = pairsOf(text);
  if (isRefusal(pairs)) return pairs;
  const sections = new Map<string, Pair[]>();
  let open: Pair[] | undefined;
  let name = '';
  for (let i = 0; i < pairs.length; i++) {
    const p = pairs[i]!;
    const starts = p.code === 0 && p.value === 'SECTION';
    if (starts && open) return refuse(`line ${p.line}`, `a section starts inside ${name}`, 'ENDSEC before the next SECTION');
    if (starts) {
      const head = pairs[++i];
      if (head?.code !== 2) return refuse(`line ${p.line}`, 'a section without a name', 'code 2 with its name after SECTION');
      name = head.value;
      sections.set(name, (open = []));
    } else if (p.code === 0 && p.value === 'ENDSEC') open = undefined;
    else open?.push(p);
  }
  if (open) return refuse('file', `${name} has no ENDSEC, as if cut off`, WHOLE);
  return sections;
}
