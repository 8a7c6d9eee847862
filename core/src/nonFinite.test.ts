import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import * as core from './index';
import { PhysicsInputError } from './index';

/*
 * A figure that is none must never come out as an answer, least of all as "all clear". Every export is called with every
 * number of its input in turn replaced by NaN and by both infinities: the models refuse by name, and the plain sums of
 * vectors and units hand on what is not finite. What the inputs are comes from the reference vectors, from the examples in
 * the docstrings, and for the few that have neither from here.
 */
type Call = (...given: readonly unknown[]) => unknown;
const exported = new Map<string, Call>(
	Object.entries(core).flatMap(([name, each]) =>
		typeof each === 'function' ? [[name, each as unknown as Call] as const] : []
	)
);

/** Sums and units: what goes in not finite comes out so, and nobody can take it for a figure. */
const unit =
	'(Celsius|Fahrenheit|Weight|Deg|Rad|G|Kg|Lb|Oz|M|Mm|Cm|Ft|In|N|Lbf|Nm|LbfFt|OzfIn|KgM2|LbIn2|M2|SqFt|MPerS|Mph)';
const handOn = new Set(
	[...exported.keys()].filter(
		(name) =>
			/^(add|dot|scale|subtract|turnVector|readingAt|positionAt|midTravel|mountPayload)$/.test(name) ||
			new RegExp(`^[a-z][A-Za-z0-9]*From${unit}$`).test(name)
	)
);
/** Not models: hidden truths and hands for the benches that test the models, and steps between two models' own values. */
const notDoors = new Set([
	'PhysicsInputError',
	'seededRandom',
	'randomBench',
	'randomSled',
	'simulateBench',
	'simulateSledBench',
	'withAlternative',
	'withShifts',
	'withZeros',
	'correctionOf',
	'sledLookMiss',
	// A law of one number, for inner loops: what is none comes out as none.
	'minimumJerk',
	'minimumJerkRate',
	// Machines of state and event: what such a figure does to them is tried with them (`live/`).
	'linkOf',
	'handOff',
	'holdStep',
	'headStep',
	'isStill',
	'restingHead',
	'deskHead',
	'deskHeadStep',
	'drivingSeen',
	'drivingStep',
	'intentOf',
	'sameIntent',
	'isHeldByHand',
	'narrowedAxes',
	'phaseOf',
	'standsAt',
	'station',
	'stationStep',
	'noWatch',
	'watchStep'
]);

/** A head asked for a speed that is none must rest, not fall over: what it may be asked, and that nothing of it comes out. */
const asksForRest: Readonly<Record<string, string>> = { stepHead: '#.command.' };

interface Sample {
	readonly call: string;
	readonly given: readonly unknown[];
}
const vectors = new URL('../vectors/', import.meta.url);
const fromVectors: Sample[] = readdirSync(vectors)
	.filter((name) => name.endsWith('.json'))
	.flatMap(
		(name) =>
			(JSON.parse(readFileSync(new URL(name, vectors), 'utf8')) as { cases: { call: string; input: unknown }[] }).cases
	)
	.map(({ call, input }) => ({ call, given: [input] }));

/** What the examples in the docstrings hand to each export. */
function fromExamples(): Sample[] {
	const root = new URL('.', import.meta.url);
	const samples: Sample[] = [];
	const heard = Object.entries(core).map(([call, real]) =>
		typeof real !== 'function'
			? real
			: (...given: readonly unknown[]) => {
					samples.push({ call, given });
					return (real as unknown as Call)(...given);
				}
	);
	for (const name of readdirSync(root, { recursive: true, encoding: 'utf8' })) {
		if (!name.endsWith('.ts') || name.endsWith('.test.ts')) continue;
		const source = readFileSync(new URL(name, root), 'utf8');
		for (const [, text] of source.matchAll(/@example([\s\S]*?)\*\/\s*export function \w+/g)) {
			const code = (text ?? '').replace(/^\s*\* ?/gm, '').replace(/; \/\/ .*$/gm, ';');
			new Function(...Object.keys(core), code)(...heard);
		}
	}
	return samples;
}

