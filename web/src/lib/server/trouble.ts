/*
 * What the log says of a failure: what failed, where, by which code; never what somebody typed or the database holds. Messages of the database and
 * of JSON quote what they were given, so only those of the language itself are told.
 */
const told = new Set(['TypeError', 'RangeError', 'ReferenceError']);
const mostCauses = 4;
const mostLines = 6;

interface Named {
	readonly name?: unknown;
	readonly code?: unknown;
	readonly table?: unknown;
	readonly constraint?: unknown;
	readonly cause?: unknown;
}
const word = (value: unknown): string => (typeof value === 'string' && /^[\w.:-]{1,60}$/.test(value) ? value : '');

/** A failure in one or a few lines, without data. */
export function troubleWords(thrown: unknown): string {
	const lines: string[] = [];
	let each: unknown = thrown;
	for (let depth = 0; depth < mostCauses && typeof each === 'object' && each !== null; depth += 1) {
		const { name, code, table, constraint, cause } = each as Named;
		const kind = each instanceof Error ? each.constructor.name : 'something';
		const message = each instanceof Error && told.has(kind) ? `: ${each.message}` : '';
		const marks = [word(name) === kind ? '' : word(name), word(code), word(table), word(constraint)].filter(Boolean);
		lines.push(
			`${depth === 0 ? '' : 'because of '}${kind}${marks.length === 0 ? '' : ` (${marks.join(', ')})`}${message}`
		);
		if (depth === 0 && each instanceof Error)
			lines.push(
				...(each.stack ?? '')
					.split('\n')
					.filter((line) => /^\s+at /.test(line))
					.slice(0, mostLines)
			);
		each = cause;
	}
	return lines.length === 0 ? 'something that is no error was thrown' : lines.join('\n');
}
export const sayTrouble = (where: string, thrown: unknown): void => console.error(`${where}: ${troubleWords(thrown)}`);
