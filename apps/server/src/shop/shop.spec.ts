import { oneFoot } from '@core/job/at-foot';
import { USUAL_SHOP, type ShopSettings } from '@core/stock/shop-settings';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { served } from '../testing/served';

const shopOf = () => served([oneFoot(lopsidedJob())]);
const put = (http: ReturnType<typeof served>['http'], version: number, change: Partial<ShopSettings>) =>
  http.put(`/api/shop?version=${version}`).send({ ...USUAL_SHOP, ...change });

describe('what the shop says of itself', () => {
  it('is as usual until somebody says otherwise; then what was said, over the version that was seen', async () => {
    const { http } = shopOf();
    expect((await http.get('/api/shop').expect(200)).body).toEqual({ settings: USUAL_SHOP, version: 0 });
    expect((await put(http, 0, { people: 3 }).expect(200)).body).toMatchObject({ version: 1, settings: { people: 3 } });
    expect((await put(http, 1, { people: 4 }).expect(200)).body).toMatchObject({ version: 2, settings: { people: 4 } });
    const stale = await put(http, 1, { people: 5 }).expect(409);
    expect(stale.body.current).toMatchObject({ version: 2, settings: { people: 4 } });
    await put(http, 0, { people: 6 }).expect(409);
    await http.put('/api/shop').send(USUAL_SHOP).expect(428);
  });
  it('refuses by the field and what it may be', async () => {
    const { http } = shopOf();
    const detail = async (change: object) =>
      (await put(http, 0, change as Partial<ShopSettings>).expect(422)).body.detail as string;
    expect(await detail({ saw: { kerf: -1, endWaste: 10 } })).toContain('saw.kerf: Width of the saw’s cut — allowed: 0 to 20');
    expect(await detail({ zone: 'Nowhere/None' })).toContain('zone');
    expect(await detail({ week: [null] })).toContain('seven days');
    expect(await detail({ printers: [{ name: 'P', across: 52, up: 50 }] })).toContain('allowed: 49 to 51');
    expect(await detail({ week: Array(7).fill({ from: '17:00', to: '08:00' }) })).toContain('from before to');
  });
  it('what a later program adds is as usual, and what was said before stays', () => {
    const { shop, db } = shopOf();
    const { rates, ...rest } = USUAL_SHOP;
    const { perHour: _p, ...older } = { ...rates, bolt: 3 };
    db.prepare('INSERT INTO shop (id, version, document, updated_at) VALUES (1, 1, ?, ?)').run(
      JSON.stringify({ ...rest, rates: older }),
      '2026-03-04',
    );
    expect(shop.get().settings.rates).toMatchObject({ perHour: USUAL_SHOP.rates.perHour, bolt: 3 });
  });
});

