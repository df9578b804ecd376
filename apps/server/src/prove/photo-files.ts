import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Why a photograph cannot be shown: its file is gone, or it is not what came. */
export type BadPhoto = 'missing' | 'damaged';

export const photoPath = (folder: string, sha256: string, thumb = false): string =>
  join(folder, sha256.slice(0, 2), `${sha256}${thumb ? '.small' : ''}.jpg`);

/** The picture of that name, checked against it; of a thumbnail only that it is there. */
export function readPhoto(folder: string, sha256: string, thumb = false): Buffer | BadPhoto {
  const path = photoPath(folder, sha256, thumb);
  if (!existsSync(path)) return 'missing';
  const data = readFileSync(path);
  return !thumb && createHash('sha256').update(data).digest('hex') !== sha256 ? 'damaged' : data;
}
