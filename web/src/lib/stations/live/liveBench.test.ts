import { intentOf } from '@poise/core';
import type { FromPage, HeadSeen, NextSeen, TaskSeen } from '@poise/desk/messages';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { LiveHead, LivePose } from '$lib/model/liveHead';
import { LiveBench, type LiveData, type LiveWire, stickEveryMs } from './liveBench.svelte';

/* What a page asks of heads, each rule by what goes out on a wire that only listens. */

const seen = (id: string, of: Partial<HeadSeen> = {}): HeadSeen => ({
	...{ id, headId: id, name: id, number: 1, kind: 'test', link: 'here', headMs: 0, phase: 'rest', epoch: null },
	...{ holder: null, heldS: 0, driver: null, askedBy: null, keptFrom: null, taken: null, stoppedBy: null },
	...{ stuckAxis: null, recording: false, batteryPart: 1, ignored: 0, linkPage: 'me', linkSamples: 20, linkTripMs: 9 },
	...{ at: { panRad: 0.2 }, rates: {}, ready: ['panRad'], watched: false, watchSamples: 0, watchTripMs: 0 },
	axes: { panRad: { range: [-1, 0.8], maxRate: 1, maxAccel: 3, ring: false } },
	...{ watchAsked: false, watchTrouble: null, found: {}, wantedPace: 1, keepsAdded: false },
	...{ next: null, last: null, task: null, trouble: null },
	...of
});
const kept = (id: string) =>
	({
		...{ id: `kept-${id}`, boxId: id, name: id, number: 1, venueId: null },
		settings: {
			camera: { focalM: [0.024, 0.12], sensorWidthM: 0.036, lens: null },
			place: { stands: 'stand', atM: [4, 3, 2], headingRad: 0, looksRad: 0, armM: 2 },
			programmes: []
		}
	}) as unknown as LiveHead;
const pose = (name: string, panRad: number) => ({ id: name, name, values: { panRad } }) as unknown as LivePose;
const waits = (id: string): NextSeen => ({ id, kind: 'pose', name: id, legs: [id], laps: 1, to: { panRad: 0 } });

function page(heads: HeadSeen[], mine: readonly string[]) {
	const said: FromPage[] = [];
	const did: string[] = [];
	const wire = {
		...{ heads, newest: {}, holds: {}, stoppedBy: null, heard: true },
		drives: (head: HeadSeen | null) => head !== null && mine.includes(head.id),
		nextOf: (head: HeadSeen | null) =>
			head !== null && mine.includes(head.id) ? intentOf(head) : { does: 'nothing', why: 'looking' },
		say: (message: FromPage) => said.push(message) > 0,
		...Object.fromEntries(
			['take', 'give', 'press', 'release', 'steer'].map((what) => [
				what,
				(id: string) => void did.push(`${what} ${id}`)
			])
		),
		releaseAll: () => void did.push('releaseAll')
	} as unknown as LiveWire;
	const data: LiveData = {
		...{ heads: heads.map(({ id }) => kept(id)), poses: [], venues: [], moves: [] },
		person: { id: 'p', name: 'Ada' } as LiveData['person']
	};
	const bench = new LiveBench(data, wire);
	bench.choose(heads[0]!.id);
	return { bench, said, did, wire };
}

describe('a head that is only looked at', () => {
	it('is neither pressed, nor sent anywhere, nor searched, nor turned back', () => {
		const { bench, said, did } = page([seen('a', { last: { name: 'home', to: { panRad: 0 } }, next: waits('x') })], []);
		bench.press();
		bench.aim(pose('lectern', 0.5));
		expect(bench.told).toMatch(/only looked at/);
		expect(bench.back()).toBe(false);
		bench.find('zoom');
		bench.watch();
		expect([said, did]).toEqual([[], []]);
	});
	it('is looked at without a word to anybody, and what a stick was at is let go', () => {
		const { bench, said, did } = page([seen('a'), seen('b')], ['a', 'b']);
		bench.stick('finger', { x: 1, y: 0 });
		expect(bench.rates().panRad).toBeLessThan(0);
		bench.choose('b');
		expect(bench.rates()).toEqual({});
		expect([said, did]).toEqual([[], []]);
	});
});

