import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric/random';
import { type DeskEffect, type DeskEvent, deskHead, type DeskHead, deskHeadStep, type Seen } from './deskHead';
import type { Leg } from './way';

const axes = {
	panRad: { range: [-2, 2] as const, maxRate: 1, maxAccel: 2 },
	tiltRad: { range: [-0.5, 0.5] as const, maxRate: 1, maxAccel: 2 }
};
/** A desk with a head that is always where it was told to be. */
function bench(begun: Readonly<Record<string, number>> = { panRad: 0, tiltRad: 0 }) {
	let desk: DeskHead = deskHead(axes);
	let now = 0;
	let at = { ...begun };
	const sent: DeskEffect[] = [];
	let held: { epoch: number } | null = { epoch: 7 };
	const give = (event: DeskEvent) => {
		const [after, effects] = deskHeadStep(desk, event);
		desk = after;
		sent.push(...effects);
		return effects;
	};
	const see = (more: Partial<Seen> = {}) =>
		give({
			kind: 'seen',
			seen: {
				...{ atMs: now, headMs: now, toHeadMs: 0, values: at, rates: { panRad: 0, tiltRad: 0 } },
				...{ phase: held === null ? 'rest' : 'armed', holder: 'page', epoch: held?.epoch ?? null, stoppedBy: null },
				...{ ready: ['panRad', 'tiltRad'], ...more }
			}
		});
	const run = (ms: number, each: () => void = () => {}) => {
		const from = sent.length;
		for (const until = now + ms; now < until;) {
			now += 20;
			each();
			see();
			for (const effect of give({ kind: 'tick', atMs: now }))
				if (effect.kind === 'follow') at = { ...at, ...effect.at };
		}
		return sent.slice(from);
	};
	return {
		run,
		give,
		see,
		hold: (epoch: number | null) => (held = epoch === null ? null : { epoch }),
		desk: () => desk,
		at: () => at,
		now: () => now
	};
}
const to = (panRad: number, tiltRad: number, restS = 0): Leg => ({
	...{ kind: 'pose', name: `${panRad}`, to: { panRad, tiltRad }, wantedS: 3, restS }
});
const task = (legs: readonly Leg[], laps: number | null = 1): DeskEvent => ({
	kind: 'task',
	id: 'way',
	name: 'way',
	legs,
	laps
});
const follows = (effects: readonly DeskEffect[]) => effects.flatMap((each) => (each.kind === 'follow' ? [each] : []));

