import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, Router } from '@angular/router';
import { fromSheet } from '@core/job/values';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { Commands } from './run-command';

const navigate = jest.fn();
let desk: TestDesk;
let commands: Commands;
const job = () => desk.job()!;

function start(change = testJob()) {
  desk = provideDesk(change);
  TestBed.configureTestingModule({
    providers: [Commands, { provide: Router, useValue: { navigate } }, { provide: ActivatedRoute, useValue: {} }],
  });
  commands = TestBed.inject(Commands);
}

it('steps the plate through millimetre stock, and through inch stock in an inch job', () => {
  start();
  commands.run('thicker');
  expect(job().plate.thickness).toEqual(fromSheet(10, '10 mm'));
  commands.run('thinner');
  commands.run('thinner');
  expect(job().plate.thickness.text).toBe('6 mm');
  TestBed.resetTestingModule();
  start({ ...testJob(), units: 'inch' });
  commands.run('thicker');
  expect(job().plate.thickness.text).toBe('3/8 in');
});

it('at the end of the stock it says so and changes nothing', () => {
  start({ ...testJob(), plate: { ...testJob().plate, thickness: fromSheet(30, '30 mm') } });
  commands.run('thicker');
  expect(desk.said()).toBe('No thicker plate in stock');
  expect(desk.did).toEqual([]);
});

it('steps the fastener within its family', () => {
  start();
  commands.run('larger');
  expect(job().bolts.size).toBe('M12');
  for (let i = 0; i < 4; i++) commands.run('smaller');
  expect(job().bolts.size).toBe('M5');
  commands.run('smaller');
  expect(desk.said()).toBe('No smaller fastener in stock');
});

it('goes round the classes of the family and comes back', () => {
  start();
  const seen = [0, 1, 2, 3, 4, 5, 6].map(() => {
    commands.run('class');
    return job().bolts.class;
  });
  expect(seen).toEqual(['10.9', 'A2-70', 'A4-70', 'A4-80', '4.6', '5.8', '8.8']);
});

it('adds a bolt and picks it, takes out the picked one, and without one does nothing', () => {
  start();
  commands.run('add-bolt');
  expect(desk.picked()).toEqual({ kind: 'bolt', id: 'B5' });
  commands.run('remove-bolt');
  expect(job().bolts.items).toHaveLength(4);
  expect(desk.picked()).toBeNull();
  commands.run('remove-bolt');
  expect(job().bolts.items).toHaveLength(4);
});

it('switches units, school and rules', () => {
  start();
  for (const id of ['units', 'school', 'rules'] as const) commands.run(id);
  expect([job().units, job().practice.school, job().practice.rules]).toEqual(['inch', 'limit', 'AISC']);
});

it('goes to a stage, and back to the rack', () => {
  start();
  commands.run('choose');
  expect(navigate).toHaveBeenLastCalledWith(['choose'], { relativeTo: expect.anything() });
  commands.run('rack');
  expect(navigate).toHaveBeenLastCalledWith(['/']);
});
