import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric/random';
import { type Lease, type LeaseEvent, leaseStep, leaseTimes, linkOf, restingLease } from './lease';

/** A holder whose link is known: beats each 100 ms for two seconds and a half, 12 ms late, on a clock 5000 ms ahead. */
function known(holder = 'ada', watched = false): Lease {
	let lease = restingLease(watched);
	for (let atMs = 100; atMs <= 2500; atMs += 100)
		[lease] = leaseStep(lease, { kind: 'beat', atMs, holder, issuedAtMs: atMs + 5000 - 12, echoMs: atMs - 25 });
	return lease;
}
const run = (lease: Lease, ...events: readonly LeaseEvent[]) => {
	const effects = [];
	for (const event of events) {
		const [after, more] = leaseStep(lease, event);
		lease = after;
		effects.push(...more);
	}
	return { lease, effects };
};
const ask = (atMs: number, epoch = 7, holder = 'ada'): LeaseEvent => ({
	kind: 'ask',
	atMs,
	holder,
	press: epoch,
	epoch,
	by: 'hand'
});
const grant = (
	atMs: number,
	sequence: number,
	more: Partial<Extract<LeaseEvent, { kind: 'grant' }>> = {}
): LeaseEvent => ({
	...{ kind: 'grant', atMs, holder: 'ada', epoch: 7, sequence },
	...{ issuedAtMs: atMs + 5000 - 12, echoMs: atMs - 25, ...more }
});