const square = [
	[0, 0],
	[2, 0],
	[2, 2],
	[0, 2]
] as const;
const scaled = { scale: { readingAtZeroM: 0.05, sense: 1 } };
/** A gimbal with a payload, as the bench's own trials make them. */
const { rig, payload } = core.randomBench({ random: core.seededRandom(3) });
const middle = core.midTravel(rig.slides);
const sure = payload.map((part) => ({ ...part, ownKg: part.body.massKg, sigmaM: [0.001, 0.001, 0.001] }));
const readingsM = Object.fromEntries(
	rig.slides.map((slide) => [slide.id, core.readingAt(slide, middle[slide.id] ?? 0)])
);
const envelope = fromVectors.find(({ call }) => call === 'stabilityEnvelope')?.given[0] as object;
const units: Sample[] = [...handOn].filter((name) => name.includes('From')).map((call) => ({ call, given: [2] }));
const byHand: Sample[] = [
	...units,
	{
		call: 'add',
		given: [
			[1, 2, 3],
			[4, 5, 6]
		]
	},
	{
		call: 'dot',
		given: [
			[1, 2, 3],
			[4, 5, 6]
		]
	},
	{
		call: 'subtract',
		given: [
			[1, 2, 3],
			[4, 5, 6]
		]
	},
	{ call: 'scale', given: [[1, 2, 3], 2] },
	{
		call: 'turnVector',
		given: [
			[
				[1, 0, 0],
				[0, 1, 0],
				[0, 0, 1]
			],
			[1, 2, 3]
		]
	},
	{ call: 'stabilityRose', given: [{ ...envelope, headings: 12, booms: 4 }] },
	{ call: 'outlineAreaM2', given: [square] },
	{ call: 'isInside', given: [square, [1, 1]] },
	{ call: 'median', given: [[1, 2, 3]] },
	{ call: 'positionAt', given: [scaled, 0.06] },
	{ call: 'readingAt', given: [scaled, 0.01] },
	{ call: 'midTravel', given: [[{ id: 'plate', rangeM: [-0.05, 0.05] }]] },
	{ call: 'principalLean', given: [0.01, 0.2] },
	{ call: 'mountPayload', given: [{ rig, payload }] },
	{ call: 'predictReadings', given: [{ rig, payload: sure, zeroSigmaM: {} }] },
	{
		call: 'learnFromBalances',
		given: [
			{
				rigs: [{ id: 'one', rig, zeroSigmaM: {} }],
				parts: payload.map(({ id, body }) => ({
					id,
					massKg: body.massKg,
					cgM: body.cgM,
					sigmaM: [0.005, 0.005, 0.005]
				})),
				balances: [
					{
						rigId: 'one',
						parts: payload.map(({ id }) => ({ partId: id, originM: [0, 0, 0] })),
						readingsM,
						readingSigmaM: 0.0007
					}
				]
			}
		]
	},
	{ call: 'balanceSteps', given: [{ rig, payload, positionsM: middle, targetsM: middle, toleranceNm: 0.01 }] }
];
const samples = [...fromVectors, ...fromExamples(), ...byHand];

type Path = readonly (string | number)[];
/** Where the numbers of a value are; of a long list the first few stand for all. */
function numbersIn(value: unknown, at: Path = []): Path[] {
	if (typeof value === 'number') return Number.isFinite(value) ? [at] : [];
	if (typeof value !== 'object' || value === null) return [];
	const entries = Array.isArray(value) ? [...value.entries()].slice(0, 4) : Object.entries(value);
	return entries.flatMap(([key, each]) => numbersIn(each, [...at, key]));
}
function withAt(value: unknown, [key, ...rest]: Path, set: number): unknown {
	if (key === undefined) return set;
	const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<string, unknown>;
	copy[key] = withAt(copy[key], rest, set);
	return copy;
}
const finite = (value: unknown): boolean =>
	typeof value === 'number'
		? Number.isFinite(value)
		: value === null || typeof value !== 'object' || Object.values(value).every(finite);

describe('a number that is none', () => {
	const swept = [...exported.keys()].filter((name) => !notDoors.has(name));

	it('is tried on every export', () => {
		const known = new Set(samples.map(({ call }) => call));
		expect(swept.filter((name) => !known.has(name))).toEqual([]);
	});

	it.each(swept)('stops at the door of %s', (name) => {
		const call = exported.get(name) as Call;
		const through = new Set<string>();
		for (const { given } of samples.filter((each) => each.call === name).slice(0, 6))
			for (const path of numbersIn(given))
				for (const odd of [NaN, Infinity, -Infinity]) {
					const place = `${path.map((key) => (typeof key === 'number' ? '#' : key)).join('.')} = ${odd}`;
					try {
						const answer = call(...(withAt(given, path, odd) as unknown[]));
						const rests = asksForRest[name] !== undefined && place.startsWith(asksForRest[name]) && finite(answer);
						if (!rests && (!handOn.has(name) || finite(answer))) through.add(place);
					} catch (thrown) {
						if (!(thrown instanceof PhysicsInputError)) through.add(`${place} threw ${String(thrown)}`);
					}
				}
		expect([...through]).toEqual([]);
	});
});
