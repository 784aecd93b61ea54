import { MACHINES as compression } from './compression/machines';
import type { Drawn } from './drawn';
import { MACHINES as extrusion } from './extrusion/machines';
import { MACHINES as injection } from './injection/machines';
import { MACHINES as vacuum } from './vacuum_forming/machines';

const ALL: Record<string, Drawn> = { ...compression, ...injection, ...extrusion, ...vacuum };

/** How a machine of a kind looks, with what is measured on it; null where nobody has drawn it. */
export const machineDrawn = (kind: string): Drawn | null => ALL[kind] ?? null;
