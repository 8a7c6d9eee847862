import type { Quantity } from '$lib/sheet/units/display';
import type { Move } from './model';

/** A figure of a move: where it is typed, how far it goes, and what the move is with another. */
export interface MoveField {
	readonly id: string;
	readonly label: string;
	readonly value: number;
	readonly quantity: Quantity;
	readonly check: (value: number) => string | null;
	readonly put: (value: number) => Move;
	/** Printed in this unit whatever a person likes. */
	readonly printed?: boolean;
}
