import type { HeadSeen, NextSeen, TaskSeen } from '@poise/desk/messages';
import { intentOf, nextHold } from '@poise/desk/nextHold';
import { describe, expect, it } from 'vitest';
import type { LiveHead, LivePlace, LivePose } from '$lib/model/liveHead';
import type { LiveMove, MoveStand } from '$lib/model/liveMove';
import { turnWords } from '$lib/model/turns';
import { differences } from './fits';
import { headline, wholeOf } from './headline';
import { offered, timeOf } from './reach';
import { cableWords, doing, lookWords, standsAt, troubleOf, unwatchable, watchTroubleOf } from './words';

const axis = { range: [-2, 2] as const, maxRate: 1, maxAccel: 2, ring: false };
const head = (more: Partial<HeadSeen> = {}): HeadSeen => ({
	...{
		id: 'h-2',
		headId: 'k',
		name: 'Left column',
		number: 2,
		kind: 'pan tilt',
		link: 'here',
		headMs: 0,
		phase: 'rest'
	},
	...{
		epoch: null,
		holder: null,
		heldS: 0,
		driver: { page: 'me', name: 'Mara' },
		askedBy: null,
		keptFrom: null,
		taken: null
	},
	...{ stoppedBy: null, stuckAxis: null, recording: false, batteryPart: 1, ignored: 0 },
	...{ linkPage: 'me', linkSamples: 100, linkTripMs: 4, watchSamples: 90, watchTripMs: 2, watchAsked: false },
	...{
		watchTrouble: null,
		found: {},
		wantedPace: 1,
		keepsAdded: false,
		last: null,
		next: null,
		task: null,
		trouble: null
	},
	...{ at: { panRad: 0, tiltRad: 0 }, rates: {}, ready: ['panRad', 'tiltRad'], watched: false },
	axes: { panRad: axis, tiltRad: axis },
	...more
});
const next = (more: Partial<NextSeen> = {}): NextSeen => ({
	...{ id: 'n', kind: 'pose', name: 'organ', legs: ['organ'], laps: 1, to: { panRad: 1, tiltRad: 0 }, ...more }
});
const task = (more: Partial<TaskSeen> = {}): TaskSeen => ({
	...{
		id: 't',
		kind: 'pose',
		name: 'lectern',
		leg: 0,
		legs: ['lectern'],
		lap: 1,
		laps: 1,
		phase: 'stopped',
		resting: false
	},
	...{
		atS: 1,
		durationS: 3,
		pace: 0,
		direction: 1,
		turned: false,
		watchedFor: null,
		to: { panRad: -1 },
		added: false,
		...more
	}
});
const said = (of: HeadSeen | null, more: Partial<Parameters<typeof headline>[0]> = {}, page = 'me') =>
	wholeOf(
		headline({
			next: nextHold({ head: of, page, linked: true, stoppedBy: more.stoppedBy ?? null }),
			...{ head: of, along: [], standing: null, armed: false, stoppedBy: null, heard: true, here: 5, kept: 5, ...more }
		})
	);