describe('the lease', () => {
	it('offers an epoch to a press, arms at its first grant, and is good for 140 ms of the issue', () => {
		const { lease, effects } = run(known(), ask(2510), grant(2540, 1));
		expect(effects).toEqual([
			{ kind: 'offer', holder: 'ada', press: 7, epoch: 7 },
			{ kind: 'arm', holder: 'ada', epoch: 7 }
		]);
		// By the fastest way of its link, 12 ms, a grant issued at 2528 of the head is good until 2528 + 12 + 140.
		expect(lease.deadlineMs).toBe(2680);
		expect(run(lease, { kind: 'tick', atMs: 2680 }).effects).toEqual([]);
		expect(run(lease, { kind: 'tick', atMs: 2681 }).effects).toEqual([{ kind: 'brake', why: 'lost' }]);
	});

	it('counts from the issue, not from the arrival: late ones shorten the hold and then are none', () => {
		const { lease } = run(known(), ask(2510), grant(2540, 1));
		const late = run(lease, grant(2600, 2, { issuedAtMs: 2600 + 5000 - 100 }));
		expect(late.lease.deadlineMs).toBe(2680);
		const dead = run(lease, grant(2600, 2, { issuedAtMs: 2600 + 5000 - 160 }));
		expect(dead.lease.ignored.late).toBe(1);
		expect(dead.lease.sequence).toBe(1);
	});

	it.each([
		['before its link is known', restingLease(false), 'linkUnknown'],
		['after a stop of everything', run(known(), { kind: 'stopAll', atMs: 2501, by: 'Bo' }).lease, 'stopAll'],
		['while another holds', run(known(), ask(2502, 6, 'ada')).lease, 'held']
	] as const)('refuses a press %s', (_when, lease, why) => {
		const holder = why === 'held' ? 'bo' : 'ada';
		expect(run(lease, ask(2510, 9, holder)).effects).toEqual([{ kind: 'refuse', holder, press: 9, why }]);
	});

	it('refuses a link that is slow there and back, and a desk that would watch where only a hand may hold', () => {
		let slow = restingLease(false);
		for (let atMs = 100; atMs <= 2500; atMs += 100)
			[slow] = leaseStep(slow, { kind: 'beat', atMs, holder: 'ada', issuedAtMs: atMs, echoMs: atMs - 101 });
		expect(run(slow, ask(2510)).effects).toMatchObject([{ why: 'linkSlow' }]);
		const watch: LeaseEvent = { kind: 'ask', atMs: 2510, holder: 'ada', press: 7, epoch: 7, by: 'watch' };
		expect(run(known(), watch).effects).toMatchObject([{ why: 'watchNotAllowed' }]);
		expect(run(known('ada', true), watch).effects).toMatchObject([{ kind: 'offer' }]);
	});

	it('takes no first grant later than 200 ms after the offer, no second of one, no other epoch, none of another hand', () => {
		expect(run(known(), ask(2510), grant(2711, 1)).effects).toHaveLength(1);
		const { lease } = run(known(), ask(2510), grant(2540, 3));
		expect(run(lease, grant(2550, 3)).lease.ignored.replayed).toBe(1);
		expect(run(lease, grant(2550, 2)).lease.ignored.replayed).toBe(1);
		expect(run(lease, grant(2550, 4, { epoch: 6 })).lease.ignored.otherEpoch).toBe(1);
		expect(run(lease, grant(2550, 4, { holder: 'bo' })).lease.ignored.otherEpoch).toBe(1);
	});

	it('a page that hears nothing of the head holds nothing', () => {
		const { lease } = run(known(), ask(2510), grant(2540, 1));
		expect(run(lease, grant(2550, 2, { echoMs: 2149 })).lease.ignored.deafPage).toBe(1);
		expect(run(lease, grant(2550, 2, { echoMs: 2551 })).lease.ignored.deafPage).toBe(1);
		expect(run(lease, grant(2550, 2, { echoMs: 2200 })).lease.deadlineMs).toBe(2680);
	});

	it('let go it brakes and its epoch is spent: nothing of it that still comes arms again', () => {
		const { lease, effects } = run(known(), ask(2510), grant(2540, 1), {
			...{ kind: 'release', atMs: 2560, holder: 'ada', epoch: 7 }
		});
		expect(effects[2]).toEqual({ kind: 'brake', why: 'released' });
		const after = run(lease, grant(2570, 2), grant(2580, 3), { kind: 'rested', atMs: 2590 }, grant(2600, 4));
		expect(after.effects).toEqual([]);
		expect(after.lease.phase).toBe('rest');
	});

	it('stop-all brakes whoever holds and stays until a named person clears it', () => {
		const { lease, effects } = run(known(), ask(2510), grant(2540, 1), { kind: 'stopAll', atMs: 2550, by: 'Bo' });
		expect(effects[2]).toEqual({ kind: 'brake', why: 'stopAll' });
		expect(run(lease, { kind: 'clear', atMs: 2600, by: '' }).lease.stoppedBy).toBe('Bo');
		expect(run(lease, { kind: 'clear', atMs: 2600, by: 'Cy' }).lease.stoppedBy).toBeNull();
	});

	it('a fault brakes whoever holds, ends an offer, and says nothing at rest', () => {
		const held = run(known(), ask(2510), grant(2540, 1)).lease;
		const braked = run(held, { kind: 'fault', atMs: 2550 });
		expect(braked.effects).toEqual([{ kind: 'brake', why: 'fault' }]);
		expect(braked.lease).toMatchObject({ phase: 'stopping', holder: null, epoch: null });
		const offered = run(known(), ask(2510)).lease;
		const ended = run(offered, { kind: 'fault', atMs: 2520 });
		expect(ended.effects).toEqual([]);
		expect(ended.lease).toMatchObject({ phase: 'rest', holder: null, epoch: null });
		expect(run(ended.lease, grant(2530, 1)).effects).toEqual([]);
		const resting = run(known(), { kind: 'fault', atMs: 2520 });
		expect(resting.effects).toEqual([]);
		expect(resting.lease.phase).toBe('rest');
	});

	it('stop-all at rest brakes nothing, and every refusal and every word that is not taken has no effect at all', () => {
		expect(run(known(), { kind: 'stopAll', atMs: 2510, by: 'Bo' }).effects).toEqual([]);
		const held = run(known(), ask(2510), grant(2540, 1)).lease;
		const nothing: readonly LeaseEvent[] = [
			{ kind: 'tick', atMs: 2545 },
			{ kind: 'beat', atMs: 2545, holder: 'bo', issuedAtMs: 2540, echoMs: 2530 },
			{ kind: 'clear', atMs: 2545, by: 'Cy' },
			{ kind: 'clear', atMs: 2545, by: '' },
			{ kind: 'rested', atMs: 2545 },
			{ kind: 'release', atMs: 2545, holder: 'bo', epoch: 7 },
			{ kind: 'release', atMs: 2545, holder: 'ada', epoch: 6 },
			{ kind: 'tick', atMs: NaN },
			grant(2545, 2, { issuedAtMs: Infinity }),
			grant(2545, 1),
			grant(2545, 2),
			grant(2545, 2, { epoch: 6 }),
			grant(2545, 2, { echoMs: 2546 }),
			grant(2545, 2, { issuedAtMs: 2545 + 5000 - 200 })
		];
		for (const event of nothing) {
			const { lease, effects } = run(held, event);
			expect([event, effects, lease.phase, lease.holder]).toEqual([event, [], 'armed', 'ada']);
		}
		const spent = run(held, { kind: 'release', atMs: 2560, holder: 'ada', epoch: 7 }).lease;
		expect(run(spent, grant(2570, 2)).effects).toEqual([]);
		expect(run(spent, grant(2570, 2)).lease.ignored.nobodyAsked).toBe(1);
		const offered = run(known(), ask(2510), { kind: 'release', atMs: 2520, holder: 'ada', epoch: 7 });
		expect(offered.effects).toEqual([{ kind: 'offer', holder: 'ada', press: 7, epoch: 7 }]);
		expect(offered.lease.phase).toBe('rest');
	});

	it('a figure that is none leaves everything as it was, whichever of the event it is', () => {
		const held = run(known(), ask(2510), grant(2540, 1)).lease;
		for (const field of ['atMs', 'sequence', 'issuedAtMs', 'echoMs', 'epoch'])
			for (const none of [NaN, Infinity, -Infinity])
				expect(leaseStep(held, { ...grant(2550, 2), [field]: none } as LeaseEvent)).toEqual([held, []]);
	});

	it('the ends of every time belong to the side that is written', () => {
		const offered = run(known(), ask(2510)).lease;
		const fast = { issuedAtMs: 2710 + 5000 - 12, echoMs: 2700 };
		expect(run(offered, grant(2710, 1, fast)).effects).toEqual([{ kind: 'arm', holder: 'ada', epoch: 7 }]);
		expect(run(offered, grant(2710.001, 1, fast)).effects).toEqual([]);
		const held = run(known(), ask(2510), grant(2540, 1)).lease;
		// Heard of the head this very moment, and 400 ms ago, but not 400.001.
		expect(run(held, grant(2600, 2, { echoMs: 2600 })).lease.sequence).toBe(2);
		expect(run(held, grant(2600, 2, { echoMs: 2200 })).lease.ignored.deafPage).toBe(0);
		expect(run(held, grant(2600, 2, { echoMs: 2199.999 })).lease.ignored.deafPage).toBe(1);
		// Good until this very moment is over.
		const dying = { issuedAtMs: 2600 + 5000 - 12 - 140 };
		expect(run(held, grant(2600, 2, dying)).lease.ignored.late).toBe(1);
		expect(run(held, grant(2600, 2, { issuedAtMs: dying.issuedAtMs + 0.01 })).lease.ignored.late).toBe(0);
	});

	it('a press is let in from the wanted number of words on, and to the slowest link that is allowed', () => {
		const after = (words: number, tripMs: number) => {
			let lease = restingLease(false);
			for (let k = 0; k < words; k += 1) {
				const atMs = 1000 + 10 * k;
				[lease] = leaseStep(lease, { kind: 'beat', atMs, holder: 'ada', issuedAtMs: atMs, echoMs: atMs - tripMs });
			}
			return run(lease, ask(1000 + 10 * words)).effects.map((effect) => ('why' in effect ? effect.why : effect.kind));
		};
		const { leastSamples, mostRoundTripMs } = leaseTimes;
		expect(after(leastSamples - 1, 20)).toEqual(['linkUnknown']);
		expect(after(leastSamples, 20)).toEqual(['offer']);
		expect(after(leastSamples, mostRoundTripMs)).toEqual(['offer']);
		expect(after(leastSamples, mostRoundTripMs + 0.001)).toEqual(['linkSlow']);
		// An echo from later than now is no time there and back at all.
		expect(after(leastSamples, -1)).toEqual(['linkSlow']);
		expect(after(leastSamples, 0)).toEqual(['offer']);
	});

	it('what a link was is forgotten after its buckets, each keeps its least, and all of them count', () => {
		const { bucketMs, buckets } = leaseTimes;
		const beat = (lease: Lease, atMs: number, offsetMs: number, tripMs: number) =>
			leaseStep(lease, { kind: 'beat', atMs, holder: 'ada', issuedAtMs: atMs - offsetMs, echoMs: atMs - tripMs })[0];
		let lease = restingLease(false);
		for (const [atMs, offsetMs, tripMs] of [
			[100, 9, 30],
			[200, 4, 50],
			[300, 7, 20],
			[bucketMs + 100, 6, 40]
		] as const)
			lease = beat(lease, atMs, offsetMs, tripMs);
		expect(linkOf(lease, 'ada')).toEqual({ samples: 4, leastOffsetMs: 4, leastTripMs: 20 });
		expect(lease.links.ada!.buckets).toHaveLength(2);
		const lastOfAll = run(lease, { kind: 'tick', atMs: buckets * bucketMs - 0.001 }).lease;
		expect(linkOf(lastOfAll, 'ada').samples).toBe(4);
		const first = run(lease, { kind: 'tick', atMs: buckets * bucketMs }).lease;
		expect(linkOf(first, 'ada')).toEqual({ samples: 1, leastOffsetMs: 6, leastTripMs: 40 });
		const more = beat(first, buckets * bucketMs + 1, 8, 60);
		expect(more.links.ada!.buckets.map(({ samples }) => samples)).toEqual([1, 1]);
		const none = run(more, { kind: 'tick', atMs: 3 * buckets * bucketMs }).lease;
		expect(linkOf(none, 'ada')).toEqual({ samples: 0, leastOffsetMs: Infinity, leastTripMs: Infinity });
		expect(linkOf(none, 'nobody').samples).toBe(0);
	});

	it('who was heard longest ago is forgotten first, and not the one who speaks or the one who holds', () => {
		let lease = run(known(), ask(2510), grant(2540, 1)).lease;
		for (let k = 0; k < 31; k += 1)
			[lease] = leaseStep(lease, { kind: 'beat', atMs: 2545 + k, holder: `h${k}`, issuedAtMs: 0, echoMs: 2500 });
		// The second is heard again: now the first is the oldest, then the third.
		for (const [holder, atMs] of [
			['h1', 2580],
			['late', 2581],
			['later', 2582]
		] as const)
			[lease] = leaseStep(lease, { kind: 'beat', atMs, holder, issuedAtMs: 0, echoMs: 2500 });
		const names = Object.keys(lease.links);
		expect(names).toHaveLength(32);
		for (const here of ['ada', 'h1', 'h3', 'late', 'later']) expect(names).toContain(here);
		for (const gone of ['h0', 'h2']) expect(names).not.toContain(gone);
	});
});

