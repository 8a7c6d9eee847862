import type { SliderDraft, SliderGeometry } from './model';

export interface SliderPattern {
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly payloadKg: readonly [number, number];
	readonly geometry: SliderGeometry;
}

const rail = (lengthM: number, massKg: number, carriageKg: number, carriageM: number) => ({
	rail: { lengthM, massKg },
	carriage: {
		massKg: carriageKg,
		plateM: 0.06,
		travelM: [carriageM / 2, lengthM - carriageM / 2] as const,
		holdsN: null
	}
});

/** Generic sliders to start from. */
export const sliderPatterns: readonly SliderPattern[] = [
	{
		id: 'table',
		name: 'Table slider',
		words: '600 mm, by hand, on a table or one tripod',
		payloadKg: [0.3, 4],
		geometry: {
			pattern: 'table',
			...rail(0.6, 1.3, 0.45, 0.1),
			supportBearsN: 120,
			clampHoldsNm: 20,
			clampsDown: false
		}
	},
	{
		id: 'middle',
		name: 'Motor slider',
		words: '1200 mm, driven by a belt, on two stands',
		payloadKg: [0.5, 8],
		geometry: {
			pattern: 'middle',
			...rail(1.2, 3.4, 0.9, 0.16),
			carriage: {
				massKg: 0.9,
				plateM: 0.07,
				travelM: [0.08, 1.12],
				holdsN: 90,
				drive: { maxRate: 0.25, maxAccel: 0.4 }
			},
			supportBearsN: 250,
			clampHoldsNm: 45,
			clampsDown: false
		}
	},
	{
		id: 'long',
		name: 'Long rail on stands',
		words: '2400 mm of tube, the stands clamp it',
		payloadKg: [2, 25],
		geometry: {
			pattern: 'long',
			...rail(2.4, 11, 3.2, 0.3),
			supportBearsN: 800,
			clampHoldsNm: 180,
			clampsDown: true
		}
	}
];

export const sliderFromPattern = ({ payloadKg, geometry }: SliderPattern, name: string): SliderDraft => ({
	name,
	leastPayloadKg: payloadKg[0],
	greatestPayloadKg: payloadKg[1],
	geometry
});
