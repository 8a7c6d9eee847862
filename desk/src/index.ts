export type { DeskVerb } from './allowed';
export { type Admitted, attach, type Doors, livePath } from './attach';
export { Desk } from './desk';
export type { KnownHead } from './station';
