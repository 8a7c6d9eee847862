import { describe, expect, it } from 'vitest';
import { handOff, type Hold, type HoldEffect, type HoldEvent, holdStep } from './hold';

const run = (hold: Hold, ...events: readonly HoldEvent[]) => {
	const effects: HoldEffect[] = [];
	for (const event of events) {
		const [after, more] = holdStep(hold, event);
		hold = after;
		effects.push(...more);
	}
	return { hold, effects };
};
const heard: HoldEvent = { kind: 'heard', atMs: 0, headMs: 5000 };
const down = () =>
	run(handOff('h'), heard, { kind: 'press', atMs: 10 }, { kind: 'offer', atMs: 30, press: 1, epoch: 77 });

describe('a hand', () => {
	it('asks at the press, grants at the offer and each ten milliseconds after, dealt among four sockets', () => {
		const { hold, effects } = down();
		expect(effects).toMatchObject([
			{ kind: 'ask', press: 1 },
			{ kind: 'grant', epoch: 77, sequence: 1, issuedAtMs: 30, echoMs: 5000 }
		]);
		const ticks = Array.from({ length: 9 }, (_, k): HoldEvent => ({ kind: 'tick', atMs: 35 + 5 * k }));
		const grants = run(hold, ...ticks).effects;
		expect(grants.map((effect) => effect.kind === 'grant' && effect.sequence)).toEqual([2, 3, 4, 5]);
		expect(new Set(grants.map((effect) => effect.kind === 'grant' && effect.socket)).size).toBe(4);
	});

	it('let go it says so three times, by three sockets, and grants no more', () => {
		const { effects, hold } = run(down().hold, { kind: 'release', atMs: 50 }, { kind: 'tick', atMs: 60 });
		expect(effects.filter(({ kind }) => kind === 'release')).toHaveLength(3);
		expect(new Set(effects.map((effect) => effect.kind === 'release' && effect.socket)).size).toBeGreaterThan(1);
		expect(
			run(hold, { kind: 'tick', atMs: 75 }, { kind: 'tick', atMs: 90 }).effects.some(({ kind }) => kind === 'grant')
		).toBe(false);
	});

	it('takes an offer for its own press alone, and none after it is let go', () => {
		const asked = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		expect(run(asked, { kind: 'offer', atMs: 30, press: 2, epoch: 5 }).effects).toEqual([]);
		const up = run(asked, { kind: 'release', atMs: 20 }, { kind: 'offer', atMs: 30, press: 1, epoch: 5 });
		expect(up.effects).toEqual([]);
		expect(up.hold.phase).toBe('up');
		// Without a word of the head there is nothing to grant by.
		const deaf = run(handOff('h'), { kind: 'press', atMs: 10 }, { kind: 'offer', atMs: 30, press: 1, epoch: 5 });
		expect(deaf.effects).toHaveLength(1);
	});

	it('ends when the head says that it holds nothing, but not by what it said before it had the first grant', () => {
		const { hold } = down();
		expect(run(hold, { kind: 'holds', atMs: 100, epoch: null }).hold.phase).toBe('down');
		const ended = run(hold, { kind: 'holds', atMs: 300, epoch: null });
		expect(ended.hold).toMatchObject({ phase: 'ended', why: 'lost' });
		expect(ended.effects).toHaveLength(3);
		expect(run(hold, { kind: 'holds', atMs: 300, epoch: 77 }).hold.phase).toBe('down');
	});

	it('asks again by the same press, gives up where nobody answers, and says why it was refused', () => {
		const asked = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		const again = run(asked, { kind: 'tick', atMs: 60 }, { kind: 'tick', atMs: 75 }).effects;
		expect(again).toMatchObject([{ kind: 'ask', press: 1 }]);
		expect(run(asked, { kind: 'tick', atMs: 820 }).hold).toMatchObject({ phase: 'ended', why: 'noAnswer' });
		const refused = run(asked, { kind: 'refused', atMs: 30, press: 1, why: 'held' });
		expect(refused.hold).toMatchObject({ phase: 'ended', why: 'held' });
		expect(run(refused.hold, { kind: 'press', atMs: 500 }).effects).toMatchObject([{ kind: 'ask', press: 2 }]);
	});

	it('beats each tenth of a second while nobody holds, by the newest word of the head; one without power begins anew', () => {
		const { hold, effects } = run(
			handOff('h'),
			heard,
			{ kind: 'tick', atMs: 100 },
			{ kind: 'tick', atMs: 150 },
			{ kind: 'tick', atMs: 200 }
		);
		expect(effects).toMatchObject([
			{ kind: 'beat', issuedAtMs: 100, echoMs: 5000 },
			{ kind: 'beat', issuedAtMs: 200 }
		]);
		// Late by a reordering it is no newer; from its beginning it is.
		expect(run(hold, { kind: 'heard', atMs: 210, headMs: 4800 }).hold.echoMs).toBe(5000);
		expect(run(hold, { kind: 'heard', atMs: 210, headMs: 40 }).hold.echoMs).toBe(40);
	});
});
