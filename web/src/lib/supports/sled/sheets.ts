/** The sheets of one payload on one sled. */
export const sledSheets = (sledId: string, payloadId: string) => {
	const at = `/balance/sled/${sledId}/${payloadId}`;
	return [
		{ href: at, words: 'Bench' },
		{ href: `${at}/guide`, words: 'Guide' },
		{ href: `${at}/drop`, words: 'Drop' },
		{ href: `${at}/spin`, words: 'Spin' },
		{ href: `${at}/reach`, words: 'Reach' },
		{ href: `${at}/trim`, words: 'Trim' },
		{ href: `${at}/arm`, words: 'Arm and vest' },
		{ href: `${at}/swap`, words: 'Swap' },
		{ href: `/sleds/${sledId}`, words: 'Sled' }
	];
};
