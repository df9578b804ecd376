import type { Response } from 'express';

/** Who asks, by name; empty where nobody has to say, as on one machine. */
export const whoOf = (res: Response): string => (res.locals['who'] as string | undefined) ?? '';
