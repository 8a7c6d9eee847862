/** A quick turn of the handle at one setting of the gimbal's own scale, timed with a thumb. */
export interface TimedTurn {
	/** What the gimbal's scale said, 0 to 100 or whatever it counts. */
	readonly setting: number;
	/** By how much the handle was turned at once; its sense says nothing. */
	readonly angleRad: number;
	/** From the turn until the camera had made half of its way. */
	readonly halfS: number;
	/** From the turn until it stood: within 2 % of the turn, for good. */
	readonly endS: number;
	/** How far short of the handle it stood. */
	readonly restShortRad: number;
	/** What its dead band was set to, counted from where there is none; absent: the same for all turns. */
	readonly deadbandFigure?: number;
}

export type ScaleLaw = 'linear' | 'log';
