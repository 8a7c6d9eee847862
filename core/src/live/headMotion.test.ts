import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between, seededRandom } from '../numeric/random';
import { type HeadEvent, type HeadMotion, headStep, isStill, restingHead } from './headMotion';
import { rounds } from '../testing/rounds';

const fresh = () =>
	restingHead({
		axes: {
			panRad: { position: 0, rate: 0, range: [-1, 1], maxRate: 1, maxAccel: 2 },
			focus: { position: 0.3, rate: 0, range: [0, 0.8], maxRate: 0.5, maxAccel: 5 }
		},
		rings: ['focus'],
		watched: false
	});
/** Held by Ada from 2500 ms on, by press 7; a grant each 10 ms until the time given. */
function held(untilMs: number, then: (atMs: number) => readonly HeadEvent[] = () => [], from = fresh()): HeadMotion {
	let head = from;
	const give = (event: HeadEvent) => void ([head] = headStep(head, event));
	for (let atMs = 100; atMs < 2500; atMs += 100)
		give({ kind: 'beat', atMs, holder: 'ada', issuedAtMs: atMs - 5, echoMs: atMs - 10 });
	give({ kind: 'ask', atMs: 2500, holder: 'ada', press: 7, epoch: 7, by: 'hand' });
	for (let atMs = 2510; atMs <= untilMs; atMs += 10) {
		const sequence = (atMs - 2500) / 10;
		give({ kind: 'grant', atMs, holder: 'ada', epoch: 7, sequence, issuedAtMs: atMs - 5, echoMs: atMs - 10 });
		for (const event of then(atMs)) give(event);
	}
	return head;
}
const drive =
	(panRad: number, focus = 0) =>
	(atMs: number): readonly HeadEvent[] => [{ kind: 'drive', atMs, epoch: 7, sequence: atMs, rates: { panRad, focus } }];
const later = (head: HeadMotion, toMs: number) => headStep(head, { kind: 'tick', atMs: toMs })[0];

