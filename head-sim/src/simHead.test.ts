import fc from 'fast-check';
import {
	addressOf,
	commitTo,
	freshKeyPair,
	freshNonce,
	fromBytes,
	greeting,
	type Session,
	toBytes,
	type ToDesk,
	type ToHead
} from '@poise/link';
import { describe, expect, it } from 'vitest';
import { SimHead } from './simHead';

/** A desk on the other end, without a network: what the head says it hears, what it says goes in. */
function bench() {
	const key = Buffer.alloc(32, 5);
	let now = 0;
	const heard: ToDesk[] = [];
	const desk = Buffer.alloc(16, 9);
	let word = '';
	let counter = 0;
	let press = 0;
	const session = (): Session => ({ key, head: word, desk: desk.toString('hex') });
	const head = new SimHead(
		{ id: 'h-1', name: 'One', pattern: 'small' },
		{ key: key.toString('hex') },
		{
			keep: () => {},
			out: (bytes) => {
				const asked = addressOf(bytes)?.type === 'challenge' ? greeting(key, desk.toString('hex')) : session();
				const open = fromBytes('toDesk', bytes, asked);
				if (typeof open === 'string') return;
				if (open.message.type === 'challenge') word = Buffer.from(open.message.head).toString('hex');
				heard.push(open.message);
			}
		}
	);
	const bytesOf = (message: ToHead) => {
		counter += 1;
		return toBytes('toHead', 'h-1', message, { session: session(), counter });
	};
	const sent: Buffer[] = [];
	const say = (message: ToHead) => {
		const bytes = bytesOf(message);
		sent.push(bytes);
		head.receive(bytes);
	};
	const pass = (ms: number) => {
		for (const until = now + ms; now < until;) head.tick((now += 5));
	};
	const state = () => heard.findLast((each) => each.type === 'state') as Extract<ToDesk, { type: 'state' }>;
	pass(10);
	const begin = () => {
		head.receive(toBytes('toHead', 'h-1', { type: 'hello', desk }, { session: greeting(key), counter: 1 }));
		counter = 0;
		say({ type: 'begin' });
		counter = 0;
	};
	begin();
	pass(40);
	const hold = (forMs: number, each: (sequence: number) => void = () => {}) => {
		for (let k = 0; k < 25; k += 1) {
			say({ type: 'beat', holder: 'ada', issuedAtMs: now, echoMs: state().headMs });
			pass(100);
		}
		say({ type: 'ask', holder: 'ada', press: (press += 1), by: 'hand' });
		const { epoch } = heard.findLast((message) => message.type === 'offer') as Extract<ToDesk, { type: 'offer' }>;
		for (let sequence = 1; sequence <= forMs / 10; sequence += 1) {
			say({ type: 'grant', holder: 'ada', epoch, sequence, issuedAtMs: now, echoMs: state().headMs });
			each(sequence);
			pass(10);
		}
		return epoch;
	};
	return { head, say, pass, state, hold, heard, sent, session, begin };
}
const pan = (head: SimHead) => head.face().axes.panRad!;

