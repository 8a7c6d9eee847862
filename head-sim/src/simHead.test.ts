import fc from 'fast-check';
import { addressOf, fromBytes, greeting, type Session, toBytes, type ToDesk, type ToHead } from '@poise/link';
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
	head.receive(toBytes('toHead', 'h-1', { type: 'hello', desk }, { session: greeting(key), counter: 1 }));
	say({ type: 'begin' });
	counter = 0;
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
	return { head, say, pass, state, hold, heard, sent, session };
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
