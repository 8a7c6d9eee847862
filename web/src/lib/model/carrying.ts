import type { AxisFigures, Reach } from './head';

/** What a support of the shelf says of itself to whoever plans a move with it. */
export type Carrying =
	| {
			readonly kind: 'rail';
			/** How far it gives, as its own figure says; null: nobody has said. */
			readonly givesM: number | null;
			readonly lengthM: number;
			readonly travelM: Reach;
			readonly railKg: number;
			readonly carriageKg: number;
			readonly plateM: number;
			/** Of its motor; null: it is pushed by hand. */
			readonly drive: { readonly maxRate: number; readonly maxAccel: number } | null;
			readonly inclineRad: number;
			readonly hung: boolean;
			readonly reachM: number;
			readonly supportsM: readonly number[];
			readonly supportBearsN: number | null;
			readonly clampHoldsNm: number | null;
			readonly holdsN: number | null;
			readonly clampsDown: boolean;
	  }
	| {
			readonly kind: 'arm';
			readonly givesM: number | null;
			readonly armM: number;
			readonly tailM: number;
			readonly tubeM: number;
			readonly noseToCentreM: readonly [forward: number, up: number];
			readonly keptLevel: boolean;
			readonly hung: boolean;
			readonly pivotHeightM: number;
			readonly boomRange: Reach;
			/** Stops set at its bench; null: all the way round. */
			readonly swingStops: Reach | null;
			/** Where its bench has it in a venue. */
			readonly standing: {
				readonly venueId: string;
				readonly atM: readonly [number, number];
				readonly headingRad: number;
			} | null;
			readonly headPan: Pick<AxisFigures, 'maxRate' | 'maxAccel'>;
			readonly headTilt: Pick<AxisFigures, 'maxRate' | 'maxAccel'>;
	  };
