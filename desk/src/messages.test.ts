import { describe, expect, it } from 'vitest';
import { hearClock, noOffset, toTheirs } from './clocks';
import { readFromPage } from './messages';

const grant = { type: 'grant', head: 'h-1', epoch: 5, sequence: 2, issuedAtMs: 12.5, echoMs: 10 };

describe('what a page says', () => {
	it('is taken as it is meant', () => {
		expect(readFromPage(JSON.stringify(grant))).toEqual(grant);
		expect(readFromPage('{"type":"stopAll"}')).toEqual({ type: 'stopAll' });
		const leg = { kind: 'pose', name: 'there', to: { panRad: 1 }, wantedS: null, restS: 0 };
		const next = { kind: 'pose', id: 'p', name: 'x', legs: [leg], laps: null };
		const chosen = { type: 'standBy', head: 'h-1', next };
		expect(readFromPage(JSON.stringify(chosen))).toEqual(chosen);
		for (const intent of [{ does: 'steer' }, { does: 'goOn', id: 'p' }])
			expect(readFromPage(JSON.stringify({ type: 'ask', head: 'h-1', press: 1, intent }))).not.toBeNull();
	});

	it.each([
		['no JSON', '{'],
		['no object', '7'],
		['another type', JSON.stringify({ ...grant, type: 'launch' })],
		['a type every object has', JSON.stringify({ ...grant, type: 'constructor' })],
		['a figure that is none', JSON.stringify(grant).replace('12.5', '1e999')],
		['a figure that is a word', JSON.stringify({ ...grant, epoch: '5' })],
		['an epoch that is no whole number', JSON.stringify({ ...grant, epoch: 5.5 })],
		['no head', JSON.stringify({ ...grant, head: '' })],
		[
			'speeds by too many axes',
			JSON.stringify({
				type: 'stick',
				head: 'h',
				rates: Object.fromEntries(Array.from({ length: 17 }, (_, k) => [`a${k}`, 1]))
			})
		],
		['a speed that is none', '{"type":"stick","head":"h","rates":{"panRad":null}}'],
		[
			'no legs',
			JSON.stringify({ type: 'standBy', head: 'h', next: { kind: 'pose', id: 'p', name: 'x', legs: [], laps: 1 } })
		],
		['a press for nothing', JSON.stringify({ type: 'ask', head: 'h', press: 1 })],
		['a press for no way', JSON.stringify({ type: 'ask', head: 'h', press: 1, intent: { does: 'go' } })],
		[
			'a press for what no hold does',
			JSON.stringify({ type: 'ask', head: 'h', press: 1, intent: { does: 'fly', id: 'p' } })
		],
		['a way both ways', JSON.stringify({ type: 'pace', head: 'h', pace: 1, direction: 2 })],
		['more than it hears out', `{"type":"clear","x":"${'x'.repeat(70_000)}"}`]
	])('that is %s means nothing', (_what, text) => expect(readFromPage(text)).toBeNull());
});

describe('another’s clock', () => {
	it('is known by its fastest word of late, whatever came slower, and drifts along', () => {
		let offset = noOffset;
		for (let k = 0; k < 4000; k += 1) {
			const theirs = k * 20 * 1.0002;
			// 4 to 60 ms late, on a clock 1000 ms ahead of theirs.
			offset = hearClock(offset, theirs, k * 20 + 1000 + 4 + ((k * 37) % 57));
			if (k > 200) expect(Math.abs(toTheirs(offset) - (theirs - (k * 20 + 1004)))).toBeLessThan(3);
		}
	});
});

/* Every word of a page as it may be said, and each of its figures as it may not. */

