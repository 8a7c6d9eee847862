/** The sheets of one payload on one rig. */
export const benchSheets = (rigId: string, payloadId: string) => {
	const at = `/balance/${rigId}/${payloadId}`;
	return [
		{ href: at, words: 'Bench' },
		{ href: `${at}/guide`, words: 'Guide' },
		{ href: `${at}/fit`, words: 'Fit' },
		{ href: `${at}/poses`, words: 'Poses' },
		{ href: `/rigs/${rigId}/horizon`, words: 'Horizon' },
		{ href: `/rigs/${rigId}`, words: 'Rig' },
		{ href: '/learn', words: 'What it learned' }
	];
};
