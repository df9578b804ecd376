import DxfParser from 'dxf-parser';
import { oneFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import type { WholeJob } from '@core/job/whole-job';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { fileName } from '@paper/file-name';
import { MISSING, setIn } from '@paper/fonts';
import { served } from '../testing/served';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A server with one job. */
function sheets(job: Job | WholeJob) {
  const { http, judged } = served(['feet' in job ? job : oneFoot(job)]);
  const at = `/api/jobs/${job.id}`;
  const take = async (path: string): Promise<{ body: Buffer; name: string }> => {
    const res = await http
      .get(`${at}/${path}`)
      .buffer(true)
      .parse((r, done) => {
        const parts: Buffer[] = [];
        r.on('data', (p: Buffer) => parts.push(p));
        r.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200);
    return { body: res.body as Buffer, name: decodeURIComponent(res.headers['content-disposition'] ?? '') };
  };
  return { http, at, take, judged };
}

const NAME = 'Łódź: Müller & Ярославль <1/2>';
const named = lopsidedJob((j) => ({ ...j, name: NAME }));
const folded = lopsidedJob((j) => ({
  ...j,
  units: 'inch',
  plate: { ...j.plate, fold: { edge: 'fore', radius: mm(6), height: mm(40) } },
}));
const holds = /Checked|DOES NOT HOLD|NOT SHOWN TO HOLD/;
const today = new Date().toISOString().slice(0, 10);

describe('names of files', () => {
  it('carry the job’s name in its own script, what it is and which version', async () => {
    const { take } = sheets(named);
    const { name } = await take('plate.dxf');
    expect(name).toContain('Łódź Müller & Ярославль 1 2, mounting plate');
    expect(name).toContain('v1.dxf');
    expect((await take('job.json')).name).toContain('v1.json');
  });
  it('never carry what a file system does not like', () => {
    expect(fileName('..//a\\b:c*?"<>|\u0007. ', 'x', 3, 'pdf')).toBe('a b c, x, v3.pdf');
    expect(fileName('///', '', 1, 'csv')).toBe('job, v1.csv');
  });
});

describe('of a fitting on several feet', () => {
  const pair = standingAs(oneFoot(lopsidedJob()), 'F1', 'two rails', { along: 1, across: 500, count: 2 });
  it('each foot has files of its own, in its own hand and by its name; the first where none is said', async () => {
    const { take, http, at } = sheets(pair);
    const circles = async (query: string) => {
      const { body, name } = await take(`plate.dxf${query}`);
      const read = new DxfParser().parseSync(body.toString('utf8'))!;
      const on = read.entities as unknown as { layer: string; center: { x: number; y: number } }[];
      return { name, at: on.filter((e) => e.layer === 'HOLES').map((e) => [e.center.x, e.center.y]) };
    };
    const [first, second] = [await circles(''), await circles('?foot=F2')];
    expect(first.at).toEqual(lopsidedJob().bolts.items.map((b) => [b.x, b.y]));
    expect(second.at).toEqual(lopsidedJob().bolts.items.map((b) => [b.x, -b.y]));
    expect([first.name, second.name]).toEqual([expect.stringContaining('Port rail'), expect.stringContaining('Starboard rail')]);
    const { body } = await http.get(`${at}/template.pdf?foot=F9`).expect(404);
    expect(body.detail).toBe('foot: not here — allowed: F1, F2');
    expect((await take('drill-list.csv?foot=F2')).body.toString('utf8')).toContain('Starboard rail');
  });
  it('its tag says which foot decides', async () => {
    const [, starboard] = pair.feet;
    const thin = { ...starboard!, skin: { ...starboard!.skin, thickness: mm(2) } };
    const { http, judged } = sheets({ ...pair, feet: [pair.feet[0]!, thin] });
    await judged();
    const [tag] = (await http.get('/api/jobs').expect(200)).body.tags;
    expect(tag.verdict).toMatchObject({ foot: 'Starboard rail', says: expect.stringMatching(/^Starboard rail: /) });
  });
});

describe('the drill list', () => {
  const read = async (job: Job, numbers: 'point' | 'comma') => {
    const text = (await sheets(job).take(`drill-list.csv?numbers=${numbers}`)).body.toString('utf8');
    expect(text.charCodeAt(0)).toBe(0xfeff);
    return text
      .slice(1)
      .trim()
      .split('\n')
      .map((l) => l.split(numbers === 'point' ? ',' : ';'));
  };
  it('has points and commas, or decimal commas and semicolons, as was asked', async () => {
    const [head, first] = await read(named, 'point');
    expect(head!.slice(0, 7)).toEqual(['part', 'hole', 'x_mm', 'y_mm', 'diameter_mm', 'fastener', 'note']);
    expect(first!.slice(0, 6)).toEqual(['plate', 'B1', '205', '155', '11', 'M10 8.8']);
    // 25 m/min at 11 mm: 1000·25/(π·11) = 723 /min.
    const csv = (await sheets(named).take('drill-list.csv')).body.toString('utf8');
    expect(csv.split('\n')[0]).toContain('note,bits,rpm,job');
    expect(csv.split('\n')[1]).toMatch(/"4 mm, then 11 mm",720,/);
    const half = { ...named, bolts: { ...named.bolts, items: [{ id: 'B1', x: 110.25, y: 80 }, ...named.bolts.items.slice(1)] } };
    expect((await read(half, 'comma'))[1]!.slice(0, 5)).toEqual(['plate', 'B1', '205,25', '155', '11']);
  });
  it('each row says which job and version, and whether it holds', async () => {
    const rows = await read(named, 'comma');
    for (const r of rows.slice(1)) {
      expect(r.join(';')).toContain('Ярославль');
      expect(r.join(';')).toContain(`version 1, ${today}`);
      expect(r.join(';')).toMatch(holds);
    }
  });
  it('an inch job has inches, with the nearest drill: 11 mm is about 7/16 (0.4375)', async () => {
    const [head, first] = await read(folded, 'comma');
    const at = (c: string) => first![head!.indexOf(c)];
    expect(at('diameter_in')).toBe('0,4331');
    expect(at('drill')).toBe('');
    expect(at('x_in')).toBe(String(Number((205 / 25.4).toFixed(4))).replace('.', ','));
    const near = { ...folded, bolts: { ...folded.bolts, size: '3/8-16', class: 'Gr 5', nut: 'Gr 5' } };
    const [h, f] = await read(near, 'point');
    // Clearance of 3/8 in, normal: 0.406, 13/32 in (ASME B18.2.8).
    expect(f![h!.indexOf('drill')]).toBe('≈ 13/32 in');
  });
  it('refuses a way of writing numbers it does not know, by name', async () => {
    const { http, at } = sheets(named);
    const { body } = await http.get(`${at}/drill-list.csv?numbers=roman`).expect(400);
    expect(body.detail).toBe('numbers: not known — allowed: point, comma');
  });
});

describe('the DXF', () => {
  it('of any part, whole or cut only; a part that is not there is told by name', async () => {
    const backed = lopsidedJob((j) => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: mm(5), past: 10 } }));
    const { http, at, take } = sheets(backed);
    const whole = (await take('plate.dxf?part=backing&with=words')).body.toString('utf8');
    expect(new Set(new DxfParser().parseSync(whole)!.entities.map((e) => e.layer))).toContain('CAUTION');
    expect(whole).toMatch(holds);
    expect(whole).toContain(`version 1, ${today}`);
    // What goes to the cutter unasked is what is cut, and says in its comments what it is.
    const file = (await take('plate.dxf?part=backing')).body.toString('utf8');
    expect(file).toMatch(holds);
    const bare = new DxfParser().parseSync(file)!;
    expect(new Set(bare.entities.map((e) => e.layer))).toEqual(new Set(['PLATE_OUTLINE', 'HOLES']));
    expect((await http.get(`${at}/plate.dxf?part=lid`).expect(404)).body.detail).toContain('allowed: plate, backing');
  });
  it('a template of too many sheets is refused with what to do instead; a job that is not there is told', async () => {
    const vast = lopsidedJob((j) => ({
      ...j,
      plate: { ...j.plate, x0: -2000, x1: 2000, y0: -1500, y1: 1500 },
      far: { kind: 'washer' },
    }));
    const { http, at } = sheets(vast);
    const { body } = await http.get(`${at}/template.pdf`).expect(422);
    expect(body.detail).toMatch(/the template would take \d+ sheets of A4.*DXF/);
    for (const what of ['job.json', 'plate.dxf', 'template.pdf', 'drill-list.csv'])
      expect((await http.get(`/api/jobs/nobody/${what}`).expect(404)).body.title).toBe('There is no such job');
    expect((await http.get(`${at}/template.pdf?paper=a0`).expect(400)).body.detail).toBe(
      'paper: not known — allowed: a4, a3, letter, tabloid, roll 610, roll 914',
    );
  });
  it('text in UTF-8', async () =>
    expect((await sheets(named).take('plate.dxf')).body.toString('utf8')).toContain('Müller & Ярославль'));
  it('nothing is made from a layout that is refused', async () => {
    const { http, at } = sheets({ ...named, bolts: { ...named.bolts, items: [] } });
    expect((await http.get(`${at}/plate.dxf`).expect(422)).body.detail).toContain('there are no bolts');
  });
});

