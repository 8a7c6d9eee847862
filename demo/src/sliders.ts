/** The scenario's sliders: a pattern each, and what was logged on them. */
export const sliders = [
	{
		name: 'Table-top slider',
		pattern: 'middle',
		balances: [
			{
				person: 'Maren Olt',
				payload: 'Compact body, wide zoom',
				daysAgo: 5.2,
				note: 'Kettle & Loom, table-top. Two stands on the cutting table, level.'
			}
		]
	}
];
