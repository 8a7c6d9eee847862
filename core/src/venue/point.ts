export type Point = readonly [x: number, y: number];