describe('a simulated head', () => {
	it('is held and driven over its link, and brakes when the grants end', () => {
		const { head, say, pass, state, hold } = bench();
		let epoch = 0;
		epoch = hold(10);
		hold(600, (sequence) => {
			epoch = state().epoch || epoch;
			say({ type: 'drive', epoch, sequence, each: [{ axis: 'panRad', rate: 0.6 }] });
		});
		expect(pan(head).rate).toBeGreaterThan(0.3);
		expect(head.face().phase).toBe('armed');
		pass(200);
		expect(head.face().phase).not.toBe('armed');
		// A grant is good for 140 ms, and it looks every 5.
		const { afterGrantMs, tickMs } = head.face().braked!;
		expect(tickMs).toBe(5);
		expect(afterGrantMs).toBeGreaterThan(130);
		expect(afterGrantMs).toBeLessThanOrEqual(145);
		pass(1500);
		expect(pan(head).rate).toBe(0);
	});

	it('takes no datagram twice, none that was bent, none of another session: none of them moves or arms it', () => {
		const { head, pass, hold, sent, session } = bench();
		hold(300);
		pass(2000);
		const stood = pan(head).position;
		const before = head.face().phase;
		for (const bytes of sent) head.receive(bytes);
		pass(300);
		expect([pan(head).position, head.face().phase, before]).toEqual([stood, 'rest', 'rest']);
		const other = { ...session(), desk: '99' };
		for (let counter = 1000; counter < 1100; counter += 1)
			head.receive(
				toBytes('toHead', 'h-1', { type: 'ask', holder: 'ada', press: 2, by: 'hand' }, { session: other, counter })
			);
		pass(50);
		expect(head.face().phase).toBe('rest');
	});

	it('under whatever datagrams, signed or not, is never beyond a soft end', () => {
		const any = fc.oneof(fc.float(), fc.float({ min: -5, max: 5, noNaN: true }));
		const message = fc.oneof(
			fc.record({
				type: fc.constant('drive' as const),
				each: fc.array(fc.record({ axis: fc.constantFrom('panRad', 'tiltRad', 'focus'), rate: any }), { maxLength: 4 })
			}),
			fc.record({
				...{
					type: fc.constant('follow' as const),
					pace: fc.float({ min: 0, max: 1, noNaN: true }),
					dueMs: fc.integer({ min: -200, max: 900 })
				},
				each: fc.array(fc.record({ axis: fc.constantFrom('panRad', 'tiltRad', 'focus'), at: any, rate: any }), {
					maxLength: 4
				})
			})
		);
		fc.assert(
			fc.property(
				fc.array(message, { minLength: 5, maxLength: 40 }),
				fc.array(fc.uint8Array({ maxLength: 80 }), { maxLength: 10 }),
				(words, noise) => {
					const { head, say, state, hold } = bench();
					say({
						type: 'limits',
						watched: 0,
						each: [{ axis: 'panRad', from: -0.5, to: 0.5, maxRate: 9, maxAccel: 99 }]
					});
					let sequence = 0;
					hold(600, (k) => {
						const { epoch } = state();
						const word = words[k % words.length]!;
						const bytes = noise[k % Math.max(1, noise.length)];
						if (bytes !== undefined) head.receive(bytes);
						sequence += 1;
						try {
							if (word.type === 'drive') say({ ...word, epoch, sequence });
							else say({ ...word, epoch, sequence, dueMs: Math.max(0, state().headMs + word.dueMs) });
						} catch (thrown) {
							// What is no figure does not even go out.
							expect(String(thrown)).toMatch(/must be a number/);
						}
						for (const { position, soft } of Object.values(head.face().axes)) {
							expect(position).toBeGreaterThanOrEqual(soft[0]);
							expect(position).toBeLessThanOrEqual(soft[1]);
						}
					});
					expect(pan(head).soft).toEqual([-0.5, 0.5]);
				}
			),
			{ numRuns: 40 }
		);
	});

	it('turns no ring before it has found its ends, nor after its power was off', () => {
		const { head, say, pass, state, hold } = bench();
		const epochOf = () => state().epoch;
		hold(8000, (sequence) => {
			if (sequence === 3) say({ type: 'home', epoch: epochOf(), ring: 'zoom' });
		});
		expect(head.face().homed).toEqual(['zoom']);
		expect(state().each.find(({ axis }) => axis === 'zoom')).toMatchObject({ ready: 1 });
		head.handle({ powered: false });
		pass(100);
		expect(head.face().phase).toBe('off');
		head.handle({ powered: true });
		pass(100);
		expect(head.face().homed).toEqual([]);
	});
});

