/** The sheets of one payload on one crane. */
export const craneSheets = (craneId: string, payloadId: string) => {
	const at = `/balance/crane/${craneId}/${payloadId}`;
	return [
		{ href: at, words: 'Weights' },
		{ href: `${at}/order`, words: 'Loading' },
		{ href: `${at}/stand`, words: 'Stability' },
		{ href: `${at}/drift`, words: 'Drift' },
		{ href: `${at}/lengths`, words: 'Lengths' },
		{ href: `${at}/reach`, words: 'Reach' },
		{ href: `${at}/venue`, words: 'Venue' },
		{ href: `${at}/level`, words: 'Levelling' },
		{ href: `${at}/pass`, words: 'Head rate' },
		{ href: `${at}/swap`, words: 'Swap' },
		{ href: `/cranes/${craneId}`, words: 'Crane' }
	];
};
