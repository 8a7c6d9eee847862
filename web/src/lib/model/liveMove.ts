import type { Vec3 } from '@poise/core';

/** What a move was planned on: a head that is to run it stands as that has it, or it is another way. */
export interface MoveStand {
	readonly kind: 'fixed' | 'rail' | 'arm' | 'walk';
	/** Where pan and tilt cross; of a rail at its start, of an arm its pivot. A walk stands nowhere. */
	readonly atM: Vec3 | null;
	readonly headingRad: number;
	readonly hung: boolean;
	/** Of an arm. */
	readonly armM: number | null;
}

/** A move as a head at the desk can run it: its keys, close enough together that a spline through them is the move. */
export interface LiveMove {
	readonly id: string;
	readonly name: string;
	readonly venueId: string | null;
	readonly durationS: number;
	readonly stand: MoveStand;
	readonly keys: readonly { readonly tS: number; readonly values: Readonly<Record<string, number>> }[];
	readonly knots: readonly {
		readonly id: string;
		readonly name: string;
		readonly atS: number;
		readonly values: Readonly<Record<string, number>>;
	}[];
}
