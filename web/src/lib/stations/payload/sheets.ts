/** The sheets of one payload, in the order of the work. */
export const payloadSheets = (payloadId: string, checksLeft: number | null = null) => [
	{ href: `/payload/${payloadId}`, words: 'Build' },
	{ href: `/payload/${payloadId}/measure`, words: 'Measure' },
	{ href: `/payload/${payloadId}/power`, words: 'Power' },
	{
		href: `/payload/${payloadId}/checklist`,
		words: 'Checklist',
		note: checksLeft === null || checksLeft === 0 ? null : `${checksLeft} open`
	},
	{ href: `/payload/${payloadId}/swap`, words: 'Swap sheet' }
];