/** One test a rule that guards whoever stands near it. */
describe('what a head heeds', () => {
	const claim = () => {
		const half = { publicKey: freshKeyPair().publicKey, nonce: freshNonce() };
		return { half, bytes: toBytes('toHead', 'h-1', { type: 'claim', version: 1, commit: commitTo(half) }, null) };
	};
	/** A head of nobody's, and what it says without a signature. */
	const unclaimed = () => {
		const said: ToDesk[] = [];
		const head = new SimHead(
			{ id: 'h-1', name: 'One', pattern: 'small' },
			{ key: null },
			{
				keep: () => {},
				out: (bytes) => {
					const open = fromBytes('toDesk', bytes, null);
					if (typeof open !== 'string' && open.message.type !== 'announce') said.push(open.message);
				}
			}
		);
		let now = 0;
		const pass = (ms: number) => {
			for (const until = now + ms; now < until;) head.tick((now += 5));
		};
		pass(10);
		return { head, said, pass };
	};
	const axis = (state: Extract<ToDesk, { type: 'state' }>, name: string) =>
		state.each.find((each) => each.axis === name)!;

	it('claimed, it answers no claim; nobody’s, it pledges and shows nothing yet', () => {
		const own = bench();
		own.heard.length = 0;
		own.head.receive(claim().bytes);
		own.pass(50);
		expect(own.heard.filter(({ type }) => type === 'pledge')).toEqual([]);
		expect(own.head.face().code).toBeNull();
		const free = unclaimed();
		free.head.receive(claim().bytes);
		expect(free.said.map(({ type }) => type)).toEqual(['pledge']);
		expect(free.head.face().code).toBeNull();
	});
	it('shows digits to the half that the desk had bound itself to, and to no other', () => {
		const { head, said } = unclaimed();
		const { bytes, half } = claim();
		head.receive(bytes);
		head.receive(toBytes('toHead', 'h-1', { type: 'reveal', ...claim().half }, null));
		expect([head.face().code, said.length]).toEqual([null, 1]);
		head.receive(toBytes('toHead', 'h-1', { type: 'reveal', ...half }, null));
		expect(head.face().code).toMatch(/^\d{7}$/);
		expect(said[said.length - 1]!.type).toBe('half');
	});
	it('a claim that nobody ends is forgotten after two minutes', () => {
		const { head, pass } = unclaimed();
		const { bytes, half } = claim();
		head.receive(bytes);
		head.receive(toBytes('toHead', 'h-1', { type: 'reveal', ...half }, null));
		pass(119_000);
		expect(head.face().code).not.toBeNull();
		pass(2000);
		expect(head.face().code).toBeNull();
	});
	it('limits make it shorter and slower, never longer or quicker, at either end', () => {
		const { head, say } = bench();
		const told = (from: number, to: number, maxRate: number, maxAccel: number) =>
			say({ type: 'limits', watched: 0, each: [{ axis: 'panRad', from, to, maxRate, maxAccel }] });
		told(-9, 9, 9, 99);
		expect(pan(head).soft).toEqual([-2.97, 2.97]);
		told(-9, 1, 9, 99);
		expect(pan(head).soft).toEqual([-2.97, 1]);
		told(-1, 9, 9, 99);
		expect(pan(head).soft).toEqual([-1, 2.97]);
		told(2, -2, 9, 99);
		expect(pan(head).soft).toEqual([2, 2]);
	});
	it('a speed that is told is kept to, and one beyond its own is not', () => {
		const quickest = (maxRate: number) => {
			const { head, say, state, hold } = bench();
			say({ type: 'limits', watched: 0, each: [{ axis: 'panRad', from: -2.9, to: 2.9, maxRate, maxAccel: 99 }] });
			let most = 0;
			hold(1500, (sequence) => {
				say({ type: 'drive', epoch: state().epoch, sequence, each: [{ axis: 'panRad', rate: 9 }] });
				most = Math.max(most, pan(head).rate);
			});
			return most;
		};
		expect(quickest(0.2)).toBeLessThanOrEqual(0.2 + 1e-6);
		expect(quickest(0.2)).toBeGreaterThan(0.15);
		expect(quickest(9)).toBeLessThanOrEqual(1.05 + 1e-6);
		expect(quickest(9)).toBeGreaterThan(0.9);
	});
	it('held, it takes no limits: nothing under a hand changes what it may do', () => {
		const { head, say, hold } = bench();
		hold(200, (sequence) => {
			if (sequence === 10)
				say({ type: 'limits', watched: 1, each: [{ axis: 'panRad', from: -0.1, to: 0.1, maxRate: 1, maxAccel: 1 }] });
		});
		expect(pan(head).soft).toEqual([-2.97, 2.97]);
	});
	it('turns to the left for a speed above nought and to the right below, up and down likewise', () => {
		const goes = (name: 'panRad' | 'tiltRad', rate: number) => {
			const { head, say, state, hold } = bench();
			const from = head.face().axes[name]!.position;
			hold(400, (sequence) => say({ type: 'drive', epoch: state().epoch, sequence, each: [{ axis: name, rate }] }));
			return head.face().axes[name]!.position - from;
		};
		for (const name of ['panRad', 'tiltRad'] as const) {
			expect(goes(name, 0.4)).toBeGreaterThan(0.02);
			expect(goes(name, -0.4)).toBeLessThan(-0.02);
		}
	});
	it('comes to rest at either soft end, and stays there however long it is driven on', () => {
		for (const way of [1, -1] as const) {
			const { head, say, state, hold } = bench();
			say({ type: 'limits', watched: 0, each: [{ axis: 'panRad', from: -0.2, to: 0.3, maxRate: 1, maxAccel: 1.6 }] });
			hold(2500, (sequence) =>
				say({ type: 'drive', epoch: state().epoch, sequence, each: [{ axis: 'panRad', rate: way }] })
			);
			expect(pan(head).position).toBeCloseTo(way === 1 ? 0.3 : -0.2, 2);
			expect(pan(head).rate).toBeCloseTo(0, 3);
		}
	});
	it('stopped, even by nobody’s name, it is held by nobody until it is cleared', () => {
		const { head, say, hold, pass, heard } = bench();
		hold(100);
		say({ type: 'stop', by: '' });
		pass(1500);
		expect([head.face().stoppedBy, head.face().phase]).toEqual(['somebody', 'rest']);
		const offers = () => heard.filter(({ type }) => type === 'offer').length;
		const before = offers();
		say({ type: 'ask', holder: 'ada', press: 90, by: 'hand' });
		pass(50);
		expect(offers()).toBe(before);
		say({ type: 'clear', by: 'ada' });
		pass(50);
		expect(head.face().stoppedBy).toBeNull();
	});
	it('runs for no watch that it was not told of', () => {
		const asked = (watched: number) => {
			const { say, pass, heard, state } = bench();
			say({ type: 'limits', watched, each: [] });
			for (let k = 0; k < 25; k += 1) {
				say({ type: 'beat', holder: 'desk', issuedAtMs: k * 100, echoMs: state().headMs });
				pass(100);
			}
			say({ type: 'ask', holder: 'desk', press: 1, by: 'watch' });
			pass(20);
			return heard.some(({ type }) => type === 'offer');
		};
		expect([asked(0), asked(1)]).toEqual([false, true]);
	});
	it('without power no session lives on: what was said in it is foreign after', () => {
		const { head, say, pass, heard } = bench();
		head.handle({ powered: false });
		head.handle({ powered: true });
		pass(100);
		heard.length = 0;
		say({ type: 'ask', holder: 'ada', press: 5, by: 'hand' });
		pass(50);
		expect(heard).toEqual([]);
		expect(head.face().phase).toBe('rest');
	});
	it('a session that begins anew ends the hold of the one before, at once', () => {
		const { head, begin, pass, hold } = bench();
		const phases: string[] = [];
		hold(150, (sequence) => {
			if (sequence === 10) begin();
			if (sequence > 11) phases.push(head.face().phase);
		});
		expect(phases.length).toBeGreaterThan(3);
		for (const phase of phases) expect(phase).not.toBe('armed');
		pass(1500);
		expect(head.face().phase).toBe('rest');
	});
	it('let go by its desk, what that desk goes on saying in its session is foreign', () => {
		const { head, say, pass } = bench();
		say({ type: 'record', on: 1 });
		expect(head.face().recording).toBe(true);
		say({ type: 'unclaim' });
		say({ type: 'record', on: 0 });
		pass(20);
		expect(head.face().recording).toBe(true);
	});
	it('let go by its desk, it is nobody’s: it brakes at once, and heeds that desk no more', () => {
		const { head, say, pass, hold } = bench();
		const phases: string[] = [];
		hold(150, (sequence) => {
			if (sequence === 10) say({ type: 'unclaim' });
			if (sequence > 10) phases.push(head.face().phase);
		});
		expect(phases.length).toBeGreaterThan(3);
		for (const phase of phases) expect(phase).not.toBe('armed');
		pass(1500);
		expect([head.face().claimed, head.face().phase]).toEqual([false, 'rest']);
	});
	it('tells where a ring is between its own ends, and goes there by that share', () => {
		const { head, say, state, hold } = bench();
		hold(8000, (sequence) => {
			if (sequence === 3) say({ type: 'home', epoch: state().epoch, ring: 'zoom' });
		});
		const { position, range } = head.face().axes.zoom!;
		expect(axis(state(), 'zoom').at).toBeCloseTo((position - range[0]) / (range[1] - range[0]), 3);
	});
});