describe('a head', () => {
	it('drives while it is held, to the side it is told, and rests when the grants end', () => {
		for (const way of [1, -1]) {
			const head = held(3000, drive(0.5 * way));
			expect(Math.sign(head.axes.panRad!.position)).toBe(way);
			expect(head.axes.panRad!.rate).toBeCloseTo(0.5 * way, 6);
			const after = later(head, 3600);
			expect(after.lease.phase).toBe('rest');
			expect(isStill(after)).toBe(true);
		}
	});

	it('moves for nobody who does not hold: not before, not of another press, not twice by one word', () => {
		expect(later(held(2500, drive(0.5)), 3000).axes.panRad!.position).toBe(0);
		const other = held(3000, (atMs) => [{ kind: 'drive', atMs, epoch: 6, sequence: atMs, rates: { panRad: 1 } }]);
		expect(other.axes.panRad!.position).toBe(0);
		// One word is good for 120 ms; the same again is none.
		const once = held(3000, () => [{ kind: 'drive', atMs: 2510, epoch: 7, sequence: 1, rates: { panRad: 1 } }]);
		expect(isStill(once)).toBe(true);
		expect(once.axes.panRad!.position).toBeLessThan(0.06);
	});

	it('turns no ring whose ends it has not found, finds both while held, and forgets them with its power', () => {
		const closed = held(3000, drive(0, 0.5));
		expect(closed.axes.focus!.position).toBe(0.3);
		const homing = (atMs: number): readonly HeadEvent[] =>
			atMs === 2520 ? [{ kind: 'home', atMs, epoch: 7, ring: 'focus' }] : [];
		const found = held(12_000, homing);
		expect(found.rings.focus!.ends).toEqual([0, 0.8]);
		expect(found.axes.focus!.position).toBeCloseTo(0.8, 2);
		const back = held(12_500, (atMs) => [...homing(atMs), ...(atMs > 12_000 ? drive(0, -0.5)(atMs) : [])]);
		expect(back.axes.focus!.position).toBeLessThan(0.7);
		expect(fresh().rings.focus!.ends).toBeNull();
	});

	it('lets go of homing with the hand', () => {
		const head = later(
			held(3000, (atMs) => (atMs === 2520 ? [{ kind: 'home', atMs, epoch: 7, ring: 'focus' }] : [])),
			8000
		);
		expect(head.rings.focus).toEqual({ ends: null, looking: null });
		expect(head.axes.focus!.position).toBeGreaterThan(0.1);
	});

	it('after a hand let go takes the slowing end of its way, and no word that would speed it up', () => {
		const follow =
			(pace: number) =>
			(atMs: number): readonly HeadEvent[] => [
				{
					...{ kind: 'follow', atMs, epoch: 7, sequence: atMs, dueMs: atMs + 40, pace },
					...{ at: { panRad: (0.4 * (atMs + 40 - 2500)) / 1000 }, rates: { panRad: 0.4 } }
				}
			];
		const going = held(3500, follow(0.8));
		expect(going.axes.panRad!.rate).toBeCloseTo(0.4, 2);
		const [released] = headStep(going, { kind: 'release', atMs: 3505, holder: 'ada', epoch: 7 });
		const word = (pace: number, epoch = 7): HeadEvent => ({
			...{ kind: 'follow', atMs: 3510, epoch, sequence: 4000, dueMs: 3600, pace },
			...{ at: { panRad: 0.42 }, rates: { panRad: 0.1 } }
		});
		expect(headStep(released, word(0.5))[0].points.at(-1)!.dueMs).toBe(3600);
		expect(headStep(released, word(0.9))[0].points.at(-1)!.dueMs).not.toBe(3600);
		expect(headStep(released, word(0.5, 6))[0].points.at(-1)!.dueMs).not.toBe(3600);
		expect(isStill(later(released, 5500))).toBe(true);
	});

	it('whatever its desk goes on sending, after a hand let go no axis comes further than one and a half times its own brake', () => {
		const random = seededRandom(8);
		let furthest = 0;
		for (let world = 0; world < 60; world += 1) {
			const speed = between(random, 0.05, 1) * (random() < 0.5 ? -1 : 1);
			const wrong = between(random, -2, 2);
			const pace = between(random, 0.3, 1);
			const follow = (atMs: number, rate: number, toMs: number): HeadEvent => ({
				...{ kind: 'follow', atMs, epoch: 7, sequence: atMs, dueMs: toMs, pace },
				...{ at: { panRad: (rate * (toMs - 2500)) / 1000 }, rates: { panRad: rate } }
			});
			const wide = { ...fresh() };
			const from = { ...wide, axes: { ...wide.axes, panRad: { ...wide.axes.panRad!, range: [-9, 9] as const } } };
			const going = held(3500, (atMs) => [follow(atMs, speed, atMs + 40)], from);
			let [head] = headStep(going, { kind: 'release', atMs: 3502, holder: 'ada', epoch: 7 });
			const { position, rate } = head.axes.panRad!;
			// The desk sends pace as it was, and places on and on: the same way, faster, or back.
			const asked = [speed, speed * 3, wrong][world % 3]!;
			let [travelled, last] = [0, position];
			for (let atMs = 3510; atMs < 6000; atMs += 10) {
				[head] = headStep(head, follow(atMs, asked, atMs + 40));
				travelled += Math.abs(head.axes.panRad!.position - last);
				last = head.axes.panRad!.position;
			}
			const brake = (rate * rate) / (2 * 2);
			expect(travelled).toBeLessThanOrEqual(1.5 * brake + 1e-12);
			furthest = Math.max(furthest, travelled / brake);
			expect(isStill(head)).toBe(true);
			expect(head.lease.phase).toBe('rest');
		}
		// The bound is one that is come to.
		expect(furthest).toBeGreaterThan(1.4);
	});

	it('an axis that does not come along is said to be stuck, and the hold is over', () => {
		let head = held(2510);
		const brakes: string[] = [];
		for (let atMs = 2520; atMs < 3300; atMs += 10) {
			const events: HeadEvent[] = [
				{ kind: 'grant', atMs, holder: 'ada', epoch: 7, sequence: atMs, issuedAtMs: atMs - 5, echoMs: atMs - 10 },
				...drive(0.5)(atMs)
			];
			for (const event of events) {
				const [after, effects] = headStep(head, event, ['panRad']);
				head = after;
				brakes.push(...effects.flatMap((effect) => (effect.kind === 'brake' ? [effect.why] : [])));
			}
		}
		expect(head.stuckAxis).toBe('panRad');
		expect(brakes).toEqual(['fault']);
		expect(head.axes.panRad!.position).toBe(0);
	});

	it('whatever comes over its link, it is never beyond an end and never gets faster unheld', () => {
		const figure = fc.oneof(fc.double(), fc.double({ min: -3, max: 3, noNaN: true }), fc.constantFrom(NaN, Infinity));
		const whole = fc.integer({ min: 0, max: 9 });
		const rates = fc.dictionary(fc.constantFrom('panRad', 'focus', 'else'), figure, { maxKeys: 3 });
		const event = fc.oneof(
			fc.record({ kind: fc.constant('drive' as const), atMs: fc.nat(30), epoch: whole, sequence: fc.nat(60), rates }),
			fc.record({
				...{
					kind: fc.constant('follow' as const),
					atMs: fc.nat(30),
					epoch: whole,
					sequence: fc.nat(60),
					at: rates,
					rates
				},
				...{ dueMs: fc.nat(400), pace: figure }
			}),
			fc.record({
				kind: fc.constant('ask' as const),
				press: whole,
				atMs: fc.nat(30),
				holder: fc.constant('ada'),
				epoch: whole,
				by: fc.constantFrom('hand' as const, 'watch' as const)
			}),
			fc.record({
				...{ kind: fc.constant('grant' as const), atMs: fc.nat(30), holder: fc.constant('ada'), epoch: whole },
				...{ sequence: fc.nat(60), issuedAtMs: fc.nat(30), echoMs: fc.nat(30) }
			}),
			fc.record({ kind: fc.constant('release' as const), atMs: fc.nat(30), holder: fc.constant('ada'), epoch: whole }),
			fc.record({
				kind: fc.constant('home' as const),
				atMs: fc.nat(30),
				epoch: whole,
				ring: fc.constantFrom('focus', 'else')
			}),
			fc.record({ kind: fc.constant('tick' as const), atMs: fc.oneof(fc.nat(200), fc.constant(NaN)) })
		);
		fc.assert(
			fc.property(fc.boolean(), fc.array(event, { maxLength: 60 }), (begunHeld, events) => {
				let head = begunHeld ? held(2600, drive(0.4)) : fresh();
				let nowMs = head.steppedAtMs;
				for (const each of events) {
					nowMs += Number.isFinite(each.atMs) ? each.atMs : 0;
					const timed = {
						...each,
						atMs: Number.isFinite(each.atMs) ? nowMs : NaN,
						...('dueMs' in each ? { dueMs: nowMs + each.dueMs - 100 } : {}),
						...('issuedAtMs' in each ? { issuedAtMs: nowMs - each.issuedAtMs, echoMs: nowMs - each.echoMs } : {})
					} as HeadEvent;
					const before = head;
					[head] = headStep(head, timed);
					for (const [name, axis] of Object.entries(head.axes)) {
						expect(axis.position).toBeGreaterThanOrEqual(axis.range[0]);
						expect(axis.position).toBeLessThanOrEqual(axis.range[1]);
						const faster = Math.abs(axis.rate) > Math.abs(before.axes[name]!.rate) + 1e-4;
						const unheld = before.lease.phase !== 'armed' && head.lease.phase !== 'armed';
						if (faster && unheld)
							expect(Math.abs(axis.rate)).toBeLessThanOrEqual((before.stopping?.axes[name]?.rate ?? 0) + 1e-9);
					}
				}
			}),
			{ numRuns: rounds(1500, 200) }
		);
	});
});
