import { wordsIn } from './words-in';

it.each([
  ['over 0 up to 60 mm', 'over 0 in up to 2.362 in'],
  ['6.35 mm thick', '1/4 in thick'],
  ['280 × 240 mm of face', '11.024 in × 9.449 in of face'],
  ['6 to 12 mm', '0.236 in to 0.472 in'],
  ['x -20, y 25.4 mm', 'x -0.787 in, y 1 in'],
  ['10 kN on 5 bolts', '2248 lb on 5 bolts'],
  ['a pull of 100 N', 'a pull of 22 lb'],
  ['250 MPa', '36.26 ksi'],
  // Not of these units, and names that only look like them.
  ['12 mm² of 4 N/mm', '12 mm² of 4 N/mm'],
  ['EN 1993-1-8 Tab. 3.4', 'EN 1993-1-8 Tab. 3.4'],
  ['M12 8.8', 'M12 8.8'],
  ['in 3 of 6 cases', 'in 3 of 6 cases'],
])('%s → %s', (mm, inch) => {
  expect(wordsIn(mm, 'inch')).toBe(inch);
  expect(wordsIn(mm, 'mm')).toBe(mm);
});
