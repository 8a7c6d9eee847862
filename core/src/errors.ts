/**
 * Thrown when an input has no physical meaning: a negative mass, an empty list, a range upside down, a number that is
 * not finite. A question without a solution is not an error; its result says `feasible: false` instead.
 */
export class PhysicsInputError extends Error {
	override readonly name = 'PhysicsInputError';

	/**
	 * @param call the function that refused, e.g. `combineBodies`
	 * @param path the offending field, e.g. `bodies[2].massKg`
	 * @param rule what the field must be, e.g. `must be at least 0 kg`
	 * @param seen the value that was given
	 */
	constructor(
		readonly call: string,
		readonly path: string,
		readonly rule: string,
		readonly seen: unknown
	) {
		super(`${call}: ${path} ${rule}; got ${describe(seen)}`);
	}
}

function describe(value: unknown): string {
	if (typeof value === 'number' || value === undefined || value === null) return String(value);
	const text = JSON.stringify(value);
	return text === undefined ? typeof value : text.slice(0, 80);
}
