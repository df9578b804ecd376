import { newLoad } from '@core/loads/new-load';
import { testJob } from '@core/testing/test-job';
import { fromSheet } from '@core/units/quantity';
import { builderOf } from '@core/loads/registry';
import { addLoad, changeCombination, changeLoad, dragged, freeId, removeLoad, setValue } from './edits';

const two = addLoad(newLoad('winch', 'W1'))(testJob());
const combined = {
  ...two,
  combinations: [
    {
      id: 'C1',
      name: 'Both',
      parts: [
        { load: 'L1', factor: null },
        { load: 'W1', factor: 0.5 },
      ],
    },
    { id: 'C2', name: 'Wire', parts: [{ load: 'W1', factor: null }] },
  ],
};

it('free names do not meet those there are, even after a hole in the row', () => {
  expect(freeId([{ id: 'L1' }, { id: 'L2' }], 'L')).toBe('L3');
  expect(freeId([{ id: 'L3' }, { id: 'L1' }], 'L')).toBe('L4');
  expect(freeId([{ id: 'W1' }], 'L')).toBe('L2');
});

it('a load taken out leaves its combinations, and one left empty goes with it', () => {
  const left = removeLoad('W1')(combined);
  expect(left.loads.map((l) => l.id)).toEqual(['L1']);
  expect(left.combinations).toEqual([{ id: 'C1', name: 'Both', parts: [{ load: 'L1', factor: null }] }]);
  expect(combined.combinations).toHaveLength(2);
});

it('changes one load, one value, one combination, and leaves the rest the same object', () => {
  const mirrored = changeLoad('W1', (l) => ({ ...l, mirrored: true }))(combined);
  expect(mirrored.loads[0]).toBe(combined.loads[0]);
  expect(mirrored.loads[1]!.mirrored).toBe(true);
  expect(setValue('W1', 'pull', fromSheet(1, '1 N'))(combined).loads[1]!.values['pull']!.v).toBe(1);
  expect(changeCombination('C2', (c) => ({ ...c, name: 'X' }))(combined).combinations.map((c) => c.name)).toEqual(['Both', 'X']);
});

it('a dragged value falls on a whole millimetre, sixteenth or degree, inside its range, and is assumed', () => {
  const { drumHeight, sideAngle } = builderOf('winch').fields;
  expect(dragged(120.4, drumHeight!.range, 'mm')).toEqual({ v: 120, text: '120 mm', from: 'assumed' });
  expect(dragged(-7, drumHeight!.range, 'mm').v).toBe(0);
  expect(dragged(10, drumHeight!.range, 'inch').v).toBeCloseTo(9.525, 9);
  expect(dragged(0.5, sideAngle!.range, 'mm').text).toBe('29°');
  expect(dragged(9, sideAngle!.range, 'mm').v).toBeCloseTo(Math.PI / 2, 9);
  // Over 0, so the least that can be dragged to is one step.
  expect(dragged(0, builderOf('lifting').fields['angle']!.range, 'mm').text).toBe('1°');
});
