import type { CounterweightPlace, GimbalAxis, GimbalPart, RigSlide as CoreSlide, Vec3 } from '@poise/core';

/** One stroke of a rig's drawing, rig frame, every slide at 0. It moves with the rig part it belongs to. */
export type RigStroke =
	| { readonly kind: 'box'; readonly partId: string; readonly atM: Vec3; readonly sizeM: Vec3 }
	| { readonly kind: 'tube'; readonly partId: string; readonly pointsM: readonly Vec3[]; readonly widthM: number }
	| {
			readonly kind: 'motor';
			readonly partId: string;
			readonly atM: Vec3;
			readonly axis: 'x' | 'y' | 'z';
			readonly radiusM: number;
			readonly lengthM: number;
	  };

export interface RigAxis extends GimbalAxis {
	readonly label: string;
}

export interface RigPart extends GimbalPart {
	readonly label: string;
}

export interface RigSlide extends CoreSlide {
	readonly label: string;
	/** The way it goes, in the sequence: "tilt, fore-aft". */
	readonly purpose: string;
	/** What the slide's positive and negative ends are called: forward and back, up and down, left and right. */
	readonly plusWord: string;
	readonly minusWord: string;
}

export interface RigPlace extends CounterweightPlace {
	readonly label: string;
}

/** Everything about a gimbal that is always read whole. */
export interface RigGeometry {
	readonly axes: readonly RigAxis[];
	readonly parts: readonly RigPart[];
	readonly slides: readonly RigSlide[];
	readonly mountM: Vec3;
	readonly counterweightPlaces: readonly RigPlace[];
	readonly strokes: readonly RigStroke[];
}

export interface Rig {
	readonly id: string;
	readonly name: string;
	readonly leastPayloadKg: number;
	readonly greatestPayloadKg: number;
	readonly geometry: RigGeometry;
}

/** Positions of slides in metres from the rig as drawn, by slide id. */
export type Positions = Readonly<Record<string, number>>;
