import type { Vec3 } from '@poise/core';
import type { SledDraft, SledGeometry, SledItem, Travel } from './model';

/** A generic sled to start from; every figure is then the crew's to change. */
export interface SledPattern {
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly payloadKg: Travel;
	readonly geometry: SledGeometry;
}

const item = (
	id: string,
	label: string,
	kind: SledItem['kind'],
	massKg: number,
	sizeM: Vec3,
	atM: Vec3,
	travels: Partial<Pick<SledItem, 'foreM' | 'sideM' | 'upM' | 'pair' | 'swingM' | 'tilts'>> = {}
): SledItem => ({ id, label, kind, massKg, sizeM, atM, foreM: null, sideM: null, upM: null, ...travels });

const light: SledGeometry = {
	pattern: 'light',
	sections: [
		{ id: 'lower', label: 'Lower tube', massKg: 0.16, lengthM: 0.3, radiusM: 0.015 },
		{ id: 'upper', label: 'Upper tube', massKg: 0.13, lengthM: 0.22, radiusM: 0.0125 }
	],
	pullOutM: 0.12,
	stage: {
		massKg: 0.26,
		plateKg: 0.11,
		sizeM: [0.16, 0.09, 0.036],
		coarseForeM: [-0.04, 0.04],
		fineForeM: [-0.01, 0.01],
		fineSideM: [-0.012, 0.012],
		foreMPerTurn: 0.001,
		sideMPerTurn: 0.001
	},
	gimbalM: [0.22, 0.49],
	dockM: 0.34,
	items: [
		item('monitor', 'Monitor', 'monitor', 0.26, [0.03, 0.15, 0.1], [0.12, 0, 0.07], {
			foreM: [-0.04, 0.06],
			upM: [-0.03, 0.08],
			tilts: true
		}),
		item('battery', 'Battery', 'battery', 0.36, [0.045, 0.07, 0.1], [-0.1, 0, 0.015], {
			foreM: [-0.05, 0.06],
			sideM: [-0.015, 0.015]
		}),
		item('ballast', 'Foot weights', 'accessory', 0.2, [0.05, 0.05, 0.02], [0, 0, -0.012], {
			foreM: [-0.03, 0.03],
			sideM: [-0.02, 0.02]
		})
	],
	places: [
		{ id: 'rear', label: 'the rear end of the base', atM: [-0.15, 0, 0.01], mostKg: 0.3 },
		{ id: 'front', label: 'the monitor’s foot', atM: [0.11, 0, 0.01], mostKg: 0.3 }
	],
	arm: {
		rangeKg: [1.5, 5.5],
		gimbalKg: 0.35,
		unit: 'turns',
		sections: [
			{
				id: 'single',
				label: 'Spring section',
				beyondKg: 0.3,
				points: [
					{ loadKg: 2.2, setting: 3 },
					{ loadKg: 4.4, setting: 11 }
				]
			}
		],
		threads: [0, 12]
	}
};

const medium: SledGeometry = {
	pattern: 'medium',
	sections: [
		{ id: 'lower', label: 'Lower post', massKg: 0.42, lengthM: 0.44, radiusM: 0.02 },
		{ id: 'upper', label: 'Upper post', massKg: 0.3, lengthM: 0.3, radiusM: 0.018 }
	],
	pullOutM: 0.18,
	stage: {
		massKg: 0.7,
		plateKg: 0.28,
		sizeM: [0.24, 0.13, 0.05],
		coarseForeM: [-0.06, 0.06],
		fineForeM: [-0.015, 0.015],
		fineSideM: [-0.018, 0.018],
		foreMPerTurn: 0.00125,
		sideMPerTurn: 0.001
	},
	gimbalM: [0.3, 0.7],
	dockM: 0.52,
	items: [
		item('monitor', 'Monitor', 'monitor', 0.85, [0.05, 0.2, 0.13], [0.18, 0, 0.1], {
			foreM: [-0.05, 0.08],
			upM: [-0.05, 0.12],
			tilts: true
		}),
		item('battery', 'Battery', 'battery', 1.1, [0.06, 0.1, 0.14], [-0.15, 0, 0.03], {
			foreM: [-0.08, 0.08],
			sideM: [-0.03, 0.03]
		}),
		item('electronics', 'Junction box', 'electronics', 0.55, [0.1, 0.08, 0.06], [-0.02, 0, -0.01]),
		item('cable', 'Monitor cable', 'cable', 0.08, [0.02, 0.02, 0.3], [0.05, 0.02, 0.2])
	],
	places: [
		{ id: 'rear', label: 'behind the battery', atM: [-0.21, 0, 0.02], mostKg: 0.6 },
		{ id: 'front', label: 'the monitor’s bracket', atM: [0.2, 0, 0.03], mostKg: 0.6 }
	],
	arm: {
		rangeKg: [5, 14],
		gimbalKg: 0.8,
		unit: 'turns',
		sections: [
			{
				id: 'upper',
				label: 'Section at the sled',
				beyondKg: 0.3,
				points: [
					{ loadKg: 7, setting: 5 },
					{ loadKg: 11, setting: 13 }
				]
			},
			{
				id: 'lower',
				label: 'Section at the vest',
				beyondKg: 1.5,
				points: [
					{ loadKg: 7, setting: 6.5 },
					{ loadKg: 11, setting: 15 }
				]
			}
		],
		threads: [0, 16]
	}
};

