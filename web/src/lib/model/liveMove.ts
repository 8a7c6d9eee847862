/** A move as a head at the desk can run it: its keys, close enough together that a spline through them is the move. */
export interface LiveMove {
	readonly id: string;
	readonly name: string;
	readonly venueId: string | null;
	readonly durationS: number;
	readonly keys: readonly { readonly tS: number; readonly values: Readonly<Record<string, number>> }[];
	readonly knots: readonly {
		readonly id: string;
		readonly name: string;
		readonly atS: number;
		readonly values: Readonly<Record<string, number>>;
	}[];
}