describe('the desk and one head', () => {
	it('says nothing to a head that nobody holds, nor to one it has not heard for long', () => {
		const { run, give, hold, desk } = bench();
		hold(null);
		give(task([to(1, 0.2)]));
		expect(run(500)).toEqual([]);
		hold(7);
		expect(run(100).length).toBeGreaterThan(0);
		expect(give({ kind: 'tick', atMs: 5000 })).toEqual([]);
		expect(desk().trouble).toBe('away');
	});

	it('leads it to its pose and says so, its words counted from one in every hold', () => {
		const { run, give, at, desk } = bench();
		give(task([to(1, 0.2)]));
		const words = follows(run(4000));
		expect(words[0]!.sequence).toBe(1);
		words.slice(1).forEach((word, k) => expect(word.sequence).toBe(words[k]!.sequence + 1));
		words.slice(1).forEach((word, k) => expect(word.dueMs).toBeGreaterThan(words[k]!.dueMs));
		expect(at().panRad!).toBeCloseTo(1, 3);
		expect(desk().task!.phase).toBe('done');
	});

	it('let go it slows on the way, at once, and the pace only falls', () => {
		const { run, give, hold, at } = bench();
		give(task([to(1, 0.2)]));
		run(1500);
		hold(null);
		give({ kind: 'released', epoch: 7 });
		const words = follows(run(1500));
		expect(words.length).toBeGreaterThan(3);
		words.slice(1).forEach((word, k) => expect(word.pace).toBeLessThanOrEqual(words[k]!.pace));
		expect(words[words.length - 1]!.pace).toBe(0);
		expect(at().panRad! / 1).toBeCloseTo(at().tiltRad! / 0.2, 6);
		expect(at().panRad!).toBeLessThan(0.95);
	});

	it('a chain of poses goes there and back as often as it is to, with its rests', () => {
		const { run, give, desk } = bench();
		give(task([to(0.5, 0, 0.5), to(-0.5, 0, 0)], 2));
		const words = follows(run(16_000));
		expect(desk().task!.phase).toBe('done');
		expect(desk().task!.lap).toBe(2);
		const turns = words.filter(
			(word, k) =>
				k > 0 &&
				k < words.length - 1 &&
				(word.at.panRad! - words[k - 1]!.at.panRad!) * (words[k + 1]!.at.panRad! - word.at.panRad!) < 0
		);
		expect(turns.length).toBeLessThanOrEqual(3);
	});

	it('what a stick adds to a running way eases back when it is let go, or stays', () => {
		for (const keeps of [false, true]) {
			const { run, give, desk, now } = bench();
			give(task([to(1, 0)]));
			give({ kind: 'keepAdded', keeps });
			run(600, () => give({ kind: 'stick', atMs: now(), rates: { tiltRad: 0.4 } }));
			expect(desk().task!.added.tiltRad!).toBeGreaterThan(0.05);
			run(2400);
			if (keeps) expect(desk().task!.added.tiltRad!).toBeGreaterThan(0.05);
			else expect(desk().task!.added.tiltRad ?? 0).toBeLessThan(0.03);
		}
	});

	it('backwards runs the same way back; the lever slows it', () => {
		const { run, give, at } = bench();
		give(task([to(1, 0.2)]));
		run(1500);
		const far = at().panRad!;
		give({ kind: 'pace', pace: 1, direction: -1, untilS: null });
		run(2500);
		expect(at().panRad!).toBeLessThan(far);
		expect(at().panRad!).toBeCloseTo(0, 2);
		give({ kind: 'pace', pace: 0.2, direction: 1, untilS: null });
		run(1500);
		expect(at().panRad!).toBeLessThan(far / 2);
	});

	it('a move through keys is not begun from anywhere but its start, nor taken up beside it', () => {
		const keys = [0, 1, 2].map((tS) => ({ tS, values: { panRad: 0.4 * tS, tiltRad: 0 } }));
		const way: Leg = { kind: 'keyed', name: 'move', keys, ends: 'still', restS: 0 };
		const off = bench({ panRad: 0.5, tiltRad: 0 });
		off.give(task([way]));
		expect(follows(off.run(500))).toEqual([]);
		expect(off.desk().trouble).toBe('offPath');
		const on = bench();
		on.give(task([way]));
		expect(follows(on.run(3000)).length).toBeGreaterThan(50);
		expect(on.at().panRad!).toBeCloseTo(0.8, 3);
	});

	it('a stick is ramped, trimmed, within the axis, and let go when nothing is heard of it', () => {
		const { run, give, now } = bench();
		give({ kind: 'shape', rampS: 0.5, trim: 0.5 });
		const words = run(1500, () => give({ kind: 'stick', atMs: now(), rates: { panRad: 9, tiltRad: NaN } }));
		expect(words.length).toBe(75);
		// A stick with a figure that is none is not heard at all.
		for (const word of words) if (word.kind === 'drive') expect(word.rates.panRad ?? 0).toBe(0);
		const driven = run(1500, () => give({ kind: 'stick', atMs: now(), rates: { panRad: 9 } }));
		const rates = driven.map((word) => (word.kind === 'drive' ? (word.rates.panRad ?? 0) : 0));
		expect(Math.max(...rates)).toBeCloseTo(0.5, 9);
		rates.slice(1).forEach((rate, k) => expect(Math.abs(rate - rates[k]!)).toBeLessThanOrEqual(0.04 + 1e-9));
		const after = run(1000).map((word) => (word.kind === 'drive' ? (word.rates.panRad ?? 0) : 0));
		expect(after[after.length - 1]).toBe(0);
	});

	it('a way that is none is not taken, and one through an axis the head has no more leads nowhere', () => {
		const { run, give, desk, at } = bench();
		const keyed = (keys: readonly { tS: number; values: Record<string, number> }[]): Leg => ({
			...{ kind: 'keyed', name: 'move', keys, ends: 'still', restS: 0 }
		});
		give(
			task([
				keyed([
					{ tS: 1, values: { panRad: 0 } },
					{ tS: 1, values: { panRad: 1 } }
				])
			])
		);
		give(
			task([
				keyed([
					{ tS: 0, values: { panRad: 0 } },
					{ tS: 1, values: { panRad: NaN } }
				])
			])
		);
		give(task([to(NaN, 0)]));
		expect(desk().task).toBeNull();
		give(
			task([
				keyed([
					{ tS: 0, values: { panRad: 0, boomRad: 0 } },
					{ tS: 3, values: { panRad: 1, boomRad: 1 } }
				])
			])
		);
		expect(follows(run(300))).toEqual([]);
		give({ kind: 'drop' });
		give(task([to(1, 0.2)]));
		run(500);
		give({ kind: 'axes', axes: { tiltRad: axes.tiltRad } });
		run(300);
		expect(desk().trouble).toBe('noWay');
		expect(at().panRad!).toBeLessThan(0.5);
	});

	it('places stay within the soft ends, whatever way it is given', () => {
		const { run, give } = bench();
		give(task([to(9, -9)]));
		for (const word of follows(run(9000))) {
			expect(word.at.panRad!).toBeLessThanOrEqual(2);
			expect(word.at.tiltRad!).toBeGreaterThanOrEqual(-0.5);
		}
	});
});

