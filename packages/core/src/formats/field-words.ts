import * as z from 'zod';
import { VERSION } from '../job/schema';
import { WholeJob } from '../job/whole-job';
import { MAKING_WORDS } from './making-words';
import { BUILDERS } from '../loads/registry';

/** What a field is whose schema does not say it, by its name; `parent/name` where one name stands for two things. */
const WORDS: Readonly<Record<string, string>> = {
  '/id': 'the job’s own name in small letters, unique on the rack',
  '/name': 'what the job is called',
  '/note': 'whatever is worth knowing, as written',
  '/customer': 'whose job it is, in the shop’s words',
  '/aboard': 'the vessel or vehicle it goes on, in the shop’s words',
  E: 'modulus of elasticity, MPa',
  Nd: 'design factor of BTH-1: 2 or 3',
  access: 'who can get what to it, on the near and the far side',
  'edges/aft': 'how the panel’s aft edge is held',
  'edges/fore': 'how the panel’s fore edge is held',
  'edges/port': 'how the panel’s port edge is held',
  'edges/starboard': 'how the panel’s starboard edge is held',
  alone: 'the load acts by itself too, beside its combinations',
  'far/along': 'the way the strips run',
  'eye/along': 'the way the tab’s face runs on the plan',
  'lug/along': 'the way the lug’s face runs on the plan',
  'patterns/along': 'the way the pattern was read',
  'ribs/along': 'the way the ribs run',
  as: 'what the part does: an arm is bent, a brace pushed and pulled, a block pressed',
  at: 'when it was measured',
  axis: 'the way the fitting’s axis stands in plate axes',
  'design/base': 'the fitting’s own footprint and holes',
  'spread/base': 'the base as rigid, or as a plate of its thickness',
  'given/bearer': 'stiffness of the bearers, where somebody knows it',
  'given/bedding': 'stiffness of what lies between the faces, where somebody knows it',
  'given/bolt': 'stiffness of a bolt, where somebody knows it',
  'survey/bearers': 'what holds the panel at each side',
  'joint/bedding': 'dry, bedded in sealant or bonded',
  bends: 'between one leg and the next',
  bolts: 'the fasteners of the joint',
  bulge: 'of the edge to the next corner: tan of a quarter of its arc, 0 straight',
  checks: 'links judged by hand, or by what the solver found',
  class: 'strength class of the bolt, by the stock list',
  combinations: 'loads that act together, each with its factor',
  connection: 'how the bearer is held',
  core: 'what the core is made of',
  corners: 'corners in order, anticlockwise',
  'parts/count': 'pieces alike',
  'ribs/count': 'ribs side by side',
  'standing/count': 'feet',
  crossed: 'how bolts get across a cavity all the same',
  density: 'density, kg/m³',
  design: 'how the foot is made; left out where it is made as another',
  diagonals: 'the panel’s diagonals as measured',
  doubler: 'how the plate is welded to a metal skin',
  duration: 'how long the load lasts; wood, laminate, cores and glue ask',
  'bearers/edge': 'the panel’s side it is at',
  'fold/edge': 'the plate’s edge that is bent',
  'lines/edge': 'the edge that is welded, counted from 0',
  edges: 'how each edge of the panel is held',
  existing: 'holes that are there already',
  stiff: 'why a base much longer than wide is stiff all the same',
  entry: 'over which length of the base its load comes in',
  eye: 'the pin of a link or a tab',
  'parts/factor': 'the factor this load counts with in the combination',
  factors: 'factors of the load’s family',
  family: 'the trade the fitting is of',
  'access/far': 'what reaches the nut',
  'access/near': 'what reaches the head',
  'design/far': 'what is under the nuts',
  feet: 'where the fitting meets the structure',
  fit: 'width of the clearance hole by ISO 273 or ASME B18.2.8',
  fitting: 'where the fitting is welded to the plate',
  fold: 'an edge of the plate bent up',
  foot: 'the foot it is made as',
  form: 'box or round; of a part its stock form',
  format: 'what the file is',
  'spread/friction': 'friction under the pressed plate is counted before the bolts, or not',
  'patterns/from': 'where the pattern came from: assumed stays marked',
  'readings/from': 'the hole read from',
  'works/from': 'the hole its load comes in by',
  fu: 'strength at break, MPa',
  fy: 'yield strength, MPa',
  gammaG: 'factor on loads that last',
  gammaGInf: 'factor on what lasts where it helps',
  gammaM0: 'resistance factor on yield',
  gammaM2: 'resistance factor on break',
  gammaQ: 'factor on loads that come and go',
  given: 'stiffnesses somebody knows better, N/mm',
  grade: 'strength class or grade, by the stock list',
  grain: 'the way the grain runs',
  group: 'what the metal is: steel, stainless, aluminium …',
  head: 'the bolt’s head',
  'ribs/height': 'height of a rib, mm',
  hidden: 'what lies behind the skin that the drill must not meet',
  holding: 'what holds the bolt',
  holds: 'what the foot can hold of force and moment, how stiff, which part',
  hole: 'the part’s hole the pin goes through',
  'base/holes': 'holes of the fitting’s base',
  'items/holes': 'holes of this bolt that are not its fit’s clearance hole, layer by layer',
  'parts/holes': 'holes of the part',
  'patterns/holes': 'the pattern’s holes',
  'plate/holes': 'the plate’s holes besides those of bolts and base',
  holesFrom: 'where the base’s hole pattern came from',
  id: 'its name, unique in its list',
  'joint/inPlane': 'what of the bolt stands where the parts slide: thread or shank',
  'kinds/inPlane': 'what of the bolt stands where the parts slide: thread or shank',
  'spread/inPlane': 'the skin’s edges are held in its plane, or free to slide',
  isolated: 'unlike metals are kept apart',
  items: 'the bolts, each with its place',
  joint: 'how the joint is held together',
  'far/kind': 'washers, plate, plate washers or strips',
  'items/kind': 'which of the joint’s kinds the bolt is; its own where left out',
  'loads/kind': 'the load’s builder',
  'parts/kind': 'structure, equipment, people or snow',
  'rated/kind': 'eye bolt, shackle or other',
  'skin/kind': 'what the skin is',
  kinds: 'other kinds of fastener in the joint',
  layers: 'loose plates of that thickness on each other',
  leg: 'which leg of a bent bar, from 0',
  legs: 'outside lengths of its legs',
  like: 'made as another foot, as drawn or mirrored',
  limits: 'limits the job sets itself; 0 for none',
  lines: 'weld lines along the plate’s edges',
  load: 'the load by its name',
  loads: 'what acts on the fitting',
  log: 'critical dimensions, both sides',
  lug: 'a lug, padeye or tab on the fitting, with its pin',
  made: 'how the bend is made',
  make: 'sharp, rounded or clipped',
  membrane: 'the skin pulls like a cloth too, or bends only',
  metal: 'by the stock list, or of the job’s own stock',
  metals: 'metals of the shop’s own that the job uses',
  'like/mirrored': 'of the other hand',
  'loads/mirrored': 'seen in the mirror, left for right',
  mx: 'takes moment about its x',
  my: 'takes moment about its y',
  mz: 'takes moment about its z',
  name: 'what it is called',
  note: 'a note, as written',
  nut: 'class of the nut, by the stock list',
  nutKind: 'plain, or how the nut is locked',
  'patterns/of': 'of the fitting or of the structure',
  'skin/of': 'beam, channel or angle',
  on: 'what the part is fixed to, in words',
  onBreak: 'safety factor on break, working loads',
  onYield: 'safety factor on yield, working loads',
  openings: 'rings that are cut out, anticlockwise',
  outline: 'its outline where it is no rectangle',
  over: 'the hole read to',
  ownStock: 'rows of the shop’s own stock the job uses, so that its file is whole',
  packing: 'what makes up height between plate and skin',
  packs: 'rule packs the job is held to',
  'combinations/parts': 'loads of the combination',
  'design/parts': 'what the shop makes besides',
  'loads/parts': 'lines of a weight take-off',
  patterns: 'hole patterns of fitting and structure as measured',
  picks: 'choices of the load’s builder',
  pinClass: 'strength class of the pin',
  pinned: 'only force comes in there: others hold it from turning',
  place: 'where the joint lives; decides what two metals may differ by',
  plate: 'the mounting plate',
  practice: 'the school of factors, and the rules',
  preload: 'the bolts’ preload is counted, or not',
  purpose: 'what the hole is for',
  rated: 'bought eye bolts, shackles and the like',
  readings: 'every reading taken',
  restsOnly: 'it presses and is not held down',
  ribs: 'ribs that stiffen the base',
  rounded: 'both ends half round',
  'standing/rule': 'how the load is shared to the feet',
  'standing/on': 'what the feet stand on: panels of their own, or one panel that bends under all of them',
  'eye/rules': 'rules the pin is judged by',
  'lug/rules': 'rules the lug is judged by',
  'practice/rules': 'rules for bearing, tear-out, prying and edge distance',
  school: 'working loads with safety factors, limit states, or a crash as the last load',
  section: 'what the bearer is, in words',
  shear: 'whether the pin is held on both sides',
  shims: 'gaps under a straightedge, or heights to level',
  'patterns/side': 'left or right',
  sides: 'one plate, or a left and right pair',
  size: 'size of the fastener, by the stock list',
  skin: 'what carries the plate there',
  sleeve: 'what is round the bolt through a core or a section',
  slotAlong: 'the way the base’s slots run',
  source: 'where the figures come from',
  spread: 'how the spread solver sees the joint',
  standing: 'how the fitting stands on its feet',
  stiffness: 'against the other feet, along its own axes',
  stock: 'what the part is cut from',
  survey: 'what was measured and found there',
  taken: 'when and with what the place was read',
  takes: 'the moments the foot takes',
  taper: 'the plate’s edges ground down to nothing over a width',
  'ribs/thickness': 'thickness of a rib, mm',
  through: 'bolts go through one wall or both',
  tightening: 'snug, to torque, or slip resistant',
  'readings/to': 'what was read to',
  'taper/to': 'thickness at the edge, mm',
  'works/to': 'the hole it is fixed by',
  units: 'the job’s unit for what is shown',
  up: 'the bend goes up',
  'existing/use': 're-use, fill, or stay clear',
  'parts/use': 'what the part is, in the trade’s words',
  values: 'numbers of the load’s builder',
  version: 'version of the format',
  way: 'along x, along y or straight across',
  webAt: 'the side the web stands on',
  welds: 'welds of the fitting to the plate and of the plate to the skin',
  what: 'what it is',
  'taper/width': 'width of the taper, mm',
  'x/with': 'what it was measured with',
  'y/with': 'what it was measured with',
  works: 'what the part does, so that it is judged',
  'taken/x': 'how x was read',
  'taken/y': 'how y was read',
  zones: 'parts of the panel whose skin is another',
};

