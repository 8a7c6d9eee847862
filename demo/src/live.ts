/**
 * The chapel's heads at the desk: four heads and a small jib with its head. Metres on the venue's plan, degrees; poses by what they
 * look at, or by how an arm stands.
 */
export const liveHeads = [
	{
		box: 'h-201',
		pattern: 'rail',
		name: 'Gallery rail',
		stands: 'rail',
		atM: [0.9, 3.3, 3.1],
		headingDeg: 90,
		looksDeg: 0,
		hold: 'watched',
		poses: [
			{ name: 'rail left', lookM: [15.4, 4.4, 1.5], track: 0.2 },
			{ name: 'rail right', lookM: [15.4, 4.4, 1.5], track: 2.2 }
		],
		programme: { name: 'rail end to end', poses: ['rail left', 'rail right'], restS: 1.5, wantedS: 9 }
	},
	{
		box: 'h-202',
		pattern: 'small',
		name: 'Left column',
		stands: 'wall',
		atM: [7.6, 8.6, 2.4],
		headingDeg: -40,
		looksDeg: -40,
		hold: 'held',
		poses: [
			{ name: 'pulpit', lookM: [14.6, 7.2, 2.2] },
			{ name: 'lectern', lookM: [15.4, 4.4, 1.5] },
			{ name: 'table', lookM: [16.6, 4.5, 1.1] },
			{ name: 'aisle', lookM: [7, 4.5, 1.2] }
		]
	},
	{
		box: 'h-203',
		pattern: 'small',
		name: 'Choir stand',
		stands: 'stand',
		atM: [12.6, 1, 1.6],
		lensM: [0.06, 0, 0.07],
		headingDeg: 60,
		looksDeg: 60,
		hold: 'held',
		poses: [
			{ name: 'organ', lookM: [17, 8.2, 3.6] },
			{ name: 'lectern, right', lookM: [15.4, 4.4, 1.5] }
		]
	},
	{
		box: 'h-204',
		pattern: 'rolling',
		name: 'North ceiling',
		stands: 'ceiling',
		atM: [8.5, 4.5, 3.4],
		headingDeg: 0,
		looksDeg: 0,
		hold: 'held',
		poses: [
			{ name: 'window', lookM: [17, 8.2, 3.6] },
			{ name: 'table, high', lookM: [16.6, 4.5, 1.1] }
		]
	},
	{
		box: 'h-205',
		pattern: 'jib',
		name: 'Jib nose',
		stands: 'arm',
		atM: [13.2, 2.2, 1.3],
		headingDeg: 80,
		looksDeg: 80,
		hold: 'held',
		poses: [
			{ name: 'wide high', lookM: [15.4, 4.4, 1.5], swing: 20, boom: 22 },
			{ name: 'low, table', lookM: [16.6, 4.5, 1.1], swing: -25, boom: -6 }
		]
	}
] as const;
