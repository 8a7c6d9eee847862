import type { Vec3 } from '@poise/core';
import { headLimits, type Reach } from './head';
import type { LensAt } from './lensAt';
import { limit, type Limit } from './limits';

/** What a head at the desk stands on, and where: on the venue's plan, metres and radians. */
export const liveStands = ['stand', 'ceiling', 'wall', 'rail', 'arm'] as const;
export interface LivePlace {
	readonly stands: (typeof liveStands)[number];
	/** Where pan and tilt cross; of a rail its start, of an arm its pivot. */
	readonly atM: Vec3;
	/** Where pan 0 looks; of a rail where it runs, of an arm where swing 0 points. */
	readonly headingRad: number;
	/** Of a rail: where pan 0 looks. */
	readonly looksRad: number;
	readonly armM: number;
	/** How far it gives, as its figure says; none: a careful guess by its kind. */
	readonly givesM?: number | null;
}
/** Which way its cable winds up first. */
export const cableWays = ['either', 'left', 'right'] as const;

export interface SoftAxis {
	readonly range: Reach;
	readonly maxRate: number;
	readonly maxAccel: number;
}
/** Poses one after the other with rests, so often; null laps: until it is stopped. */
export interface Programme {
	readonly id: string;
	readonly name: string;
	readonly legs: readonly { readonly poseId: string; readonly restS: number; readonly wantedS: number | null }[];
	readonly laps: number | null;
}
export interface LiveSettings {
	readonly place: LivePlace;
	/** Moves only while held; or may run while a desk watches it. */
	readonly hold: 'held' | 'watched';
	/** Who has marked its zone, and said so; without one it does not run watched. */
	readonly zoneBy: string | null;
	/** Its soft ends and speeds, within its own; an axis that is not named has its own. */
	readonly soft: Readonly<Record<string, SoftAxis>>;
	readonly cable: (typeof cableWays)[number];
	readonly camera: {
		readonly focalM: Reach;
		readonly sensorWidthM: number;
		readonly sensorHeightM: number;
		/** None: taken to be where pan and tilt cross. */
		readonly lens?: LensAt | null;
	};
	readonly programmes: readonly Programme[];
}
export interface LiveHeadDraft {
	readonly name: string;
	readonly number: number;
	readonly venueId: string | null;
	readonly settings: LiveSettings;
}
export interface LiveHead extends LiveHeadDraft {
	readonly id: string;
	/** As printed on its box. */
	readonly boxId: string;
	readonly kind: string;
	readonly version: number;
}
export interface LivePose {
	readonly id: string;
	readonly headId: string;
	readonly name: string;
	readonly ordinal: number;
	readonly locked: boolean;
	readonly values: Readonly<Record<string, number>>;
	readonly version: number;
}

/** What a stand-in can be made to do, so that its bad days can be practised. */
export const standInLimits = {
	drift: limit(-1, 1, 'A head that drifts faster is moved by somebody.'),
	slowClock: limit(-0.1, 0.1, 'A clock that is a tenth off is broken.'),
	battery: limit(0, 1, 'A share of what is full.'),
	lateMs: limit(0, 2000, 'Two seconds late nobody steers.'),
	lossPart: limit(0, 1, 'A share of what was sent.'),
	burst: limit(1, 100, 'A hundred in a row are a link that is cut.')
} as const satisfies Readonly<Record<string, Limit>>;

/** How far a head's figures at the desk go, each with its reason. */
export const liveLimits = {
	number: limit(1, 99, 'A number is called across a hall: two figures.'),
	place: limit(-500, 500, 'A plan of a kilometre across is no plan of a venue.'),
	height: limit(-5, 200, 'Nothing in a venue is higher, and no pit deeper.'),
	heading: limit(-6.3, 6.3, 'Once round, either way.'),
	arm: limit(0.2, 30, 'No arm is longer than a house is high.'),
	turn: headLimits.turn,
	rate: headLimits.rate,
	accel: headLimits.accel,
	focal: limit(0.001, 2, 'Two metres of lens are a telescope.'),
	sensor: limit(0.0005, 0.2, 'No sensor is wider than a hand.'),
	rest: limit(0, 3600, 'An hour is a picture, not a rest.'),
	wanted: limit(0.1, 3600, 'A change that takes an hour is a time-lapse.'),
	laps: limit(1, 10_000, 'Ten thousand times there and back is a season.'),
	value: limit(-100, 100, 'No axis of a head goes further.')
} as const satisfies Readonly<Record<string, Limit>>;
/** How many of each. */
export const mostLive = { heads: 32, poses: 60, programmes: 20, legs: 40 } as const;