/** Words of the builders themselves for their factors and picks. */
const OF_BUILDERS: ReadonlyMap<string, string> = new Map(
  BUILDERS.flatMap((b) => [
    ...Object.entries(b.factors).map(([key, f]) => [`factors/${key}`, `${f.label}; usual ${f.usual}`] as const),
    ...Object.entries(b.picks ?? {}).map(([key, p]) => [`picks/${key}`, p.label] as const),
  ]),
);

type Node = Record<string, unknown>;
const isNode = (x: unknown): x is Node => typeof x === 'object' && x !== null;

/** Puts the words in where a property has none; what still has none is named to `missing`. */
function described(node: unknown, parent: string, missing: Set<string>): unknown {
  if (Array.isArray(node)) return node.map((x) => described(x, parent, missing));
  if (!isNode(node)) return node;
  const out: Node = {};
  for (const [key, value] of Object.entries(node)) {
    if (key !== 'properties' || !isNode(value)) {
      out[key] = described(value, parent, missing);
      continue;
    }
    out[key] = Object.fromEntries(
      Object.entries(value).map(([name, of]) => {
        const inner = described(of, name, missing) as Node;
        if (typeof inner['description'] === 'string') return [name, inner];
        const words =
          WORDS[`${parent}/${name}`] ??
          MAKING_WORDS[`${parent}/${name}`] ??
          OF_BUILDERS.get(`${parent}/${name}`) ??
          WORDS[name] ??
          MAKING_WORDS[name];
        if (words === undefined) missing.add(`${parent}/${name}`);
        return [name, words === undefined ? inner : { description: words, ...inner }];
      }),
    );
  }
  return out;
}

/** The JSON Schema of the job file with a description on every field, and the fields that have none. */
export function jobSchema(): { readonly schema: object; readonly missing: readonly string[] } {
  const missing = new Set<string>();
  const plain = z.toJSONSchema(WholeJob, { target: 'draft-2020-12', io: 'input' });
  const schema = described(plain, '', missing) as object;
  return { schema: { ...schema, title: `Mast Shoe job, version ${VERSION}` }, missing: [...missing].sort() };
}
