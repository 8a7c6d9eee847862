/** The three ways a camera turns on its support. */
export const turningAxes = ['pan', 'tilt', 'roll'] as const;
export type TurningAxis = (typeof turningAxes)[number];

/** One motor's axis with a payload on it, as it is balanced today. */
export interface Turning {
	/** Of everything the axis carries. */
	readonly inertiaKgM2: number;
	/** In the worst pose, as computed from where the slides stand. */
	readonly residualNm: number;
	/** What its bearing forgives: a balance is not seen finer than that. */
	readonly frictionNm: number;
	/** Null: nobody knows. */
	readonly motorNm: number | null;
	readonly carriedKg: number;
}

/** Every axis that a support turns a payload about by motors. An axis that is not there is turned by the hand. */
export type Turnings = Readonly<Partial<Record<TurningAxis, Turning>>>;
