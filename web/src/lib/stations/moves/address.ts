/** Where a move, or one of its sheets, is found. */
export const movePath = (id: string, sheet = ''): string => `/moves/${id}${sheet === '' ? '' : `/${sheet}`}`;

/** The sheets of a move, in the order of work. */
const sheets = [
	['', 'Move'],
	['rail', 'Rail'],
	['bar', 'Pan bar'],
	['tables', 'Tables'],
	['focus', 'Focus'],
	['backwards', 'Backwards']
] as const;

export const moveLinks = (id: string, has: { readonly rail: boolean }) =>
	sheets
		.filter(([path]) => has.rail || (path !== 'rail' && path !== 'bar'))
		.map(([path, words]) => ({ href: movePath(id, path), words }));