const heavy: SledGeometry = {
	pattern: 'heavy',
	sections: [
		{ id: 'lower', label: 'Lower post', massKg: 0.62, lengthM: 0.48, radiusM: 0.025 },
		{ id: 'upper', label: 'Upper post', massKg: 0.48, lengthM: 0.37, radiusM: 0.022 }
	],
	pullOutM: 0.25,
	stage: {
		massKg: 1.15,
		plateKg: 0.45,
		sizeM: [0.3, 0.16, 0.06],
		coarseForeM: [-0.09, 0.09],
		fineForeM: [-0.02, 0.02],
		fineSideM: [-0.022, 0.022],
		foreMPerTurn: 0.0015,
		sideMPerTurn: 0.00125
	},
	gimbalM: [0.36, 0.82],
	dockM: 0.6,
	items: [
		item('monitor', 'Monitor', 'monitor', 1.35, [0.055, 0.23, 0.16], [0.21, 0, 0.09], {
			foreM: [-0.06, 0.09],
			upM: [-0.06, 0.14],
			tilts: true
		}),
		item('batteries', 'Side batteries', 'battery', 1.25, [0.07, 0.1, 0.15], [-0.2, 0.075, 0.02], {
			foreM: [0, 0.16],
			pair: true,
			swingM: 0.2
		}),
		item('rearBattery', 'Rear battery', 'battery', 1.25, [0.07, 0.1, 0.15], [-0.15, 0, -0.02], {
			foreM: [-0.08, 0.1],
			sideM: [-0.04, 0.04]
		}),
		item('electronics', 'Junction box', 'electronics', 0.9, [0.12, 0.1, 0.07], [0.01, 0, -0.03]),
		item('receiver', 'Focus receiver', 'accessory', 0.25, [0.06, 0.03, 0.09], [0.02, -0.05, 0.42], {
			upM: [-0.2, 0.2]
		}),
		item('cable', 'Monitor cable', 'cable', 0.12, [0.02, 0.02, 0.34], [0.06, 0.03, 0.22])
	],
	places: [
		{ id: 'rear', label: 'behind the rear battery', atM: [-0.22, 0, -0.02], mostKg: 1 },
		{ id: 'front', label: 'the monitor’s bracket', atM: [0.24, 0, 0.02], mostKg: 1 }
	],
	arm: {
		rangeKg: [11, 26],
		gimbalKg: 1.1,
		unit: 'turns',
		sections: [
			{
				id: 'upper',
				label: 'Section at the sled',
				beyondKg: 0.4,
				points: [
					{ loadKg: 14, setting: 6 },
					{ loadKg: 22, setting: 18 }
				]
			},
			{
				id: 'lower',
				label: 'Section at the vest',
				beyondKg: 2.1,
				points: [
					{ loadKg: 14, setting: 8 },
					{ loadKg: 22, setting: 21 }
				]
			}
		],
		threads: [0, 20]
	}
};

export const sledPatterns: readonly SledPattern[] = [
	{
		id: 'light',
		name: 'Light sled',
		words: 'two tubes, one battery, foot weights',
		payloadKg: [0.5, 3],
		geometry: light
	},
	{
		id: 'medium',
		name: 'Medium sled',
		words: 'two-part post, battery on a slide',
		payloadKg: [2, 8],
		geometry: medium
	},
	{
		id: 'heavy',
		name: 'Heavy sled',
		words: 'two-part post, swing-arm pair and rear battery',
		payloadKg: [5, 16],
		geometry: heavy
	}
];

export const sledFromPattern = ({ payloadKg, geometry }: SledPattern, name: string): SledDraft => ({
	name,
	leastPayloadKg: payloadKg[0],
	greatestPayloadKg: payloadKg[1],
	geometry
});
