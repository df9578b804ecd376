type Plain = Record<string, unknown>;
const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Words of version 3 that were written otherwise at first: a crash as the last load was the school "proof". */
export function respelt(data: Plain): Plain {
  const { practice } = data;
  return isPlain(practice) && practice['school'] === 'proof' ? { ...data, practice: { ...practice, school: 'ultimate' } } : data;
}