describe('faces of the sheets', () => {
  it('Latin in the shop’s own; Latin Extended, Greek and Cyrillic in one that has them', () => {
    expect(setIn('plain', 'Müller ø 11')).toMatchObject({ face: 'plain', missing: 0 });
    for (const text of ['Łódź', 'Ελλάδα γ', 'Ярославль'])
      expect(setIn('bold', text)).toMatchObject({ face: 'bold wide', missing: 0 });
  });
  it('what no face has is marked and counted, never dropped', () =>
    expect(setIn('plain', '鋼 plate')).toEqual({ face: 'plain wide', text: `${MISSING} plate`, missing: 1 }));
});

it('a cut plan of what is sawn from bar, over all feet', async () => {
  const strap = {
    id: 'strap',
    name: 'Strap',
    use: 'strap' as const,
    metal: 'S275',
    count: 2,
    stock: { form: 'flat bar' as const, width: mm(50), thickness: mm(6), legs: [mm(700)], bends: [] },
    holes: [],
  };
  const four = standingAs(oneFoot({ ...lopsidedJob(), parts: [strap] }), 'F1', 'four feet', {
    along: 600,
    across: 400,
    count: 4,
  });
  const { http, at } = sheets(four);
  const { body } = await http.get(`${at}/cut-plan.json`).expect(200);
  const [made] = (body as { plans: { stock: string; plan: { bought: number; bars: { stops: number[] }[]; proven: boolean } }[] })
    .plans;
  // 8 × 703 in 5,990 mm: all on one bar.
  expect(made).toMatchObject({ stock: 'flat bar 50 × 6 mm, Steel S275', plan: { bought: 1, proven: true } });
  expect(made!.plan.bars[0]!.stops).toHaveLength(8);
  expect(made!.plan.bars[0]!.stops[0]).toBeCloseTo(710, 6);
  await http.get('/api/jobs/none/cut-plan.json').expect(404);
});