describe('the headline says what the next hold does', () => {
	it.each([
		['nothing chosen', head(), 'Hold and steer head 2'],
		['a pose', head({ next: next() }), 'Hold to move head 2 to organ'],
		['a programme', head({ next: next({ kind: 'programme', name: 'rail' }) }), 'Hold to loop head 2: rail'],
		['a move', head({ next: next({ kind: 'move', name: 'walk in' }) }), 'Hold to run head 2 through walk in'],
		['a ring', head({ next: next({ kind: 'ring', name: 'zoom' }) }), 'Hold to find the ends of the zoom ring'],
		['a way it stopped on', head({ task: task() }), 'Hold to go on to lectern'],
		['back along it', head({ task: task({ turned: true }) }), 'Hold to go back along the way to lectern'],
		// Another pose chosen after the stop is what goes, and not the way of before.
		['a pose after a stop', head({ task: task(), next: next() }), 'Hold to move head 2 to organ'],
		['a way that is gone', head({ task: task({ phase: 'done' }) }), 'Hold and steer head 2'],
		['somebody else’s', head({ driver: { page: 'other', name: 'Pia' } }), 'Looking only: head 2 is driven by Pia'],
		['nobody’s', head({ driver: null, next: next() }), 'Looking only: nobody drives head 2'],
		['a slow link', head({ linkTripMs: 140, next: next() }), 'Too slow a link to hold head 2'],
		['an unknown link', head({ linkSamples: 3 }), 'Wait: getting to know the link of head 2'],
		['away', head({ link: 'away', next: next() }), 'Head 2 is away'],
		['watched', head({ task: task({ name: 'rail', watchedFor: 'Mara', phase: 'runs' }) }), 'Head 2 loops rail']
	])('%s', (_, of, words) => expect(said(of)).toBe(words));
	it('a stop outranks all of it', () => {
		expect(said(head({ next: next() }), { stoppedBy: 'Pia' })).toBe('Everything is stopped by Pia');
		expect(nextHold({ head: head({ stoppedBy: 'Pia' }), page: 'me', linked: true, stoppedBy: null })).toMatchObject({
			does: 'nothing'
		});
	});
	it('a slow link is refused from just past a tenth of a second, and a page that nobody knows drives nothing', () => {
		const of = (linkTripMs: number, page = 'me') =>
			nextHold({ head: head({ linkTripMs }), page, linked: true, stoppedBy: null }).does;
		expect([of(100), of(100.1), of(4, ''), of(4, 'other')]).toEqual(['steer', 'nothing', 'nothing', 'nothing']);
	});
	it('the strip says the same: where it stopped, and what is next', () => {
		const stopped = doing(head({ task: task(), next: next() }), null);
		expect([stopped.words, stopped.what, stopped.next]).toEqual(['stopped on its way to', 'lectern', 'next: organ']);
		expect(doing(head({ driver: null }), null).next).toBe('');
		expect(doing(head({ stuckAxis: 'panRad' }), null)).toMatchObject({ words: 'stuck:', what: 'pan' });
	});
	it('several go together by name', () => {
		const others = [head({ id: 'b', number: 3, next: next() }), head({ id: 'c', number: 5, next: next() })];
		expect(said(head({ next: next() }), { along: others })).toBe('Hold to move heads 2, 3 and 5 together');
	});
	it('what stands by goes before what it stopped on, and what it stopped on before the stick', () => {
		expect(intentOf({ next: next(), task: task() })).toEqual({ does: 'go', id: 'n' });
		expect(intentOf({ next: null, task: task() })).toEqual({ does: 'goOn', id: 't' });
		expect(intentOf({ next: null, task: task({ phase: 'done' }) })).toEqual({ does: 'steer' });
	});
});

describe('where it stands', () => {
	const kept = { id: 'k', boxId: 'h-2' } as LiveHead;
	const pose = { id: 'p', headId: 'k', name: 'lectern', values: { panRad: 0, tiltRad: 0 } } as unknown as LivePose;
	it('at no pose while it is on its way: nobody reads both “stopped on its way” and “stands there”', () => {
		const data = { heads: [kept], poses: [pose] };
		expect(standsAt(head(), data)).toBe('lectern');
		expect(standsAt(head({ task: task() }), data)).toBeNull();
		expect(offered(head({ task: task() }), kept, { panRad: 0, tiltRad: 0 }, [pose])[0]!.here).toBe(false);
		expect(offered(head(), kept, { panRad: 0, tiltRad: 0 }, [pose])[0]!.here).toBe(true);
		// Another head's pose is none of its own, wherever it points.
		expect(standsAt(head({ id: 'h-5' }), data)).toBeNull();
	});
	it('a pose past a soft end says by how much, in words', () => {
		const far = { ...pose, values: { panRad: 2.5, tiltRad: 0 } };
		expect(offered(head(), kept, { panRad: 0, tiltRad: 0 }, [far])[0]!.why).toBe(
			'it lies 29° beyond the soft end of pan, at 115°'
		);
	});
	it('is told as the camera goes, hung or not', () => {
		expect(lookWords('tiltRad', -0.2548, 'metric', -1)).toBe('up 15°');
		expect(lookWords('panRad', 0.5236, 'metric', 1)).toBe('left 30°');
		expect(lookWords('panRad', 0.5236, 'metric', -1)).toBe('right 30°');
		expect(turnWords('tiltRad', -0.004, 1)).toBe('0°');
		expect(turnWords('rollRad', 1, 1)).toBeNull();
	});
	it('a programme takes as long as its ways from where the head stands, with its rests between', () => {
		const leg = (panRad: number, restS: number) => ({
			...{ kind: 'pose' as const, name: 'x', to: { panRad }, wantedS: null, restS }
		});
		const one = timeOf(head(), { panRad: 0, tiltRad: 0 }, [leg(1, 2)])!;
		const two = timeOf(head(), { panRad: 0, tiltRad: 0 }, [leg(1, 2), leg(0, 2)])!;
		expect(two).toBeCloseTo(2 * one + 2, 9);
		expect(timeOf(head(), { panRad: 1, tiltRad: 0 }, [leg(1, 0)])).toBeCloseTo(0, 9);
	});
});