describe('driving', () => {
	it('another head gives those in hand, unless they are to go together', () => {
		const alone = page([seen('a'), seen('b')], ['b']);
		alone.bench.take();
		expect(alone.did).toEqual(['give b', 'take a']);
		const together = page([seen('a'), seen('b')], ['b']);
		together.bench.take({ together: true });
		expect(together.did).toEqual(['take a']);
	});
	it('a pose is asked of the axes that can be moved alone, each time under a name of its own', () => {
		const { bench, said } = page([seen('a')], ['a']);
		const left = { ...pose('far left', 0.5), values: { panRad: 0.5, zoom: 0.3 } };
		bench.aim(left);
		bench.aim(left);
		const names = said.map((each) => (each.type === 'standBy' ? each.next?.id : null));
		expect(new Set(names).size).toBe(2);
		expect(said[0]).toMatchObject({
			...{ type: 'standBy', head: 'a' },
			next: { kind: 'pose', name: 'far left', laps: 1, legs: [{ kind: 'pose', to: { panRad: 0.5 } }] }
		});
		bench.aim({ ...left, values: { zoom: 0.3 } });
		expect([said.length, bench.told]).toEqual([2, 'None of its axes can be asked for that yet.']);
	});
	it('home is the middle, or the end that is nearest it', () => {
		const off = seen('a', { axes: { panRad: { range: [0.3, 0.8], maxRate: 1, maxAccel: 3, ring: false } } });
		const { bench, said } = page([off], ['a']);
		bench.home();
		expect(said[0]).toMatchObject({ next: { kind: 'home', legs: [{ to: { panRad: 0.3 } }] } });
	});
	it('what stands by is this page’s choice only while the desk says the same', () => {
		const { bench, said, wire } = page([seen('a')], ['a']);
		bench.aim(pose('lectern', 0.5));
		const id = said[0]?.type === 'standBy' ? said[0].next!.id : '';
		expect(bench.waitingOf(seen('a'))).toBeNull();
		expect(bench.waitingOf(seen('a', { next: waits('another') }))).toBeNull();
		expect(bench.waitingOf(seen('a', { next: waits(id) }))?.name).toBe('lectern');
		expect(wire.heads).toHaveLength(1);
	});
});

describe('a press', () => {
	const task = (of: Partial<TaskSeen>) => ({ id: 't', phase: 'stopped', turned: false, ...of }) as TaskSeen;
	it('takes along those in hand that have somewhere to go, and steers none unseen', () => {
		const heads = [
			seen('a', { next: waits('x') }),
			seen('goes', { next: waits('y') }),
			seen('goes on', { task: task({}) }),
			seen('back', { task: task({ turned: true }) }),
			seen('steered'),
			seen('another’s', { next: waits('z') })
		];
		const { bench, did } = page(heads, ['a', 'goes', 'goes on', 'back', 'steered']);
		bench.press();
		expect(did).toEqual(['press a', 'press goes', 'press goes on', 'press back']);
	});
	it('of its own is needed for what stands by while one is down: let go first, and pressed anew', () => {
		const held = (of: Partial<HeadSeen>, down: boolean) => {
			const all = page([seen('a', { phase: 'armed', ...of })], ['a']);
			const holds = down ? { a: { phase: 'down' } } : {};
			const bench = new LiveBench(all.bench.data, { ...all.wire, holds } as unknown as LiveWire);
			bench.choose('a');
			return [bench.go(), all.did];
		};
		expect(held({ next: waits('x') }, true)).toEqual([true, ['release a', 'press a']]);
		expect(held({ next: waits('x') }, false)).toEqual([false, []]);
		expect(held({ next: null }, true)).toEqual([false, []]);
		expect(held({ next: waits('x'), task: task({ phase: 'runs' }) }, true)).toEqual([false, []]);
	});
	it('let go, everything that is held is let go, wherever the page looks', () => {
		const { bench, did } = page([seen('a')], ['a']);
		bench.choose(null);
		bench.release();
		expect(did).toEqual(['releaseAll']);
	});
	it('turned, a way is gone back along at the pace that it had; at another pace it goes on as it was turned', () => {
		const on = page([seen('a', { task: task({}), wantedPace: 0.4 })], ['a']);
		on.bench.turn();
		expect(on.said).toEqual([{ type: 'pace', head: 'a', pace: 0.4, direction: -1 }]);
		const turned = page([seen('a', { task: task({ turned: true }), wantedPace: 0.4 })], ['a']);
		turned.bench.turn();
		turned.bench.lever(0.7);
		expect(turned.said).toEqual([
			{ type: 'pace', head: 'a', pace: 0.4, direction: 1 },
			{ type: 'pace', head: 'a', pace: 0.7, direction: -1 }
		]);
	});
});

describe('sticks', () => {
	beforeEach(() => void vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] }));
	afterEach(() => void vi.useRealTimers());
	it('go out while they are off their middle, once more at rest, and then no more; for a head in hand alone', () => {
		const { bench, did } = page([seen('a')], ['a']);
		const end = bench.begin();
		vi.advanceTimersByTime(5 * stickEveryMs);
		expect(did).toEqual([]);
		bench.stick('finger', { x: 0.8, y: 0 });
		vi.advanceTimersByTime(3 * stickEveryMs);
		expect(did).toHaveLength(3);
		bench.stick('finger', { x: 0, y: 0 });
		vi.advanceTimersByTime(5 * stickEveryMs);
		expect(did).toHaveLength(4);
		bench.stick('finger', { x: 0.8, y: 0 });
		end();
		vi.advanceTimersByTime(5 * stickEveryMs);
		expect(did).toHaveLength(4);
		expect(bench.rates()).toEqual({});
		const looking = page([seen('a')], []);
		looking.bench.begin();
		looking.bench.stick('finger', { x: 0.8, y: 0 });
		vi.advanceTimersByTime(5 * stickEveryMs);
		expect(looking.did).toEqual([]);
	});
	it('a phone that says its aim no more turns nothing any more', () => {
		const { bench } = page([seen('a')], ['a']);
		bench.grip({ panRad: 0.4 });
		vi.advanceTimersByTime(140);
		expect(bench.rates().panRad).not.toBeUndefined();
		vi.advanceTimersByTime(20);
		expect(bench.rates()).toEqual({});
	});
});
