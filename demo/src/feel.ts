/** How the scenario's gimbals are worked, what was timed of them, and what was set for which shot. */
export const feel = {
	sheets: [
		{
			gimbal: 'Small single-handed gimbal',
			pattern: 'twoButtons',
			menu: { follow: 'pan speed', deadband: 'dead zone', smooth: 'smooth', stiffness: 'motor power' },
			runs: []
		},
		{
			gimbal: 'Large two-handed gimbal',
			pattern: 'touchScreen',
			menu: { follow: 'follow rate', deadband: 'window', smooth: 'ramp', stiffness: 'drive' },
			/** Timed by a thumb: own figure, seconds to half of the way and to rest, degrees short of a turn of 45°. */
			runs: [
				{
					person: 'Pia Tolland',
					daysAgo: 3,
					follow: 20,
					deadband: 10,
					smooth: 30,
					halfS: 0.81,
					endS: 3.86,
					shortDeg: 2.8
				},
				{
					person: 'Pia Tolland',
					daysAgo: 3,
					follow: 20,
					deadband: 10,
					smooth: 30,
					halfS: 0.76,
					endS: 3.97,
					shortDeg: 3.0
				},
				{
					person: 'Pia Tolland',
					daysAgo: 3,
					follow: 50,
					deadband: 10,
					smooth: 30,
					halfS: 0.43,
					endS: 1.98,
					shortDeg: 2.9
				},
				{
					person: 'Pia Tolland',
					daysAgo: 3,
					follow: 80,
					deadband: 10,
					smooth: 30,
					halfS: 0.26,
					endS: 0.99,
					shortDeg: 2.8
				},
				{
					person: 'Joss Averley',
					daysAgo: 3,
					follow: 80,
					deadband: 10,
					smooth: 30,
					halfS: 0.28,
					endS: 1.03,
					shortDeg: 3.1
				}
			]
		}
	],
	/** What was logged, oldest first; the settings are those of the pan axis. */
	recipes: [
		{
			person: 'Joss Averley',
			daysAgo: 9,
			gimbal: 'Small single-handed gimbal',
			payload: 'Compact body, 35 prime, monitor',
			shot: 'procession',
			mode: 'panFollows',
			focalMm: 35,
			pan: { follow: 38, deadband: 12, smooth: 42, stiffness: 55 },
			note: 'Saltmarsh Road Chapel, down the aisle and back.'
		},
		{
			person: 'Pia Tolland',
			daysAgo: 2,
			gimbal: 'Large two-handed gimbal',
			payload: 'Cine build, 25–120',
			shot: 'whipPan',
			mode: 'sport',
			focalMm: 40,
			pan: { follow: 88, deadband: 4, smooth: 12, stiffness: 80 },
			note: 'Tidewater Hall, from the piste to the scoreboard.'
		},
		{
			person: 'Joss Averley',
			daysAgo: 1,
			gimbal: 'Small single-handed gimbal',
			payload: 'Compact body, wide zoom',
			shot: 'walkBehind',
			mode: 'panFollows',
			focalMm: 24,
			pan: { follow: 42, deadband: 10, smooth: 18, stiffness: 60 },
			note: 'Kettle & Loom, following the weaver to the yarn store.'
		}
	],
	day: [
		{ words: 'The fencers walk in', shot: 'walkBehind' },
		{ words: 'Salute, then to the scoreboard', shot: 'whipPan', recipe: 1 },
		{ words: 'The winner with the cup', shot: 'interview' }
	]
} as const;