const head = 'h1';
const pose = { kind: 'pose', name: 'there', to: { panRad: 1, tiltRad: -1 }, wantedS: 3, restS: 0 };
const keyed = {
	...{ kind: 'keyed', name: 'way', restS: 7200, ends: 'natural' },
	keys: [{ tS: 0, values: { panRad: 0 } }]
};
const next = (legs: readonly object[], kind = 'programme') => ({ kind, id: 'x', name: 'x', legs, laps: null });
const word80 = 'a'.repeat(80);
const good: readonly Record<string, unknown>[] = [
	{ type: 'hello', v: 4, secret: 's'.repeat(32), slot: 0 },
	{ type: 'hello', v: 4, secret: 's'.repeat(80), slot: 7 },
	...['take', 'askFor', 'unask', 'lead', 'give', 'keep', 'drop', 'blink', 'claim', 'unclaim'].map((type) => ({
		type,
		head
	})),
	{ type: 'take', head: word80 },
	{ type: 'confirm', head, code: '123456' },
	{ type: 'beat', head, issuedAtMs: 1.5, echoMs: -1 },
	{ type: 'ask', head, press: 1, intent: { does: 'steer' } },
	...['go', 'ring', 'goOn', 'back'].map((does) => ({ type: 'ask', head, press: 1, intent: { does, id: 'x' } })),
	{ type: 'grant', head, epoch: 1, sequence: 2, issuedAtMs: 3, echoMs: 4 },
	{ type: 'release', head, epoch: 1 },
	{ type: 'stick', head, rates: { panRad: 0.5 } },
	{ type: 'shape', head, rampS: 0.2, trim: 1 },
	{ type: 'standBy', head, next: null },
	{ type: 'standBy', head, next: { kind: 'ring', id: 'x', ring: 'focus' } },
	{ type: 'standBy', head, next: next([pose, { ...pose, wantedS: null }], 'pose') },
	{ type: 'standBy', head, next: next([keyed, { ...keyed, ends: 'still' }]) },
	{ type: 'standBy', head, next: { ...next([pose]), laps: 3 } },
	{ type: 'watch', head, id: 'x' },
	{ type: 'pace', head, pace: 1, direction: 1 },
	{ type: 'pace', head, pace: 1, direction: -1 },
	{ type: 'keepAdded', head, keeps: false },
	{ type: 'record', head, on: true },
	{ type: 'stopAll' },
	{ type: 'clear' },
	{ type: 'many', count: 3, said: [{ type: 'stick', head, rates: { panRad: 0 } }, { type: 'clear' }] }
];
const read = (message: unknown) => readFromPage(JSON.stringify(message));
/** Every way into what a message says, the message itself apart. */
const ways = (value: unknown, at: readonly (string | number)[] = []): (readonly (string | number)[])[] =>
	typeof value !== 'object' || value === null
		? [at]
		: [...(at.length === 0 ? [] : [at]), ...Object.entries(value).flatMap(([key, each]) => ways(each, [...at, key]))];
/** The same, with something else there. */
const bent = (message: unknown, at: readonly (string | number)[], by: unknown): unknown => {
	const copy = structuredClone(message) as Record<string | number, unknown>;
	let within = copy;
	for (const key of at.slice(0, -1)) within = within[key] as typeof within;
	within[at.at(-1)!] = by;
	return copy;
};

