import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import * as core from './index';

interface Case {
	readonly name: string;
	readonly call: string;
	readonly input: unknown;
	readonly expected: unknown;
	readonly tolerance: Tolerance;
	readonly toleranceByField?: Readonly<Record<string, Tolerance>>;
}
interface Tolerance {
	readonly rel: number;
	readonly abs: number;
}

const folder = new URL('../vectors/', import.meta.url);
const files = readdirSync(folder).filter((name) => name.endsWith('.json'));

describe.each(files)('reference vectors %s', (file) => {
	const { cases } = JSON.parse(readFileSync(new URL(file, folder), 'utf8')) as { cases: Case[] };

	it.each(cases.map((each) => [each.call, each.name, each] as const))('%s: %s', (_call, _name, each) => {
		const call = (core as unknown as Record<string, (input: unknown) => unknown>)[each.call];
		expect(call, `an export named ${each.call}`).toBeTypeOf('function');
		expect(differences('', call!(each.input), each.expected, each.tolerance, each)).toEqual([]);
	});
});

/** Where `got` leaves the expected values; fields that are not expected are free. */
function differences(path: string, got: unknown, expected: unknown, tolerance: Tolerance, each: Case): string[] {
	if (typeof expected === 'number') {
		const allowed = Math.max(tolerance.abs, tolerance.rel * Math.abs(expected));
		const within = typeof got === 'number' && Math.abs(got - expected) <= allowed;
		return within ? [] : [`${path}: got ${String(got)}, expected ${expected} within ${allowed}`];
	}
	if (typeof expected !== 'object' || expected === null)
		return got === expected ? [] : [`${path}: got ${String(got)}, expected ${String(expected)}`];
	if (Array.isArray(expected) && (!Array.isArray(got) || got.length !== expected.length))
		return [`${path}: expected ${expected.length} entries`];
	return Object.entries(expected).flatMap(([key, value]) =>
		differences(
			`${path}.${key}`,
			(got as Record<string, unknown> | undefined)?.[key],
			value,
			each.toleranceByField?.[key] ?? tolerance,
			each
		)
	);
}
