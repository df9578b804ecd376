import { newLoad } from '../../loads/new-load';
import { fastenerClass } from '../../stock/fastener-classes';
import { matchingNut } from '../../stock/nuts';
import { emptySurvey } from '../../job/survey';

type Plain = Record<string, unknown>;
const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * A version 1 document as version 2: winch and free loads become builders' values, γF becomes γG and γQ alike (so the
 * result stays), and an empty survey is added. What is not understood is left for the schema to refuse by name.
 */
export function fromVersion1(data: Plain): Plain {
  const { loads, practice, base, bolts, ...rest } = data;
  return {
    ...rest,
    version: 2,
    practice: isPlain(practice) ? factors(practice) : practice,
    base: isPlain(base) ? { ...base, slotAlong: 'x' } : base,
    loads: Array.isArray(loads) ? loads.map(load) : loads,
    bolts: isPlain(bolts) ? { ...bolts, nut: nutOf(bolts['class']) } : bolts,
    combinations: [],
    survey: emptySurvey(),
  };
}

/** The nut sold with the class; an unknown class is refused by its own name later. */
function nutOf(id: unknown): string {
  const c = fastenerClass(String(id));
  return c ? matchingNut(c).id : '8';
}

function factors({ gammaF, ...rest }: Plain): Plain {
  return { ...rest, gammaG: gammaF, gammaQ: gammaF };
}

function load(old: unknown): unknown {
  if (!isPlain(old) || (old['kind'] !== 'winch' && old['kind'] !== 'free')) return old;
  const { kind, id, name, fan, ...values } = old;
  const fresh = newLoad(kind as string, 'L1');
  // A fan the list does not offer becomes the next wider one it does: no pull is lost between its ends.
  const offered = ['1', '3', '5', '7', '9'];
  const picks = kind === 'winch' ? { fan: offered.find((n) => Number(n) >= Number(fan)) ?? '9' } : fresh.picks;
  return { ...fresh, id, name, values: { ...fresh.values, ...values }, picks };
}
