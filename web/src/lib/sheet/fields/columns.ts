import type { Limit } from '$lib/model/limits';
import { allowed } from '$lib/sheet/units/allowed';
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

/** The check of a column from the table of limits. */
export const figureWithin = (limit: Limit, quantity: Quantity) => {
	const check = allowed(limit, quantity);
	return (_row: unknown, value: number): string | null => check(value);
};