describe('a packet', () => {
  it('is remembered by its version, and older than the job as soon as that is changed', async () => {
    const { http, store } = shopOf();
    const at = '/api/jobs/t';
    expect((await http.get(`${at}/packet.json`).expect(200)).body).toEqual({ printed: null, version: 1 });
    await http.get(`${at}/packet.pdf?card=route`).expect(200);
    expect((await http.get(`${at}/packet.json`)).body.printed).toBeNull();
    const pdf = await http.get(`${at}/packet.pdf`).expect(200);
    expect(decodeURIComponent(pdf.headers['content-disposition']!)).toContain('Lopsided, packet, v1.pdf');
    expect((await http.get(`${at}/packet.json`)).body.printed).toMatchObject({ version: 1 });
    store.save({ ...oneFoot(lopsidedJob()), note: 'changed' }, 1);
    expect((await http.get(`${at}/packet.json`)).body).toMatchObject({ printed: { version: 1 }, version: 2 });
  });
  it('a card that there is not, a job that there is not and a paper that there is not are said', async () => {
    const { http } = shopOf();
    await http.get('/api/jobs/t/packet.pdf?card=lift').expect(404);
    await http.get('/api/jobs/none/packet.pdf').expect(404);
    expect((await http.get('/api/jobs/t/packet.pdf?paper=a9').expect(400)).body.detail).toBe(
      'paper: not known — allowed: a4, letter',
    );
  });
  it('a route that no day holds is refused by name; one that is laid out comes as a calendar', async () => {
    const { http } = shopOf();
    const ics = await http.get('/api/jobs/t/route.ics').expect(200);
    expect(ics.headers['content-type']).toContain('text/calendar');
    expect(ics.text).toContain('BEGIN:VEVENT');
    await put(http, 0, { week: Array(7).fill(null) as ShopSettings['week'] }).expect(200);
    expect((await http.get('/api/jobs/t/route.ics').expect(422)).body.detail).toContain(
      'the shop is closed every day of the week',
    );
  });
  it('lists, labels, report and whole sheets are files with the job’s name and version', async () => {
    const { http } = shopOf();
    for (const [path, name] of [
      ['parts.csv', 'Lopsided, parts, v1.csv'],
      ['buy.csv', 'Lopsided, buy list, v1.csv'],
      ['labels.pdf', 'Lopsided, labels, v1.pdf'],
      ['report.pdf', 'Lopsided, calculation report, v1.pdf'],
      ['sheet.dxf?stock=Steel%20S275,%206%20mm', 'Lopsided, Steel S275, 6 mm, sheet 1, v1.dxf'],
      ['sheet.svg?stock=Steel%20S275,%206%20mm', 'Lopsided, Steel S275, 6 mm, sheet 1, v1.svg'],
      [
        'sheet.dxf?stock=Steel%20S275,%206%20mm&kerf=1.5&with=words',
        'Lopsided, Steel S275, 6 mm, sheet 1, with words, compensated 1.5 mm, v1.dxf',
      ],
      ['part.svg?kerf=1.5&hand=other', 'Lopsided, mounting plate, other hand, compensated 1.5 mm'],
    ] as const) {
      const res = await http.get(`/api/jobs/t/${path}`).expect(200);
      expect(decodeURIComponent(res.headers['content-disposition']!)).toContain(name);
    }
    const svg = async (query: string) =>
      ((await http.get(`/api/jobs/t/part.svg${query}`).buffer(true).expect(200)).body as Buffer).toString();
    expect(await svg('')).toMatch(/Stamp 1: mounting plate/);
    expect(await svg('?hand=other')).toMatch(/Stamp 1′: mounting plate .*OTHER HAND, mirrored/);
    const sheet = async (query: string) =>
      (
        (await http.get(`/api/jobs/t/sheet.dxf?stock=Steel%20S275,%206%20mm${query}`).buffer(true).expect(200)).body as Buffer
      ).toString();
    // A cutter that cuts all it is given gets nothing but what is to be cut; the words stand in the head of the file.
    expect(await sheet('')).not.toMatch(/\nTEXT\r?\n/);
    expect(await sheet('')).toContain('As drawn: the cutter takes its own cut into account');
    expect(await sheet('&with=words')).toMatch(/\nTEXT\r?\n/);
    expect(await sheet('&kerf=1.5')).toContain('COMPENSATED for a cut of 1.5 mm');
    expect((await http.get('/api/jobs/t/parts.csv?numbers=comma').buffer(true).expect(200)).text).toContain(';');
    expect((await http.get('/api/jobs/t/sheet.dxf?stock=gold').expect(404)).body.detail).toContain('Steel S275, 6 mm');
    expect((await http.get('/api/jobs/t/part.svg?kerf=40').expect(400)).body.detail).toBe(
      'kerf: not a width there — allowed: 0 to 10 mm',
    );
  });
});

describe('a printer’s error', () => {
  it('is taken out of the template for that printer: the outline is drawn so much larger (operators of the page)', async () => {
    const { http } = shopOf();
    await put(http, 0, { printers: [{ name: 'Office', across: 49.8, up: 50.1 }] }).expect(200);
    const text = async (query: string) =>
      (await http.get(`/api/jobs/t/template.pdf${query}`).buffer(true).expect(200)).body as Buffer;
    const [plain, corrected] = [await text(''), await text('?printer=Office')];
    expect(corrected.length).not.toBe(plain.length);
    const none = await http.get('/api/jobs/t/template.pdf?printer=Attic').expect(404);
    expect(none.body.detail).toBe('printer: not known — allowed: Office');
  });
});
