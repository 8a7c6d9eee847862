import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { refusals } from './refusal';
import { plainWords } from './schemas/quantities';

const modules: Record<string, Record<string, unknown>> = import.meta.glob(
	['./schemas/*.ts', '../supports/*/*.server.ts', './stored.ts', './supportKind.ts'],
	{ eager: true }
);
const sources: Record<string, string> = import.meta.glob(['./schemas/*.ts', '../supports/*/*.server.ts'], {
	eager: true,
	query: '?raw',
	import: 'default'
});

/** Schemas among what a module exports, those within plain objects too: a kind carries its own in its contract. */
function schemasIn(value: unknown, deep = 4): Joi.Schema[] {
	if (Joi.isSchema(value)) return [value];
	if (typeof value !== 'object' || value === null || deep === 0) return [];
	return Object.values(value).flatMap((each) => schemasIn(each, deep - 1));
}
const schemas = Object.values(modules).flatMap((module) => schemasIn(module));

interface Described {
	readonly type?: string;
	readonly flags?: { readonly only?: boolean; readonly presence?: string };
	readonly rules?: readonly { readonly name: string; readonly args?: { readonly options?: unknown } }[];
	readonly [key: string]: unknown;
}
/** What Joi says, by its code, of a value that a schema of a type refuses before any of its rules. */
const ofType: Readonly<Record<string, readonly string[]>> = {
	any: [],
	alternatives: [],
	boolean: ['boolean.base'],
	number: ['number.base', 'number.infinity', 'number.unsafe'],
	string: ['string.base', 'string.empty'],
	array: ['array.base'],
	object: ['object.base', 'object.unknown']
};
/** What a rule says under another name than `type.rule`. */
const ofRule: Readonly<Record<string, readonly string[]>> = {
	'string.pattern': ['string.pattern.base'],
	// An empty string is refused before its length is counted.
	'string.min': ['string.empty'],
	'array.items': [],
	'array.ordered': [],
	'object.keys': []
};

/** Every code that a schema can answer with, its own customs apart, whose codes stand in the source. */
function codesOf(node: unknown, codes = new Set<string>(), unknownTypes = new Set<string>()) {
	if (typeof node !== 'object' || node === null) return { codes, unknownTypes };
	const { type, flags, rules } = node as Described;
	if (typeof type === 'string' && ('flags' in node || 'rules' in node || 'keys' in node || type in ofType)) {
		if (!(type in ofType)) unknownTypes.add(type);
		ofType[type]?.forEach((code) => codes.add(code));
		if (flags?.only === true) codes.add('any.only');
		if (flags?.presence === 'required') codes.add('any.required');
		if (flags?.presence === 'forbidden') codes.add('any.unknown');
		for (const { name } of Array.isArray(rules) ? (rules as { name: string }[]) : []) {
			if (name === 'custom') continue;
			const code = type === 'string' && name === 'guid' ? 'string.guid' : `${type}.${name}`;
			(ofRule[code] ?? [code]).forEach((each) => codes.add(each));
		}
	}
	Object.values(node).forEach((each) => codesOf(each, codes, unknownTypes));
	return { codes, unknownTypes };
}

describe('words for what is wrong', () => {
	const { codes, unknownTypes } = codesOf(schemas.map((schema) => schema.describe()));
	const customs = Object.values(sources).flatMap((source) =>
		[...source.matchAll(/\b(?:error|helpers\.error)\('([\w.]+)'/g)].map(([, code]) => code!)
	);

	it('are looked for in every schema there is', () => {
		expect(schemas.length).toBeGreaterThan(30);
		expect(codes).toContain('number.max');
		expect(customs).toContain('range.order');
		expect([...unknownTypes]).toEqual([]);
	});
	it('are there for every answer a schema can give, with no word of the library’s own', () => {
		const own = new Set(
			Object.values(sources).flatMap((source) => [...source.matchAll(/'(\w+\.\w+)': '/g)].map(([, code]) => code!))
		);
		expect([...codes, ...customs].filter((code) => !(code in plainWords) && !own.has(code))).toEqual([]);
	});
	it('say a whole thing in plain words for every code the server refuses with', () => {
		for (const [code, [status, message]] of Object.entries(refusals)) {
			expect(message, code).toMatch(/^[A-Z].*\.$/);
			expect(status, code).toBeGreaterThanOrEqual(400);
			// A page tries again only after what is on our side or away.
			expect(status >= 500, code).toBe(['databaseAway', 'databaseFull', 'busy'].includes(code) || code === 'internal');
		}
	});
});
