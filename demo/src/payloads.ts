/**
 * Payloads by the names of their parts; those with a `family` are variants of one build; a `group` moves together.
 * `positionM` is the middle of the part's foot from the middle of the plate's top.
 */
interface DemoPayload {
	readonly name: string;
	readonly plate: string;
	readonly family?: string;
	readonly placements: readonly {
		readonly part: string;
		readonly positionM: readonly [number, number, number];
		readonly group?: string;
		readonly extended?: number;
		readonly arm?: {
			readonly lengthM: number;
			readonly aboutUpRad: number;
			readonly riseRad: number;
			readonly massKg: number;
		};
	}[];
}

export const payloads: readonly DemoPayload[] = [
	{
		name: 'Compact body, wide zoom',
		family: 'compact',
		plate: 'Short plate',
		placements: [
			{ part: 'Compact body', positionM: [-0.022, 0.002, 0] },
			{ part: 'Wide zoom 16–35', positionM: [0.071, 0.002, 0.008] }
		]
	},
	{
		name: 'Compact body, 35 prime, monitor',
		family: 'compact',
		plate: 'Short plate',
		placements: [
			{ part: 'Compact body', positionM: [-0.016, 0.002, 0] },
			{ part: '35 mm prime', positionM: [0.064, 0.002, 0.012] },
			{ part: 'Small monitor', positionM: [-0.024, 0.006, 0.1] },
			{ part: 'Side microphone', positionM: [0.006, -0.082, 0.052] }
		]
	},
	{
		name: 'Compact body, tele zoom',
		family: 'compact',
		plate: 'Long plate',
		placements: [
			{ part: 'Compact body', positionM: [-0.012, 0.002, 0] },
			{ part: 'Tele zoom 70–200', positionM: [0.127, 0.002, 0.005] }
		]
	},
	{
		name: 'Cine build, 25–120',
		plate: 'Cine plate',
		placements: [
			{ part: 'Cine body', positionM: [-0.06, 0, 0.022] },
			{ part: 'Cine zoom 25–120', positionM: [0.2, 0, 0.041], group: 'lens' },
			{ part: 'Rod support', positionM: [0.14, 0, 0] },
			{ part: 'Matte box', positionM: [0.372, 0, 0.03], group: 'lens' },
			{ part: 'Focus motor', positionM: [0.15, -0.092, 0.078], group: 'lens' },
			{ part: 'Block battery', positionM: [-0.212, 0, 0.024] },
			{ part: 'Seven-inch monitor', positionM: [-0.03, 0.05, 0.184] }
		]
	},
	{
		name: 'Compact body, 35 prime, screen out',
		family: 'compact',
		plate: 'Short plate',
		placements: [
			{ part: 'Compact body', positionM: [-0.016, 0.002, 0] },
			{ part: '35 mm prime', positionM: [0.064, 0.002, 0.012] },
			{
				part: 'Small monitor',
				positionM: [-0.024, 0.066, 0.06],
				arm: { lengthM: 0.08, aboutUpRad: 1.9, riseRad: 0.5, massKg: 0.045 }
			}
		]
	}
];
