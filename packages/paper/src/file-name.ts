/** What no file system likes in a name. */
const AWKWARD = /[\\/:*?"<>|\u0000-\u001f]+/g;
const LONGEST = 100;

/** "Core sampler winch, mounting plate, v7.dxf": the job's name leads, in its own script. */
export function fileName(job: string, what: string, version: number, ending: string): string {
  const named = job
    .replace(AWKWARD, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s.]+|[\s.]+$/g, '')
    .slice(0, LONGEST);
  return `${[named || 'job', what, `v${version}`].filter(Boolean).join(', ')}.${ending}`;
}
