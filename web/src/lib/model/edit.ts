/** One spell of one person's work on a document: how it was left. */
export interface Edit {
	readonly id: string;
	readonly personName: string;
	readonly since: string;
	readonly at: string;
	/** The document as it was left. */
	readonly content: unknown;
}

/** A name in code as a person reads it, without its unit: "greatest payload" of `greatestPayloadKg`. */
export const inWords = (name: string): string =>
	name
		.replace(/(Kg|Nm|Rad|Deg|M|S|N)$/, '')
		.replace(/([a-z0-9])([A-Z])/g, '$1 $2')
		.toLowerCase();

type Fields = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Fields => typeof value === 'object' && value !== null;
/** What one entry of a list is called: its own name rather than its number. */
const called = (value: unknown, at: string): string => {
	const { label, name, text } = isObject(value) ? value : {};
	const own = [label, name, text].find((each) => typeof each === 'string' && each !== '');
	return (own as string | undefined) ?? (/^\d+$/.test(at) ? `no. ${Number(at) + 1}` : inWords(at));
};

const mostNamed = 6;

/** Where two versions of a document differ, named as deep as one field goes: "slides, plate, range". The first few. */
export function whatChanged(before: unknown, after: unknown): string[] {
	const found: string[] = [];
	function look(a: unknown, b: unknown, path: readonly string[]): void {
		if (found.length >= mostNamed || Object.is(a, b)) return;
		if (!isObject(a) || !isObject(b)) {
			found.push(path.join(', '));
			return;
		}
		// A list of plain figures is one thing to a person: a place, a range.
		if (Array.isArray(a) && Array.isArray(b) && ![...a, ...b].some(isObject)) {
			if (a.length !== b.length || a.some((each, index) => !Object.is(each, b[index]))) found.push(path.join(', '));
			return;
		}
		const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])].filter(
			(key) => key !== 'shape' || path.length > 0
		);
		for (const key of keys) look(a[key], b[key], [...path, called(b[key] ?? a[key], key)]);
	}
	look(before, after, []);
	return [...new Set(found)].filter((words) => words !== '');
}