describe('a press', () => {
	it('that is over and comes again ends no newer one: presses, copies and delays of up to 300 ms', () => {
		const random = seededRandom(41);
		let [lease, armed, brakes, late] = [restingLease(false), 0, 0, 0];
		let [press, down, epoch, sequence, downAtMs] = [0, false, 0, 0, 0];
		let queue: { readonly dueMs: number; readonly event: LeaseEvent }[] = [];
		const send = (atMs: number, mostMs: number, event: LeaseEvent) =>
			queue.push({ dueMs: atMs + 5 + mostMs * random(), event });
		for (let atMs = 0; atMs < 120_000; atMs += 5) {
			if (atMs % 20 === 0)
				send(atMs, 10, { kind: 'beat', atMs, holder: 'ada', issuedAtMs: atMs, echoMs: Math.max(0, atMs - 30) });
			if (atMs > 3000 && random() < 0.02) {
				down = !down;
				if (down) {
					[press, epoch, downAtMs] = [press + 1, 0, atMs];
					// Two more copies of it, one of them long after it is over.
					for (const mostMs of [10, 60, 300]) {
						const by = { holder: 'ada', press, epoch: 100 * press + mostMs, by: 'hand' } as const;
						send(atMs, mostMs, { kind: 'ask', atMs, ...by });
					}
				} else if (epoch !== 0) send(atMs, 10, { kind: 'release', atMs, holder: 'ada', epoch });
			}
			if (down && epoch !== 0 && atMs % 10 === 0)
				send(atMs, 10, {
					...{ kind: 'grant', atMs, holder: 'ada', epoch, sequence: (sequence += 1) },
					...{ issuedAtMs: atMs, echoMs: atMs - 30 }
				});
			const due = queue.filter(({ dueMs }) => dueMs <= atMs).sort((one, two) => one.dueMs - two.dueMs);
			queue = queue.filter(({ dueMs }) => dueMs > atMs);
			for (const { event } of due) {
				const was = lease.phase === 'armed' && lease.epoch === epoch && down;
				if (event.kind === 'ask' && event.press < press) late += 1;
				const [after, effects] = leaseStep(lease, { ...event, atMs });
				lease = after;
				for (const effect of effects) {
					if (effect.kind === 'offer' && effect.press === press && down) epoch = effect.epoch;
					if (effect.kind === 'arm') armed += 1;
					// The press is still down, and was so when its own first word came.
					if (effect.kind === 'brake' && was && event.kind !== 'release') brakes += 1;
				}
			}
			if (lease.phase === 'stopping' && random() < 0.2) [lease] = leaseStep(lease, { kind: 'rested', atMs });
			if (down && atMs - downAtMs > 60) expect(lease.phase === 'armed' || epoch === 0, `at ${atMs}`).toBe(true);
		}
		expect(armed).toBeGreaterThan(150);
		expect(late).toBeGreaterThan(20);
		expect(brakes).toBe(0);
		expect(lease.ignored.oldPress).toBeGreaterThan(200);
	});
	it('refused, it may ask again; answered, it is spent; and another desk counts from one', () => {
		const again = (lease: Lease, press: number, epoch: number) =>
			leaseStep(lease, { kind: 'ask', atMs: 2520, holder: 'ada', press, epoch, by: 'hand' });
		const refused = run({ ...known(), stoppedBy: 'Bo' }, ask(2510, 3)).lease;
		expect(again({ ...refused, stoppedBy: null }, 3, 8)[1]).toEqual([
			{ kind: 'offer', holder: 'ada', press: 3, epoch: 8 }
		]);
		const held = run(known(), ask(2510), grant(2515, 1)).lease;
		for (const press of [7, 6, 0]) {
			const [after, effects] = again(held, press, 9);
			expect(effects).toEqual([]);
			expect(after.ignored.oldPress).toBe(1);
			expect(after.phase).toBe('armed');
		}
		const offered = run(known(), ask(2510)).lease;
		expect(again(offered, 7, 9)[1]).toEqual([{ kind: 'offer', holder: 'ada', press: 7, epoch: 7 }]);
		const [anew, effects] = leaseStep(held, { kind: 'anew', atMs: 2520 });
		expect(effects).toEqual([{ kind: 'brake', why: 'fault' }]);
		expect(again(anew, 1, 9)[1]).toEqual([{ kind: 'offer', holder: 'ada', press: 1, epoch: 9 }]);
	});
	it('of the page heard longest ago is forgotten first, never of whoever holds', () => {
		let lease = run(known(), ask(2510), grant(2515, 1)).lease;
		for (let k = 0; k < 40; k += 1)
			[lease] = leaseStep(lease, { kind: 'ask', atMs: 2516, holder: `h${k}`, press: 1, epoch: k, by: 'hand' });
		const names = Object.keys(lease.presses);
		expect(names).toHaveLength(32);
		for (const here of ['ada', 'h39', 'h9']) expect(names).toContain(here);
		expect(names).not.toContain('h8');
	});
});

