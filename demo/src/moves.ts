/**
 * One move in each venue: a slider that holds a weaver's hands, a crane over a fencing final, a head under a chapel's ceiling.
 * Metres on the venue's plan, degrees, seconds; knots as what carries the head and, where it does not hold its subject, where it looks.
 */
export const heads = [
	{ name: 'Table-top motor head', pattern: 'table' },
	{ name: 'Crane’s remote head', pattern: 'large' },
	{ name: 'Chapel head, north', pattern: 'small' }
] as const;

export const moves = [
	{
		person: 'Joss Averley',
		name: 'North wall to lectern',
		job: 'Weekly service',
		venue: 'Saltmarsh Road Chapel',
		pattern: 'ceiling',
		head: 'Chapel head, north',
		atM: [8.5, 4.5, 3.4],
		headingDeg: 0,
		subject: { name: 'lectern', atM: [15.4, 4.4, 1.5], tallM: 1.7 },
		focalMm: 50,
		knots: [
			{ name: 'window', tS: 0, dwellS: 2, values: {}, lookM: [17, 8.2, 3.6] },
			{ name: 'lectern', tS: 9, dwellS: 3, values: {}, lookM: [15.4, 4.4, 1.5] }
		]
	},
	{
		person: 'Pia Tolland',
		name: 'Salute, low to high',
		job: 'Regional final',
		venue: 'Tidewater Hall',
		pattern: 'crane',
		head: 'Crane’s remote head',
		givesM: 0.04,
		atM: [8.4, 3.6, 1.5],
		headingDeg: 45,
		subject: { name: 'fencers', atM: [13, 8, 1.7], tallM: 1.75 },
		focalMm: 35,
		knots: [
			{ name: 'low left', tS: 0, dwellS: 0, values: { swing: 50, boom: -4 } },
			{ name: 'over the piste', tS: 6, dwellS: 0, values: { swing: 22, boom: 16 } },
			{ name: 'salute', tS: 10, dwellS: 3, values: { swing: -6, boom: 10 } },
			{ name: 'high right', tS: 19, dwellS: 0, values: { swing: -38, boom: 24 } }
		]
	},
	{
		person: 'Maren Olt',
		name: 'Hold the hands',
		job: 'Loom film',
		venue: 'Kettle & Loom',
		pattern: 'slider',
		head: 'Table-top motor head',
		givesM: 0.006,
		lensM: [0.06, 0, 0.045],
		atM: [2.3, 1.3, 1.15],
		headingDeg: 0,
		subject: { name: 'weaver’s hands', atM: [2.95, 2.72, 1.02], tallM: 0.12 },
		focalMm: 50,
		knots: [
			{ name: 'start', tS: 0, dwellS: 0, values: { track: 0.1 } },
			{ name: 'hands', tS: 4.2, dwellS: 0, values: { track: 0.6 } },
			{ name: 'end', tS: 9, dwellS: 1, values: { track: 1.1 } }
		]
	}
] as const;

/** Runs of them as they were logged. */
export const moveRuns = [
	{
		move: 'Hold the hands',
		person: 'Maren Olt',
		daysAgo: 3,
		seen: 'asPlanned',
		note: 'Third pass kept. Loom stopped between passes.'
	},
	{
		move: 'Salute, low to high',
		person: 'Pia Tolland',
		daysAgo: 1,
		seen: 'nearer',
		note: 'Banner at the truss hangs lower than drawn.'
	}
] as const;
