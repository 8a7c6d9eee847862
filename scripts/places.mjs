import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The checkout, and the folder in it where everything lives that can be thrown away. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
export const state = join(root, '.poise');
/** Where a demo keeps its database, its heads' keys and its lock; elsewhere for one that runs beside another. */
export const kept = process.env.POISE_STATE ?? state;
