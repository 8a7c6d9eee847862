/** Sleds by the pattern they are built from, with what the crew logged on them. */
export const sleds = [
	{
		name: 'Light sled',
		pattern: 'light',
		balances: [
			{
				person: 'Joss Averley',
				payload: 'Compact body, 35 prime, monitor',
				daysAgo: 16,
				dropTimeS: 2.5,
				shots: ['longWalks', 'pans'],
				/** Left so much off what the slip said, as a hand leaves it. */
				missedM: { fineForeM: 0.0002, gimbalM: -0.0003 },
				note: 'Saltmarsh Road Chapel, procession along the aisle. Monitor tipped back for walking.'
			}
		],
		entries: []
	},
	{
		name: 'Heavy sled',
		pattern: 'heavy',
		balances: [
			{
				person: 'Pia Tolland',
				payload: 'Cine build, 25–120',
				daysAgo: 3,
				dropTimeS: 2.4,
				shots: ['pans', 'stairs'],
				missedM: { fineForeM: -0.0002, gimbalM: 0.0002 },
				note: 'Tidewater Hall, fencing final. Matte box on, two filters. Piste side.'
			}
		],
		entries: [
			{ person: 'Pia Tolland', daysAgo: 3.2, kind: 'socket', inOut: 7, side: 5, drift: 'away', note: 'Vest fresh on.' },
			{ person: 'Pia Tolland', daysAgo: 3.18, kind: 'socket', inOut: 9, side: 5, drift: 'right', note: '' },
			{
				person: 'Pia Tolland',
				daysAgo: 3.15,
				kind: 'socket',
				inOut: 9,
				side: 6,
				drift: 'stays',
				note: 'Kept for the final.'
			},
			{ person: 'Pia Tolland', daysAgo: 3.1, kind: 'vest', minutes: 18, loadKg: 20.4, note: 'First bouts.' },
			{ person: 'Pia Tolland', daysAgo: 3.06, kind: 'vest', minutes: 26, loadKg: 20.4, note: 'Semi-finals.' }
		]
	}
] as const;