describe('what holds it up is said before the press', () => {
	it('a slow or poor cable by what came over it, once there was time for it to come', () => {
		expect(cableWords(head({ linkTripMs: 180 }), 'me', 1)).toMatch(/180 ms/);
		expect(cableWords(head({ linkSamples: 40 }), 'me', 5)).toBeNull();
		expect(cableWords(head({ linkSamples: 40 }), 'me', 12)).toMatch(/of 100 words 40 came/);
		expect(cableWords(head(), 'me', 60)).toBeNull();
		// Of another page's link nothing is said.
		expect(cableWords(head({ linkTripMs: 180 }), 'other', 60)).toBeNull();
	});
	it('a watch that cannot be, or did not come, is given its reason', () => {
		expect(unwatchable(head({ watchTripMs: 140 }))).toMatch(/too slow/);
		expect(unwatchable(head({ watchSamples: 5 }))).toMatch(/two seconds/);
		expect(unwatchable(head())).toBeNull();
		for (const why of ['linkSlow', 'linkUnknown', 'watchNotAllowed', 'held', 'stopAll', 'lost', 'noAnswer', 'anything'])
			expect(watchTroubleOf(why)).toMatch(/^It does not run watched: .{10,}/);
		expect(watchTroubleOf(null)).toBeNull();
		expect(troubleOf('braked')).toMatch(/hold was lost/);
	});
});

describe('a move fits the head it was planned for', () => {
	const place: LivePlace = { stands: 'stand', atM: [4, 3, 1.5], headingRad: 0.4, looksRad: 0, armM: 2 };
	const on = (more: Partial<LivePlace> = {}, venueId: string | null = 'v') =>
		({ venueId, settings: { place: { ...place, ...more } } }) as unknown as LiveHead;
	const move = (
		stand: Partial<MoveStand> = {},
		values: Record<string, number> = { panRad: 0, tiltRad: 0 }
	): LiveMove => ({
		...{ id: 'm', name: 'm', venueId: 'v', durationS: 3, knots: [], keys: [{ tS: 0, values }] },
		stand: { kind: 'fixed', atM: [4, 3, 1.5], headingRad: 0.4, hung: false, armM: null, ...stand }
	});
	const found = (of: LiveMove, kept: LiveHead) => differences(of, kept, head(), 'metric');
	const keys = (of: LiveMove, kept: LiveHead) =>
		found(of, kept).map(({ key, acceptable }) => `${key}${acceptable ? '' : '!'}`);
	it('and differs in nothing there', () => expect(keys(move(), on())).toEqual([]));
	it.each([
		['a walk', move({ kind: 'walk', atM: null }), on(), ['walk!']],
		['another mount', move({ kind: 'arm', armM: 2 }), on(), ['mount!']],
		['hung', move(), on({ stands: 'ceiling' }), ['hung!']],
		['planned hung', move({ hung: true }), on(), ['hung!']],
		['an axis too few', move({}, { panRad: 0, trackM: 1 }), on(), ['axes!']],
		['a place', move({ atM: [4.4, 3, 1.5] }), on(), ['place']],
		['a height', move({ atM: [4, 3, 1.2] }), on(), ['height']],
		['a heading', move({ headingRad: 0.1 }), on(), ['heading']],
		['a rail that looks elsewhere', move({ kind: 'rail' }), on({ stands: 'rail', looksRad: 1 }), ['heading']],
		['an arm', move({ kind: 'arm', armM: 2.5 }), on({ stands: 'arm' }), ['arm']],
		['another venue', move(), on({}, 'w'), ['venue']]
	] as const)('%s is named', (_, of, kept, wanted) => expect(keys(of, kept)).toEqual(wanted));
	it('says which way and how far; a figure that is none is a difference', () => {
		expect(found(move({ atM: [4, 3, 1.2] }), on())[0]!.words).toBe('It stands 0.30 m higher than planned.');
		expect(found(move({ headingRad: 0.1 }), on())[0]!.words).toMatch(/left 17°/);
		expect(keys(move({ atM: [NaN, 3, 1.5] }), on())).toEqual(['place']);
	});
});
