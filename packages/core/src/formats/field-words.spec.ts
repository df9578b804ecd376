import { jobSchema } from './field-words';

it('every field of the job file says what it is', () => {
  expect(jobSchema().missing).toEqual([]);
});

it('a number says its unit and its range; the builders’ own words stand at their factors', () => {
  const text = JSON.stringify(jobSchema().schema);
  expect(text).toContain('"description":"Plate thickness, mm; over 0 up to 100 mm"');
  expect(text).toContain('as it was typed, with its unit');
  expect(text).not.toContain('"description":""');
});
