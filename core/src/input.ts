import { PhysicsInputError } from './errors';
import type { Body, Inertia, Vec3 } from './mass/body';

/**
 * The checks at the door of a core function. Each names the call and the path, so that the person who typed the number
 * can be shown the field. Bind one per call with {@link checksFor}.
 */
export interface Checks {
	number(path: string, value: unknown): number;
	positive(path: string, value: unknown): number;
	atLeastZero(path: string, value: unknown): number;
	vector(path: string, value: unknown): Vec3;
	unitVector(path: string, value: unknown): Vec3;
	range(path: string, value: unknown): readonly [number, number];
	list<T>(path: string, value: readonly T[] | undefined): readonly T[];
	body(path: string, value: Body | undefined): Body;
	uniqueIds(path: string, items: readonly { readonly id: string }[]): void;
	fail(path: string, rule: string, seen: unknown): never;
}

/** A direction may be off unit length by rounding in a file, not by a mistake. */
const unitLengthSlack = 1e-6;

const inertiaFields = ['xx', 'yy', 'zz', 'xy', 'xz', 'yz'] as const satisfies readonly (keyof Inertia)[];

export function checksFor(call: string): Checks {
	const fail = (path: string, rule: string, seen: unknown): never => {
		throw new PhysicsInputError(call, path, rule, seen);
	};

	const number = (path: string, value: unknown): number =>
		typeof value === 'number' && Number.isFinite(value) ? value : fail(path, 'must be a finite number', value);

	const positive = (path: string, value: unknown): number =>
		number(path, value) > 0 ? (value as number) : fail(path, 'must be greater than 0', value);

	const atLeastZero = (path: string, value: unknown): number =>
		number(path, value) >= 0 ? (value as number) : fail(path, 'must be at least 0', value);

	const vector = (path: string, value: unknown): Vec3 => {
		if (!Array.isArray(value) || value.length !== 3) return fail(path, 'must be three numbers [x, y, z]', value);
		value.forEach((component, axis) => number(`${path}[${axis}]`, component));
		return value as unknown as Vec3;
	};

	const unitVector = (path: string, value: unknown): Vec3 => {
		const [x, y, z] = vector(path, value);
		const length = Math.hypot(x, y, z);
		if (Math.abs(length - 1) > unitLengthSlack) fail(path, 'must be a unit vector', value);
		return [x / length, y / length, z / length];
	};

	const range = (path: string, value: unknown): readonly [number, number] => {
		if (!Array.isArray(value) || value.length !== 2) return fail(path, 'must be two numbers [least, greatest]', value);
		const [least, greatest] = [number(`${path}[0]`, value[0]), number(`${path}[1]`, value[1])];
		return least <= greatest ? [least, greatest] : fail(path, 'must not have its least above its greatest', value);
	};

	const list = <T>(path: string, value: readonly T[] | undefined): readonly T[] =>
		Array.isArray(value) && value.length > 0 ? value : fail(path, 'must be a list with at least one entry', value);

	const body = (path: string, value: Body | undefined): Body => {
		if (typeof value !== 'object' || value === null) return fail(path, 'must be a body { massKg, cgM }', value);
		atLeastZero(`${path}.massKg`, value.massKg);
		vector(`${path}.cgM`, value.cgM);
		if (value.inertiaKgM2 !== undefined) {
			for (const field of inertiaFields) number(`${path}.inertiaKgM2.${field}`, value.inertiaKgM2[field]);
			for (const field of ['xx', 'yy', 'zz'] as const)
				atLeastZero(`${path}.inertiaKgM2.${field}`, value.inertiaKgM2[field]);
		}
		return value;
	};

	const uniqueIds = (path: string, items: readonly { readonly id: string }[]): void => {
		const seen = new Set<string>();
		items.forEach(({ id }, index) => {
			if (typeof id !== 'string' || id === '') fail(`${path}[${index}].id`, 'must be a name', id);
			if (seen.has(id)) fail(`${path}[${index}].id`, 'must be unique in its list', id);
			seen.add(id);
		});
	};

	return { number, positive, atLeastZero, vector, unitVector, range, list, body, uniqueIds, fail };
}