describe('whatever comes to the desk', () => {
	it('of a hundred thousand events none makes a word without a live hold, but the slowing end of a way that was let go', () => {
		const random = seededRandom(404);
		const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
		const figure = () =>
			pick([NaN, Infinity, -Infinity, 1e300, 0, random() * 4 - 2, random() * 4 - 2, random() * 4 - 2]);
		let desk = deskHead(axes);
		let now = 0;
		let at: Record<string, number> = { panRad: 0, tiltRad: 0 };
		let [epoch, armed, released] = [1, false, null as number | null];
		let lastPace = Infinity;
		const counts = { held: 0, ends: 0, refused: 0 };
		for (let k = 0; k < 110_000; k += 1) {
			const kind = random();
			let event: DeskEvent;
			if (kind < 0.35) {
				if (random() < 0.08) [armed, epoch] = [!armed, armed ? epoch : epoch + 1];
				const seen = {
					...{ atMs: now, headMs: now, toHeadMs: 0, values: at, rates: { panRad: 0, tiltRad: 0 }, holder: 'page' },
					...{ phase: armed ? ('armed' as const) : ('rest' as const), epoch: armed ? epoch : null, stoppedBy: null },
					ready: random() < 0.9 ? ['panRad', 'tiltRad'] : ['panRad']
				};
				event = { kind: 'seen', seen };
			} else if (kind < 0.75) {
				now += random() < 0.01 ? 700 : 20;
				event = { kind: 'tick', atMs: now };
			} else if (kind < 0.85) event = { kind: 'stick', atMs: now, rates: { panRad: figure(), tiltRad: figure() } };
			else if (kind < 0.9) event = task([to(random() * 6 - 3, random() * 2 - 1, random())], pick([null, 1, 2]));
			else if (kind < 0.93)
				event = { kind: 'pace', pace: figure(), direction: pick([1, -1] as const), untilS: pick([null, 1]) };
			else if (kind < 0.95) {
				released = random() < 0.8 ? epoch : epoch - 1;
				event = { kind: 'released', epoch: released };
				lastPace = Infinity;
			} else if (kind < 0.97) event = { kind: 'shape', rampS: random(), trim: random() };
			else if (kind < 0.99) event = { kind: 'keepAdded', keeps: random() < 0.5 };
			else event = { kind: 'drop' };
			const [after, effects] = deskHeadStep(desk, event);
			desk = after;
			for (const effect of effects) {
				if (effect.kind === 'done') continue;
				const seen = desk.seen!;
				expect(now - seen.atMs).toBeLessThanOrEqual(400);
				for (const value of Object.values(effect.rates)) expect(Number.isFinite(value)).toBe(true);
				const live = seen.phase === 'armed' && effect.epoch === seen.epoch && effect.epoch !== released;
				if (live) counts.held += 1;
				else {
					expect(effect.kind).toBe('follow');
					expect(effect.epoch).toBe(released);
					counts.ends += 1;
				}
				if (effect.kind !== 'follow') continue;
				if (!live) {
					expect(effect.pace).toBeLessThanOrEqual(lastPace);
					lastPace = effect.pace;
				}
				for (const [axis, value] of Object.entries(effect.at)) {
					const [from, most] = axes[axis as 'panRad'].range;
					expect(value).toBeGreaterThanOrEqual(from);
					expect(value).toBeLessThanOrEqual(most);
				}
				at = { ...at, ...effect.at };
			}
		}
		// It was about something.
		expect(counts.held).toBeGreaterThan(5000);
		expect(counts.ends).toBeGreaterThan(50);
	}, 60_000);
});

