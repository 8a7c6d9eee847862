/** Where Feel, or one of its sheets, is found. */
export const feelPath = (supportId: string, payloadId: string, sheet = ''): string =>
	`/feel/${supportId}/${payloadId}${sheet === '' ? '' : `/${sheet}`}`;

/** The sheets of Feel, in the order of work. */
const sheets = [
	['', 'Response'],
	['which', 'Which mode'],
	['modes', 'Modes'],
	['scale', 'Scale'],
	['stiffness', 'Stiffness'],
	['stick', 'Stick'],
	['recipes', 'Recipes']
] as const;

export const feelLinks = (supportId: string, payloadId: string) =>
	sheets.map(([path, words]) => ({ href: feelPath(supportId, payloadId, path), words }));