describe('what a page may say', () => {
	it.each(good.map((message) => [JSON.stringify(message).slice(0, 90), message] as const))('%s', (_words, message) => {
		expect(read(message)).toEqual(message);
	});
	it('is refused with anything else in any place of it', () => {
		for (const message of good)
			for (const at of ways(message))
				for (const odd of [{ odd: { deeper: [] } }, [[]], '', 'x\0', 'a'.repeat(81), 1e12, 0.5, true, null]) {
					const said = bent(message, at, odd);
					const now = read(said);
					// Some are as good there as what they take the place of.
					const fits =
						typeof odd === typeof bentFrom(message, at) ||
						((odd === null || typeof odd === 'number') && /next|wantedS|laps/.test(String(at.at(-1))));
					if (now !== null) expect(fits, `${JSON.stringify(said)} by ${at.join('.')}`).toBe(true);
				}
	});
	it.each([
		['a secret that is guessed', { type: 'hello', v: 4, secret: 's'.repeat(31), slot: 0 }],
		['a slot below the first', { type: 'hello', v: 4, secret: 's'.repeat(32), slot: -1 }],
		['a slot past the last', { type: 'hello', v: 4, secret: 's'.repeat(32), slot: 8 }],
		['a version that is no whole number', { type: 'hello', v: 4.5, secret: 's'.repeat(32), slot: 0 }],
		['a name without a letter', { type: 'take', head: '' }],
		['a name too long', { type: 'take', head: 'a'.repeat(81) }],
		['a name that no database keeps', { type: 'take', head: 'h\0' }],
		['a figure past all figures', { type: 'beat', head, issuedAtMs: 1e12, echoMs: 0 }],
		['a figure far below', { type: 'beat', head, issuedAtMs: -1e12, echoMs: 0 }],
		['rates that are a list', { type: 'stick', head, rates: [0.1] }],
		[
			'more axes than there are',
			{ type: 'stick', head, rates: Object.fromEntries(Array.from({ length: 17 }, (_, k) => [`a${k}`, 0])) }
		],
		['an axis without a name', { type: 'stick', head, rates: { '': 0 } }],
		['a time before now', { type: 'standBy', head, next: next([{ ...pose, restS: -0.1 }]) }],
		['a time past two hours', { type: 'standBy', head, next: next([{ ...keyed, restS: 7200.1 }]) }],
		['a way without a leg', { type: 'standBy', head, next: next([]) }],
		['more legs than a programme has', { type: 'standBy', head, next: next(Array.from({ length: 201 }, () => pose)) }],
		['a way of no kind', { type: 'standBy', head, next: next([pose], 'dance') }],
		['a leg of no kind', { type: 'standBy', head, next: next([{ ...pose, kind: 'jump' }]) }],
		['a way that ends neither way', { type: 'standBy', head, next: next([{ ...keyed, ends: 'abrupt' }]) }],
		['a way without keys', { type: 'standBy', head, next: next([{ ...keyed, keys: [] }]) }],
		['half a lap', { type: 'standBy', head, next: { ...next([pose]), laps: 0.5 } }],
		['an intent of no kind', { type: 'ask', head, press: 1, intent: { does: 'jump', id: 'x' } }],
		['an intent to nothing', { type: 'ask', head, press: 1, intent: { does: 'go' } }],
		['a direction that is none', { type: 'pace', head, pace: 1, direction: 0 }],
		['nothing at all, many times', { type: 'many', count: 1, said: [] }],
		['many of many', { type: 'many', count: 1, said: [{ type: 'many', count: 1, said: [{ type: 'clear' }] }] }],
		[
			'more than a moment holds',
			{ type: 'many', count: 1, said: Array.from({ length: 65 }, () => ({ type: 'clear' })) }
		],
		['a word of nobody', { type: 'toString' }],
		['no type', { head }],
		['no message', 'take'],
		['nothing', null]
	])('is not %s', (_what, message) => {
		expect(read(message)).toBeNull();
	});
	it('is as many legs as a programme has, as many axes as there are, and as much as a moment holds', () => {
		expect(read({ type: 'standBy', head, next: next(Array.from({ length: 200 }, () => pose)) })).not.toBeNull();
		expect(
			read({ type: 'stick', head, rates: Object.fromEntries(Array.from({ length: 16 }, (_, k) => [`a${k}`, 0])) })
		).not.toBeNull();
		expect(
			read({ type: 'many', count: 1, said: Array.from({ length: 64 }, () => ({ type: 'clear' })) })
		).not.toBeNull();
	});
	it('is no longer than sixty thousand letters', () => {
		const said = (length: number) => JSON.stringify({ type: 'clear' }).padEnd(length);
		expect([readFromPage(said(60_000)), readFromPage(said(60_001)), readFromPage('{')]).toEqual([
			{ type: 'clear' },
			null,
			null
		]);
	});
});

function bentFrom(message: unknown, at: readonly (string | number)[]): unknown {
	return at.reduce((within, key) => (within as Record<string | number, unknown>)[key], message);
}
