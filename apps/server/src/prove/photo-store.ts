import { createHash } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';
import sharp from 'sharp';
import { query, type Db } from '../database/open-database';
import { photoPath, readPhoto, type BadPhoto } from './photo-files';

/** Largest file that is read, and the longest side that is kept, in pixels. */
export const MAX_PHOTO = 12_000_000;
const KEPT = 2000;
const THUMB = 320;
const MOST_PIXELS = 80_000_000;
const TYPES = ['jpeg', 'png', 'webp'];

export interface Photo {
  readonly sha256: string;
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
}

/** Why a photograph cannot be shown: it never came, its file is gone, or the file is not what came. */
export type Missing = 'unknown' | BadPhoto;

/** Photographs beside the database, each in a file named by the SHA-256 of what is in it. What the camera wrote about place and time is taken out. */
export class PhotoStore {
  private readonly sql;

  constructor(
    db: Db,
    readonly folder: string,
  ) {
    this.sql = { insert: db.prepare(query('insert-photo')), get: db.prepare<[string], Photo>(query('get-photo')) };
  }

  /** Keeps a photograph; words that say what is allowed where it is none. */
  async add(file: Buffer): Promise<Photo | { readonly because: string }> {
    let format: string | undefined;
    try {
      ({ format } = await sharp(file, { limitInputPixels: MOST_PIXELS }).metadata());
    } catch {
      format = undefined;
    }
    if (!format || !TYPES.includes(format))
      return { because: `photo: it is ${format ?? 'no picture'} — allowed: JPEG, PNG or WebP` };
    try {
      // Turned as the camera was held; written anew without anything it said of place, time and hand.
      const upright = sharp(file, { limitInputPixels: MOST_PIXELS }).rotate();
      const { data, info } = await upright
        .clone()
        .resize({ width: KEPT, height: KEPT, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 82 })
        .toBuffer({ resolveWithObject: true });
      const thumb = await upright
        .clone()
        .resize({ width: THUMB, height: THUMB, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 74 })
        .toBuffer();
      const sha256 = createHash('sha256').update(data).digest('hex');
      this.write(photoPath(this.folder, sha256), data);
      this.write(photoPath(this.folder, sha256, true), thumb);
      const photo = { sha256, bytes: data.length, width: info.width, height: info.height };
      this.sql.insert.run({ ...photo, now: new Date().toISOString() });
      return photo;
    } catch {
      return { because: 'photo: it cannot be read to its end — allowed: a whole JPEG, PNG or WebP' };
    }
  }

  has(sha256: string): boolean {
    return this.sql.get.get(sha256) !== undefined;
  }

  /** The picture, checked against its own name; of a thumbnail only that it is there. */
  read(sha256: string, thumb = false): Buffer | Missing {
    if (!this.has(sha256)) return 'unknown';
    return readPhoto(this.folder, sha256, thumb);
  }

  /** On disk before it is answered for; a crash leaves no half of one under its name. */
  private write(path: string, data: Buffer): void {
    if (existsSync(path) && readFileSync(path).equals(data)) return;
    mkdirSync(dirname(path), { recursive: true });
    const part = `${path}.${process.pid}.part`;
    const file = openSync(part, 'w');
    writeSync(file, data);
    fsyncSync(file);
    closeSync(file);
    renameSync(part, path);
  }
}
