/** Cranes by the pattern they are built from, with what the crew logged on them. */
export const cranes = [
	{
		name: 'Hall crane',
		pattern: 'sectional',
		/** Sections left in the case. */
		without: ['fourth'],
		balances: [
			{
				person: 'Pia Tolland',
				payload: 'Cine build, 25–120',
				daysAgo: 3.4,
				noseBiasKg: 0.05,
				/** The trim was left so much off what the slip said. */
				missedTrimM: 0.004,
				note: 'Tidewater Hall, fencing final. Piste side, ballast on the dolly, arm fenced off.'
			}
		]
	},
	{
		name: 'Chapel jib',
		pattern: 'handBuilt',
		without: [],
		balances: [
			{
				person: 'Joss Averley',
				payload: 'Compact body, wide zoom',
				daysAgo: 9.2,
				noseBiasKg: 0.03,
				missedTrimM: -0.003,
				note: 'Saltmarsh Road Chapel, gallery rail. Feet on the boards, not on the carpet.'
			}
		]
	}
] as const;
