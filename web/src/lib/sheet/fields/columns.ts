import type { Quantity } from '$lib/sheet/units/display';

/** One column of a table that is written in: what a row holds there, and what to do with a new value. */
export type Column<Row> = { readonly head: string } & (
	| {
			readonly kind: 'name';
			readonly get: (row: Row) => string;
			/** A smaller line under the name. */
			readonly under?: (row: Row) => string;
	  }
	| {
			readonly kind: 'text';
			readonly label: (row: Row) => string;
			readonly get: (row: Row) => string;
			readonly set: (row: Row, value: string) => void;
			readonly most?: number;
			readonly narrow?: boolean;
	  }
	| {
			readonly kind: 'choice';
			readonly label: (row: Row) => string;
			readonly get: (row: Row) => string;
			readonly set: (row: Row, value: string) => void;
			readonly options: (row: Row) => readonly (readonly [value: string, words: string])[];
			readonly testId?: (row: Row) => string;
	  }
	| {
			readonly kind: 'figure';
			readonly label: (row: Row) => string;
			readonly quantity: Quantity;
			/** Null: there is nothing to write in this row. */
			readonly get: (row: Row) => number | null;
			readonly set: (row: Row, value: number) => void;
			readonly check?: (row: Row, value: number) => string | null;
			readonly testId?: (row: Row) => string;
	  }
	| {
			readonly kind: 'told';
			readonly get: (row: Row) => string;
			/** Something is wrong with it. */
			readonly bad?: (row: Row) => boolean;
	  }
);

/** Checks that many columns share. */
export const positive = (_row: unknown, value: number): string | null => (value > 0 ? null : 'More than 0.');
export const between =
	(least: number, greatest: number, words: string) =>
	(_row: unknown, value: number): string | null =>
		value >= least && value <= greatest ? null : words;