describe('what is left of a way', () => {
	it('let go, it is stopped and no fault of its own, whichever word comes first', () => {
		for (const early of [true, false]) {
			const { run, give, hold, desk } = bench();
			give(task([to(1, 0.2)]));
			run(1000);
			hold(null);
			// What the head says of its braking may come before the page's own word.
			if (early) run(40);
			give({ kind: 'released', epoch: 7 });
			run(1500);
			expect(desk().task!.phase).toBe('stopped');
			expect(desk().trouble).toBeNull();
		}
	});
	it('lost, it is stopped, and that is said; not heard, nothing is left of it', () => {
		const { run, give, hold, desk } = bench();
		give(task([to(1, 0.2)]));
		run(1000);
		hold(null);
		run(100);
		expect([desk().task!.phase, desk().trouble]).toEqual(['stopped', 'braked']);
		give({ kind: 'tick', atMs: 10_000 });
		expect([desk().task, desk().trouble]).toEqual([null, 'away']);
	});
	it('dropped while it runs, it slows along itself and is gone', () => {
		const { run, give, at, desk } = bench();
		give(task([to(1, 0.2)]));
		run(1000);
		give({ kind: 'drop' });
		expect(desk().task!.dropped).toBe(true);
		// Nobody speeds it up again.
		give({ kind: 'pace', pace: 1, direction: 1, untilS: null });
		const words = follows(run(2500));
		words.slice(1).forEach((word, k) => expect(word.pace).toBeLessThanOrEqual(words[k]!.pace + 1e-9));
		expect(desk().task).toBeNull();
		expect(at().panRad!).toBeLessThan(0.98);
		expect(at().panRad! / 1).toBeCloseTo(at().tiltRad! / 0.2, 6);
	});
	it('a new hold begins with nothing but the stick where it was pressed for that', () => {
		const { run, give, hold, at, desk } = bench();
		give(task([to(1, 0.2)]));
		run(1000);
		hold(null);
		give({ kind: 'released', epoch: 7 });
		run(1500);
		const stood = at().panRad!;
		give({ kind: 'steer' });
		hold(8);
		expect(follows(run(600))).toEqual([]);
		expect(desk().task).toBeNull();
		expect(at().panRad).toBe(stood);
	});
	it('back at its beginning there is only on', () => {
		const { run, give, hold, desk } = bench();
		give(task([to(1, 0.2)]));
		run(900);
		give({ kind: 'pace', pace: 1, direction: -1, untilS: null });
		run(4000);
		hold(null);
		give({ kind: 'released', epoch: 7 });
		run(500);
		expect(desk().task!.going.s).toBe(0);
		expect(desk().task!.wantedDirection).toBe(1);
	});
});
