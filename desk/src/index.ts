export { attach, type Doors, livePath } from './attach';
export { Desk } from './desk';
export type { KnownHead } from './station';
