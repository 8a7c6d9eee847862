import equal from 'fast-deep-equal';

type Fields = Readonly<Record<string, unknown>>;
interface Entry {
	readonly id: string;
}

/** What two people made of one document, and how many of its figures each of them has the word on. */
export interface Merged<T> {
	readonly value: T;
	/** Only they changed it: it stands as they left it. */
	readonly theirs: number;
	/** Both changed it: it stands as the last word has it. */
	readonly over: number;
}
/** What somebody else changed while a document was changed here too. */
export interface ChangedMeanwhile {
	readonly by: string;
	readonly theirs: number;
	readonly over: number;
}

const isFields = (value: unknown): value is Fields =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
/** A list of things that are told apart by their ids. */
const isList = (value: unknown): value is readonly Entry[] =>
	Array.isArray(value) &&
	value.every((each) => isFields(each) && typeof each['id'] === 'string') &&
	new Set(value.map(({ id }: Entry) => id)).size === value.length;

/**
 * `wanted` as somebody who began with `begun` saves it over what `stands` there now: of every field that they changed, theirs; of every
 * other, what stands. Objects are merged field by field, lists of things with ids thing by thing; every other list is one field. Where both
 * changed the very same field, the last word has it.
 */
export function mergeFields<T>(begun: unknown, wanted: T, stands: T): Merged<T> {
	const [value, theirs, over] = merged(begun, wanted, stands);
	return { value: value as T, theirs, over };
}

type Outcome = readonly [value: unknown, theirs: number, over: number];
function merged(begun: unknown, wanted: unknown, stands: unknown): Outcome {
	if (equal(wanted, stands)) return [wanted, 0, 0];
	if (equal(begun, wanted)) return [stands, 1, 0];
	if (equal(begun, stands)) return [wanted, 0, 0];
	if (isFields(wanted) && isFields(stands)) return ofFields(isFields(begun) ? begun : {}, wanted, stands);
	if (isList(wanted) && isList(stands) && (isList(begun) || begun === undefined))
		return ofList(begun ?? [], wanted, stands);
	return [wanted, 0, 1];
}

function ofFields(begun: Fields, wanted: Fields, stands: Fields): Outcome {
	const own = (of: Fields, key: string) => (Object.hasOwn(of, key) ? of[key] : undefined);
	let [theirs, over] = [0, 0];
	const entries = [...new Set([...Object.keys(stands), ...Object.keys(wanted)])].flatMap((key) => {
		const [value, more, both] = merged(own(begun, key), own(wanted, key), own(stands, key));
		theirs += more;
		over += both;
		return value === undefined ? [] : [[key, value] as const];
	});
	return [Object.fromEntries(entries), theirs, over];
}

function ofList(begun: readonly Entry[], wanted: readonly Entry[], stands: readonly Entry[]): Outcome {
	const of = (list: readonly Entry[]) => new Map(list.map((each) => [each.id, each]));
	const [was, mine, there] = [of(begun), of(wanted), of(stands)];
	let [theirs, over] = [0, 0];
	const settled = new Map<string, unknown>();
	for (const id of new Set([...mine.keys(), ...there.keys()])) {
		const [value, more, both] = merged(was.get(id), mine.get(id), there.get(id));
		theirs += more;
		over += both;
		if (value !== undefined) settled.set(id, value);
	}
	// In the order that was asked for; what only they have comes after what it stands after with them.
	const order = wanted.map(({ id }) => id).filter((id) => settled.has(id));
	stands.forEach(({ id }, index) => {
		if (order.includes(id) || !settled.has(id)) return;
		const before = stands.slice(0, index).findLast((each) => order.includes(each.id));
		order.splice(before === undefined ? 0 : order.indexOf(before.id) + 1, 0, id);
	});
	return [order.map((id) => settled.get(id)), theirs, over];
}
