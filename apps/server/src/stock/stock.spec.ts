import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { closeDatabase, openDatabase } from '../database/open-database';
import { served } from '../testing/served';

const PLATE = {
  id: 'own-s355-heat-4411',
  name: 'S355, heat 4411',
  group: 'steel',
  fy: 388,
  fu: 521,
  E: 210_000,
  density: 7850,
  source: 'mill sheet 4411',
};

const room = (file = ':memory:') => served([], openDatabase(file));

it('a row is added once, changed over the version seen, and taken out', async () => {
  const { http } = room();
  const { body } = await http.post('/api/stock/metals').send(PLATE).expect(201);
  expect(body).toMatchObject({ metal: PLATE, version: 1 });
  await http.post('/api/stock/metals').send(PLATE).expect(409);
  await http
    .put(`/api/stock/metals/${PLATE.id}?version=1`)
    .send({ ...PLATE, fy: 380 })
    .expect(200);
  const stale = await http.put(`/api/stock/metals/${PLATE.id}?version=1`).send({ ...PLATE, fy: 200 });
  expect([stale.status, stale.body.current.metal.fy]).toEqual([409, 380]);
  await http.delete(`/api/stock/metals/${PLATE.id}`).expect(204);
  await http.delete(`/api/stock/metals/${PLATE.id}`).expect(404);
  expect((await http.get('/api/stock/metals')).body).toEqual([]);
});

it.each([
  ['id of a built-in row', { ...PLATE, id: 'S355' }, /id: .*own-/],
  ['no source', { ...PLATE, source: ' ' }, /source: .*where the values come from/],
  ['f_u under f_y', { ...PLATE, fu: 300 }, /fu: break is under yield — allowed: at least 388 MPa/],
  ['a modulus in GPa', { ...PLATE, E: 210 }, /E: .*1000 to 400000 MPa/],
  ['a field nobody knows', { ...PLATE, colour: 'red' }, /colour/],
])('%s is refused by field and range', async (_n, sent, said) => {
  const { body } = await room().http.post('/api/stock/metals').send(sent).expect(422);
  expect(body.detail).toMatch(said);
});

it('a change has to say which version it was made on', async () => {
  await room().http.put(`/api/stock/metals/${PLATE.id}`).send(PLATE).expect(428);
  await room().http.put(`/api/stock/metals/${PLATE.id}?version=1`).send(PLATE).expect(404);
});

it('own rows outlive the program: a database opened again still has them', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-stock-'));
  const file = join(folder, 'shop.sqlite');
  try {
    const first = room(file);
    await first.http.post('/api/stock/metals').send(PLATE).expect(201);
    closeDatabase(first.db);
    const again = room(file);
    expect((await again.http.get('/api/stock/metals')).body[0].metal).toEqual(PLATE);
    closeDatabase(again.db);
  } finally {
    rmSync(folder, { recursive: true });
  }
});
