/** The shelf. Masses in kg, lengths in m along x (forward), y (left), z (up). Gear is called by what it is. */
export const parts = [
	{
		name: 'Compact body',
		kind: 'camera',
		massKg: 0.66,
		shape: { sizeM: [0.078, 0.131, 0.096], cgFromMiddleM: [0.004, -0.006, -0.006], extensionM: 0 }
	},
	{
		name: '35 mm prime',
		kind: 'lens',
		massKg: 0.37,
		shape: { sizeM: [0.082, 0.072, 0.072], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Wide zoom 16–35',
		kind: 'lens',
		massKg: 0.545,
		shape: { sizeM: [0.108, 0.08, 0.08], cgFromMiddleM: [-0.006, 0, 0], extensionM: 0.009 }
	},
	{
		name: 'Tele zoom 70–200',
		kind: 'lens',
		massKg: 1.045,
		shape: { sizeM: [0.2, 0.086, 0.086], cgFromMiddleM: [-0.004, 0, -0.002], extensionM: 0.028 }
	},
	{
		name: 'Side microphone',
		kind: 'microphone',
		massKg: 0.095,
		shape: { sizeM: [0.16, 0.026, 0.032], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Small monitor',
		kind: 'monitor',
		massKg: 0.21,
		shape: { sizeM: [0.024, 0.145, 0.09], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Short plate',
		kind: 'plate',
		massKg: 0.082,
		shape: { sizeM: [0.09, 0.046, 0.009], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Long plate',
		kind: 'plate',
		massKg: 0.148,
		shape: { sizeM: [0.18, 0.046, 0.011], cgFromMiddleM: null, extensionM: 0, holePitchM: 0.012 }
	},
	{
		name: 'Plate weight',
		kind: 'weight',
		massKg: 0.1,
		shape: { sizeM: [0.03, 0.046, 0.012], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Cine body',
		kind: 'camera',
		massKg: 3.35,
		shape: { sizeM: [0.235, 0.148, 0.152], cgFromMiddleM: [0.008, 0.004, -0.008], extensionM: 0 }
	},
	{
		name: 'Cine zoom 25–120',
		kind: 'lens',
		massKg: 2.7,
		shape: { sizeM: [0.285, 0.114, 0.114], cgFromMiddleM: [-0.018, 0, 0], extensionM: 0 }
	},
	{
		name: 'Block battery',
		kind: 'battery',
		massKg: 1.02,
		shape: { sizeM: [0.062, 0.098, 0.146], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Focus motor',
		kind: 'motor',
		massKg: 0.185,
		shape: { sizeM: [0.084, 0.04, 0.04], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Seven-inch monitor',
		kind: 'monitor',
		massKg: 0.56,
		shape: { sizeM: [0.034, 0.188, 0.122], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Matte box',
		kind: 'matte box',
		massKg: 0.47,
		shape: { sizeM: [0.082, 0.166, 0.138], cgFromMiddleM: [-0.012, 0, 0], extensionM: 0 }
	},
	{
		name: 'Rod support',
		kind: 'support',
		massKg: 0.38,
		shape: { sizeM: [0.36, 0.08, 0.02], cgFromMiddleM: null, extensionM: 0 }
	},
	{
		name: 'Cine plate',
		kind: 'plate',
		massKg: 0.44,
		shape: { sizeM: [0.26, 0.07, 0.014], cgFromMiddleM: null, extensionM: 0 }
	}
];
