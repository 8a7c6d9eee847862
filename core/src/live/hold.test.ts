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

	it('pressed again while it is down, or while it asks, is the same press', () => {
		const asked = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		expect(holdStep(asked, { kind: 'press', atMs: 20 })).toEqual([asked, []]);
		const held = down().hold;
		expect(holdStep(held, { kind: 'press', atMs: 40 })).toEqual([held, []]);
		const again = run(held, { kind: 'release', atMs: 50 }, { kind: 'press', atMs: 60 });
		expect(again.hold).toMatchObject({
			press: 2,
			phase: 'asked',
			epoch: null,
			sequence: 0,
			askedAtMs: 60,
			sentAtMs: 60
		});
	});

	it('a refusal ends the press it names while it asks, and no other, and none that is down', () => {
		const asked = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		const refused = (press: number): HoldEvent => ({ kind: 'refused', atMs: 20, press, why: 'held' });
		expect(holdStep(asked, refused(1))[0]).toMatchObject({ phase: 'ended', why: 'held' });
		expect(holdStep(asked, refused(1))[1]).toEqual([]);
		expect(holdStep(asked, refused(2))).toEqual([asked, []]);
		const held = down().hold;
		expect(holdStep(held, refused(1))).toEqual([held, []]);
	});

	it('deals everything it sends among four sockets in turn, from 0 to 3 and round again', () => {
		const sockets = (effects: readonly HoldEffect[]) => effects.map(({ socket }) => socket);
		let hold = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		expect(hold.socket).toBe(1);
		const asks = run(hold, ...[70, 130, 190, 250].map((atMs): HoldEvent => ({ kind: 'tick', atMs })));
		expect(asks.effects.map(({ kind }) => kind)).toEqual(['ask', 'ask', 'ask', 'ask']);
		expect(asks.effects[0]).toMatchObject({ press: 1 });
		expect(sockets(asks.effects)).toEqual([2, 3, 0, 1]);
		expect(asks.hold).toMatchObject({ phase: 'asked', press: 1, sentAtMs: 250, head: 'h' });
		hold = down().hold;
		expect(hold.socket).toBe(2);
		const grants = run(hold, ...[40, 50, 60].map((atMs): HoldEvent => ({ kind: 'tick', atMs })));
		expect(sockets(grants.effects)).toEqual([3, 0, 1]);
		expect(sockets(run(grants.hold, { kind: 'release', atMs: 61 }).effects)).toEqual([2, 3, 0]);
		const up = run(
			handOff('h'),
			heard,
			...[100, 200, 300, 400, 500].map((atMs): HoldEvent => ({ kind: 'tick', atMs }))
		);
		expect(up.effects.map(({ kind }) => kind)).toEqual(Array.from({ length: 5 }, () => 'beat'));
		expect(sockets(up.effects)).toEqual([1, 2, 3, 0, 1]);
		const third = run(
			up.hold,
			{ kind: 'press', atMs: 510 },
			{ kind: 'release', atMs: 511 },
			{ kind: 'press', atMs: 520 }
		);
		expect(sockets(third.effects)).toEqual([2, 3]);
		expect(sockets(run(third.hold, { kind: 'release', atMs: 521 }, { kind: 'press', atMs: 530 }).effects)).toEqual([0]);
	});

	it('each time belongs to the side that is written: asking, giving up, granting, beating, and what a head says at first', () => {
		const asked = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		const tick = (hold: Hold, atMs: number) => run(hold, { kind: 'tick', atMs });
		expect(tick(asked, 69.9).effects).toEqual([]);
		expect(tick(asked, 70).effects).toHaveLength(1);
		expect(tick(asked, 810).hold.phase).toBe('asked');
		expect(tick(asked, 810.1).hold).toMatchObject({ phase: 'ended', why: 'noAnswer' });
		const held = down().hold;
		expect(tick(held, 39.9).effects).toEqual([]);
		expect(tick(held, 40).effects).toHaveLength(1);
		const other = (hold: Hold, atMs: number, epoch: number | null) => run(hold, { kind: 'holds', atMs, epoch });
		expect(other(held, 230, null).hold.phase).toBe('down');
		expect(other(held, 230, null).effects).toEqual([]);
		expect(other(held, 230.1, null).hold).toMatchObject({ phase: 'ended', why: 'lost' });
		expect(other(held, 230.1, 77)).toEqual({ hold: held, effects: [] });
		const idle = run(handOff('h'), heard, { kind: 'tick', atMs: 100 }).hold;
		expect(other(idle, 5000, 3)).toEqual({ hold: idle, effects: [] });
		expect(tick(idle, 199.9).effects).toEqual([]);
		expect(tick(idle, 200).effects).toHaveLength(1);
		expect(tick(handOff('h'), 1e6).effects).toEqual([]);
	});

	it('keeps the newest time of the head, and takes an older one only of a head that begins anew', () => {
		const hear = (hold: Hold, headMs: number) => run(hold, { kind: 'heard', atMs: 1, headMs }).hold;
		const hold = hear(handOff('h'), 5000);
		expect(hear(hold, 6000).echoMs).toBe(6000);
		expect(hear(hold, 4000).echoMs).toBe(5000);
		expect(hear(hold, 2000).echoMs).toBe(5000);
		expect(hear(hold, 1999).echoMs).toBe(1999);
	});

	it('let go before an answer, or ended already, it releases nothing', () => {
		const asked = run(handOff('h'), heard, { kind: 'press', atMs: 10 }).hold;
		expect(run(asked, { kind: 'release', atMs: 20 })).toMatchObject({ hold: { phase: 'up', why: null }, effects: [] });
		const gone = run(down().hold, { kind: 'release', atMs: 50 }).hold;
		expect(gone.epoch).toBeNull();
		expect(run(gone, { kind: 'release', atMs: 60 }).effects).toEqual([]);
		expect(run(gone, { kind: 'offer', atMs: 60, press: 1, epoch: 78 })).toEqual({ hold: gone, effects: [] });
	});
});
