import { TestBed } from '@angular/core/testing';
import { imports } from '../testing/workers';
import { Importer } from './importer';

let importer: Importer;
beforeEach(() => {
  jest.useFakeTimers();
  imports.held = false;
  imports.started.length = 0;
  importer = TestBed.inject(Importer);
});
afterEach(() => {
  imports.held = false;
  jest.useRealTimers();
});

it('reads in one worker, file after file', async () => {
  expect(await importer.read('holes', 'x,y\n1,2')).toMatchObject({ holes: [{ id: 'H1', x: 1, y: 2 }] });
  expect(await importer.read('holes', 'x,y\n1,2', 'inch')).toMatchObject({ holes: [{ x: 25.4, y: 50.8 }] });
  expect(await importer.read('job', '{"format": "mast-')).toMatchObject({ refusals: [{ field: 'file' }] });
  expect(imports.started).toHaveLength(1);
});

it('a reader that does not come back is ended after five seconds, and so is what waits behind it; the next file is read', async () => {
  imports.held = true;
  const [first, second] = [importer.read('outline', '0\nEOF'), importer.read('circles', '0\nEOF')];
  await jest.advanceTimersByTimeAsync(5000);
  expect(await first).toMatchObject({ refused: true, because: 'it was not read within 5 s' });
  expect(await second).toMatchObject({ refused: true });
  expect(imports.started[0]!.terminated).toBe(true);
  imports.held = false;
  expect(await importer.read('holes', 'x,y\n1,2')).toMatchObject({ holes: [{ id: 'H1' }] });
  expect(imports.started).toHaveLength(2);
});

it('a worker that breaks down is said, and a file far too large is not opened', async () => {
  imports.held = true;
  const read = importer.read('outline', '0\nEOF');
  imports.started[0]!.dispatchEvent(new Event('error'));
  expect(await read).toMatchObject({ because: 'reading it broke down' });
  const text = jest.fn();
  const huge = { name: 'huge.dxf', size: 4e9, text } as unknown as File;
  expect(await importer.file('outline', huge)).toMatchObject({ because: 'it is 4000.0 MB', allowed: 'up to 2 MB' });
  expect(text).not.toHaveBeenCalled();
});
