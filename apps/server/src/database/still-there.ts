import { statSync } from 'node:fs';
import type { Db } from './open-database';

/** Whether the file that was opened is still the one under its name. */
export function stillThere(db: Db): () => boolean {
  if (db.memory) return () => true;
  const look = () => {
    const { ino, dev, size } = statSync(db.name);
    return size === 0 ? '' : `${dev}:${ino}`;
  };
  const opened = look();
  return () => {
    try {
      return look() === opened;
    } catch {
      return false;
    }
  };
}