/*
 * Thirty thousand random events against an oracle of its own that knows no phases: it keeps the list of grants that were fit when
 * they came, of the press that was last offered, and says that a hold is alive while one of them is not over.
 */
describe('whatever comes', () => {
	it('nobody holds without a fit grant of the offered press, and nothing but letting go, loss and stop-all ends one', () => {
		const random = seededRandom(2026);
		const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
		let lease = restingLease(false);
		let atMs = 0;
		let offer: { holder: string; epoch: number; atMs: number } | null = null;
		let goodUntilMs = -1;
		let stopped = false;
		let highest = 0;
		let epochs = 0;
		const seen = { arm: 0, brake: 0, lost: 0 };
		/** The least offset of each second, of the last ten. */
		const offsets = new Map<string, Map<number, number>>();
		const note = (holder: string, offsetMs: number) => {
			const now = Math.floor(atMs / 1000);
			const seconds = new Map([...(offsets.get(holder) ?? [])].filter(([second]) => second > now - 10));
			seconds.set(now, Math.min(seconds.get(now) ?? Infinity, offsetMs));
			offsets.set(holder, seconds);
			return Math.min(...seconds.values());
		};
		for (let k = 0; k < 30_000; k += 1) {
			atMs += random() < 0.02 ? 150 * random() : 12 * random();
			const holder = random() < 0.85 ? 'ada' : 'bo';
			const ahead = holder === 'ada' ? 1000 : -3000;
			const lateMs = random() < 0.9 ? 5 + 20 * random() : 400 * random();
			const issuedAtMs = atMs + ahead - lateMs;
			const echoMs = atMs - (random() < 0.95 ? 10 + 40 * random() : 600 * random() - 50);
			const current = lease.epoch ?? epochs;
			const event: LeaseEvent = pick<() => LeaseEvent>([
				() => ({ kind: 'beat', atMs, holder, issuedAtMs, echoMs }),
				...Array.from({ length: 12 }, () => (): LeaseEvent => ({
					...{ kind: 'grant', atMs, holder, issuedAtMs, echoMs },
					epoch: random() < 0.95 ? current : current - 1,
					sequence: lease.sequence + (random() < 0.9 ? 1 : -1)
				})),
				() => ({ kind: 'tick', atMs }),
				() =>
					random() < 0.6
						? { kind: 'ask', atMs, holder, press: (epochs += 1), epoch: epochs, by: 'hand' }
						: { kind: 'tick', atMs: random() < 0.5 ? NaN : atMs },
				() =>
					random() < 0.3
						? { kind: 'release', atMs, holder, epoch: random() < 0.7 ? current : current - 1 }
						: { kind: 'rested', atMs },
				() =>
					random() < 0.05
						? { kind: 'stopAll', atMs, by: 'somebody' }
						: { kind: 'clear', atMs, by: random() < 0.9 ? 'Cy' : '' }
			])();
			const wasAlive = goodUntilMs >= 0;
			const [after, effects] = leaseStep(lease, event);
			// The oracle.
			let ends: string | null = null;
			if (Number.isFinite(event.atMs)) {
				if (wasAlive && atMs > goodUntilMs) ends = 'lost';
				const alive = wasAlive && ends === null;
				if (ends !== null) goodUntilMs = -1;
				if (
					offer !== null &&
					!alive &&
					goodUntilMs < 0 &&
					(ends !== null || atMs > offer.atMs + 200) &&
					!(!wasAlive && atMs <= offer.atMs + 200)
				)
					offer = null;
				if (event.kind === 'beat') note(event.holder, atMs - event.issuedAtMs);
				if (event.kind === 'stopAll') {
					stopped = true;
					if (alive) ends = 'stopAll';
					[goodUntilMs, offer] = [-1, null];
				}
				if (event.kind === 'clear' && event.by !== '') stopped = false;
				if (
					event.kind === 'release' &&
					offer !== null &&
					offer.holder === event.holder &&
					offer.epoch === event.epoch
				) {
					if (alive) ends = 'released';
					[goodUntilMs, offer] = [-1, null];
				}
				const offered = effects.find((effect) => effect.kind === 'offer');
				if (offered?.kind === 'offer') {
					expect(stopped).toBe(false);
					expect(offer === null || offer.holder === offered.holder).toBe(true);
					const { samples, leastTripMs } = linkOf(lease, offered.holder);
					expect(samples).toBeGreaterThanOrEqual(leaseTimes.leastSamples);
					expect(leastTripMs).toBeLessThanOrEqual(100);
					if (alive) ends = 'released';
					[offer, highest, goodUntilMs] = [{ ...offered, atMs }, 0, -1];
				}
				if (
					event.kind === 'grant' &&
					offer !== null &&
					offer.holder === event.holder &&
					offer.epoch === event.epoch &&
					event.sequence > highest
				) {
					const least = note(event.holder, atMs - event.issuedAtMs);
					const until = Math.min(event.issuedAtMs + least + 140, event.echoMs + 400);
					const heard = event.echoMs <= atMs && atMs <= event.echoMs + 400;
					if (heard && until > atMs) [goodUntilMs, highest] = [Math.max(goodUntilMs, until), event.sequence];
				}
			}
			expect(after.phase === 'armed').toBe(goodUntilMs >= 0);
			if (after.phase === 'armed') expect(after.deadlineMs).toBeCloseTo(goodUntilMs, 6);
			expect(after.deadlineMs).toBeLessThanOrEqual(atMs + 140 + 1e-9);
			const brakes = effects.filter((effect) => effect.kind === 'brake');
			// Stop-all brakes also what is braking already.
			expect(brakes.length).toBeLessThanOrEqual(event.kind === 'stopAll' ? 2 : 1);
			if (ends !== null) expect(brakes[0]).toEqual({ kind: 'brake', why: ends });
			else if (event.kind !== 'stopAll') expect(brakes).toEqual([]);
			for (const effect of effects) {
				expect(['offer', 'refuse', 'arm', 'brake']).toContain(effect.kind);
				if (effect.kind === 'arm') seen.arm += 1;
				if (effect.kind === 'brake') seen.brake += 1;
				if (effect.kind === 'brake' && effect.why === 'lost') seen.lost += 1;
			}
			lease = after;
		}
		// It was about something.
		expect(seen.arm).toBeGreaterThan(300);
		expect(seen.lost).toBeGreaterThan(50);
		expect(Object.keys(lease.links).length).toBeLessThanOrEqual(32);
	}, 60_000);

	it('many holders are remembered no further than it can hold, and who holds is never forgotten', () => {
		let lease = run(known(), ask(2510), grant(2540, 1)).lease;
		for (let k = 0; k < 200; k += 1)
			[lease] = leaseStep(lease, { kind: 'beat', atMs: 2545, holder: `h${k}`, issuedAtMs: 0, echoMs: 2500 });
		expect(Object.keys(lease.links)).toHaveLength(32);
		expect(lease.links.ada).toBeDefined();
	});
});
