import { describe, expect, it } from 'vitest';
import { drivingSeen } from './driving';
import { leaseTimes } from './lease';
import type { StandBy } from './nextHold';
import {
	type KeptHead,
	type LinkFacts,
	type SaidState,
	standsAt,
	station,
	type StationEvent,
	stationStep
} from './station';
import { deskHolder } from './watch';
import type { WordFromPage, WordToHead } from './words';

/* One test a rule that guards whoever stands near a head. The head is what it says: here it only listens. */

const [ada, ben] = [
	{ page: 'page-ada', name: 'Ada' },
	{ page: 'page-ben', name: 'Ben' }
] as const;
const own = { axis: 'panRad', from: -2, to: 2, maxRate: 1.2, maxAccel: 3 };
const kept: KeptHead = { watched: true, axes: {} };
const pose = (name: string, panRad: number): StandBy => ({
	...{ kind: 'pose', id: name, name, laps: 1 },
	legs: [{ kind: 'pose', name, to: { panRad }, wantedS: null, restS: 0 }]
});
type Bare<Event> = Event extends StationEvent ? Omit<Event, 'atMs' | 'link'> : never;

function desk(known: Partial<KeptHead> = {}) {
	let atMs = 1000;
	let now = station('h1');
	let link: LinkFacts = { here: true, toHeadMs: 0, state: null, own: [own] };
	const said: WordToHead[] = [];
	const feed = (event: Bare<StationEvent>) => {
		const [after, effects] = stationStep(now, { ...event, atMs, link } as StationEvent);
		now = after;
		for (const effect of effects) if (effect.kind === 'say') said.push(effect.message);
		return effects.find((effect) => effect.kind === 'refused') ?? null;
	};
	const at = {
		said,
		feed,
		/** Said to the head since the last time it was asked. */
		heard: <Type extends WordToHead['type']>(type: Type) =>
			said.splice(0).filter((each): each is Extract<WordToHead, { type: Type }> => each.type === type),
		says: (message: WordFromPage, by: { readonly page: string; readonly name: string } = ada) =>
			feed({ kind: 'said', message, by }),
		state: (of: Partial<SaidState> = {}) => {
			const state: SaidState = {
				...{ headMs: atMs, phase: 'rest', holder: '', epoch: 0, stoppedBy: '' },
				...{ linkHolder: ada.page, linkSamples: 20, linkTripMs: 10 },
				each: [{ axis: 'panRad', at: 0, rate: 0, ready: 1 }],
				...of
			};
			link = { ...link, state };
			feed({ kind: 'state', state });
		},
		isHere: (here: boolean) => void (link = { ...link, here }),
		/** So long goes by, with the head saying how it is, as it was. */
		passes: (ms: number, stoppedBy: string | null = null) => {
			for (const until = atMs + ms; atMs < until;) {
				atMs += 5;
				feed({ kind: 'tick', stoppedBy });
			}
		},
		seen: () => ({
			...standsAt(now),
			...drivingSeen(now.driving, atMs, false),
			...{ watchTrouble: now.watch.trouble, watchAsked: now.watch.asked !== null },
			...{ pace: now.wantedPace, keepsAdded: now.keepsAdded, last: now.last, stick: now.desk.stick }
		}),
		/** Ada drives it, has pressed, and the head is held by her. */
		holds: (epoch = 7) => {
			at.says({ type: 'take' });
			at.says({ type: 'ask', press: 1, intent: { does: 'steer' } });
			feed({ kind: 'offer', holder: ada.page, press: 1, epoch });
			at.state({ phase: 'armed', holder: ada.page, epoch });
		}
	};
	feed({ kind: 'kept', kept: { ...kept, ...known } });
	at.state();
	return at;
}
const driven = (said: readonly Extract<WordToHead, { type: 'drive' }>[]) =>
	said.flatMap(({ each }) => each.map(({ rate }) => rate)).filter((rate) => rate !== 0);

describe('who may move it', () => {
	it('only its driver’s stick moves it, though another’s page says the same while it is held', () => {
		const at = desk();
		at.holds();
		at.heard('drive');
		at.says({ type: 'stick', rates: { panRad: 0.5 } }, ben);
		at.passes(200);
		expect(driven(at.heard('drive'))).toEqual([]);
		at.says({ type: 'stick', rates: { panRad: 0.5 } }, ada);
		at.passes(200);
		const rates = driven(at.heard('drive'));
		expect(rates.length).toBeGreaterThan(5);
		for (const rate of rates) expect(rate).toBeGreaterThan(0);
	});
	it.each<[string, WordFromPage]>([
		['asks', { type: 'ask', press: 1, intent: { does: 'steer' } }],
		['grants', { type: 'grant', epoch: 7, sequence: 9, issuedAtMs: 1000, echoMs: 1000 }],
		['beats', { type: 'beat', issuedAtMs: 1000, echoMs: 1000 }],
		['lets go', { type: 'release', epoch: 7 }],
		['chooses', { type: 'standBy', next: pose('away', 1) }],
		['has it run', { type: 'watch', id: 'home' }],
		['turns it', { type: 'pace', pace: 0.5, direction: -1 }],
		['keeps what is added', { type: 'keepAdded', keeps: true }]
	])('whoever does not drive it and %s is not heeded', (_, message) => {
		const at = desk();
		at.holds();
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		const before = at.seen();
		at.said.length = 0;
		at.says(message, ben);
		expect(at.said).toEqual([]);
		expect(at.seen()).toEqual(before);
	});
	it('a lead who takes it ends the hold of whoever drove it, at the head', () => {
		const at = desk();
		at.holds();
		at.said.length = 0;
		at.says({ type: 'lead' }, ben);
		expect(at.heard('release')).toEqual([{ type: 'release', holder: ada.page, epoch: 7 }]);
		expect(at.seen().driver?.name).toBe('Ben');
	});
	it('a press for something else than what stood there is refused, and the head is not asked', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.said.length = 0;
		const told = at.says({ type: 'ask', press: 1, intent: { does: 'go', id: 'lectern' } });
		expect(told).toMatchObject({ kind: 'refused', press: 1, why: 'changed' });
		expect(at.heard('ask')).toEqual([]);
		expect(at.says({ type: 'ask', press: 2, intent: { does: 'go', id: 'home' } })).toBeNull();
		expect(at.heard('ask')).toHaveLength(1);
	});
	it('pressed by whoever drives nothing, it is asked of no head', () => {
		const at = desk();
		expect(at.says({ type: 'ask', press: 1, intent: { does: 'steer' } })).toBeNull();
		expect(at.heard('ask')).toEqual([]);
	});
	it('a page that is gone holds nothing: its last grant is not said again', () => {
		const at = desk();
		at.holds();
		at.says({ type: 'grant', epoch: 7, sequence: 1, issuedAtMs: 1000, echoMs: 1000 });
		at.feed({ kind: 'gone', page: ada.page });
		at.said.length = 0;
		at.passes(60);
		expect(at.heard('grant')).toEqual([]);
		expect(at.seen().driver).toBeNull();
	});
});

describe('how long a grant lives', () => {
	const grant = (sequence: number): WordFromPage => ({
		type: 'grant',
		epoch: 7,
		sequence,
		issuedAtMs: 1000,
		echoMs: 1000
	});
	it('is said again while it is good, and never after', () => {
		const at = desk();
		at.holds();
		at.says(grant(1));
		at.said.length = 0;
		at.passes(leaseTimes.goodMs - 10);
		expect(at.heard('grant').length).toBeGreaterThan(0);
		at.passes(20);
		at.said.length = 0;
		at.passes(500);
		expect(at.heard('grant')).toEqual([]);
	});
	it('an older one takes no newer one’s place', () => {
		const at = desk();
		at.holds();
		at.says(grant(5));
		at.says(grant(3));
		at.said.length = 0;
		at.passes(20);
		const again = at.heard('grant');
		expect(again.length).toBeGreaterThan(0);
		for (const { sequence } of again) expect(sequence).toBe(5);
	});
	it('let go, it is not said again', () => {
		const at = desk();
		at.holds();
		at.says(grant(1));
		at.says({ type: 'release', epoch: 7 });
		expect(at.heard('release')).toHaveLength(1);
		at.passes(60);
		expect(at.heard('grant')).toEqual([]);
	});
});

describe('what runs without a hand', () => {
	const watches = (known: Partial<KeptHead> = {}) => {
		const at = desk(known);
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.said.length = 0;
		at.says({ type: 'watch', id: 'home' });
		at.passes(30);
		return at;
	};
	const runs = () => {
		const at = watches();
		const [asked] = at.heard('ask');
		at.feed({ kind: 'offer', holder: deskHolder, press: asked!.press, epoch: 9 });
		at.state({ phase: 'armed', holder: 'desk', epoch: 9 });
		expect(at.seen().task?.watchedFor).toBe('Ada');
		at.said.length = 0;
		return at;
	};
	it('is asked for as a watch, and only where somebody has marked its zone', () => {
		expect(watches().heard('ask')).toMatchObject([{ holder: 'desk', by: 'watch' }]);
		const at = watches({ watched: false });
		expect(at.heard('ask')).toEqual([]);
		expect(at.seen()).toMatchObject({ watchTrouble: 'watchNotAllowed', watchAsked: false });
	});
	it('is the one that stood there, and no other', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.said.length = 0;
		at.says({ type: 'watch', id: 'lectern' });
		at.passes(30);
		expect(at.heard('ask')).toEqual([]);
		expect(at.seen().watchTrouble).toBe('changed');
	});
	it('ends when its zone is no longer marked', () => {
		const at = runs();
		at.feed({ kind: 'kept', kept: { ...kept, watched: false } });
		expect(at.heard('release')[0]).toMatchObject({ holder: 'desk', epoch: 9 });
		expect(at.seen().task).toBeNull();
	});
	it('is ended by whoever sees it, driver or not', () => {
		const at = runs();
		at.says({ type: 'drop' }, ben);
		expect(at.heard('release')[0]).toMatchObject({ holder: 'desk', epoch: 9 });
		expect(at.seen().task).toBeNull();
	});
	it('ends when a hand has the head', () => {
		const at = runs();
		// What the head said before its first grant may still be on its way.
		at.passes(leaseTimes.firstGrantMs + 20);
		at.state({ phase: 'armed', holder: ada.page, epoch: 10 });
		at.passes(60);
		expect(at.seen().task?.watchedFor ?? null).toBeNull();
		at.said.length = 0;
		at.passes(200);
		expect(at.heard('grant').filter(({ holder }) => holder === 'desk')).toEqual([]);
	});
	it('nothing else is chosen, and nobody presses, while it runs', () => {
		const at = runs();
		at.says({ type: 'standBy', next: pose('lectern', -0.5) });
		expect(at.seen().next).toBeNull();
		// Not even for the very way that it is on.
		expect(at.says({ type: 'ask', press: 3, intent: { does: 'goOn', id: 'home' } })).toMatchObject({ why: 'changed' });
		expect(at.heard('ask')).toEqual([]);
	});
});

describe('what it may do', () => {
	const narrowed = (axis: KeptHead['axes'][string]) => {
		const at = desk({ axes: { panRad: axis } });
		at.passes(20);
		const [limits] = at.heard('limits');
		return limits!.each[0];
	};
	it('kept ends and speeds narrow its own, and the head is told them', () => {
		const told = narrowed({ range: [-1, 0.5], maxRate: 0.4, maxAccel: 1 });
		expect(told).toEqual({ axis: 'panRad', from: -1, to: 0.5, maxRate: 0.4, maxAccel: 1 });
	});
	it('they never widen it, at either end', () => {
		expect(narrowed({ range: [-9, 9], maxRate: 8, maxAccel: 30 })).toEqual(own);
	});
	it('ends that leave nothing are no ends', () => {
		expect(narrowed({ range: [3, 4], maxRate: 1, maxAccel: 1 })).toMatchObject({ from: own.from, to: own.to });
	});
	it('the head is told whether it may run watched', () => {
		const told = (watched: boolean) => {
			const at = desk({ watched });
			at.passes(20);
			return at.heard('limits')[0]!.watched;
		};
		expect([told(true), told(false)]).toEqual([1, 0]);
	});
});

describe('when it is stopped, or not heard', () => {
	it('is told to stop until it says that it is', () => {
		const at = desk();
		at.passes(60, 'Ben');
		const stops = at.heard('stop');
		expect(stops.length).toBeGreaterThan(2);
		expect(stops[0]!.by).toBe('Ben');
		at.state({ stoppedBy: 'Ben' });
		at.passes(60, 'Ben');
		expect(at.heard('stop')).toEqual([]);
	});
	it('nothing stands by any more, and nothing is chosen until it is cleared', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.feed({ kind: 'halt', stopped: true });
		expect(at.seen().next).toBeNull();
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		expect(at.seen().next).toBeNull();
		at.feed({ kind: 'halt', stopped: false });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		expect(at.seen().next?.id).toBe('home');
	});
	it('not heard any more, it forgets what stood by: back again, it waits to be chosen', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.passes(20);
		at.isHere(false);
		at.passes(20);
		at.isHere(true);
		at.passes(20);
		expect(at.seen().next).toBeNull();
	});
});

describe('what one hand leaves to the next', () => {
	it('how the stick is taken up, where it stands, pace and what is added go with the hand', () => {
		const at = desk();
		at.holds();
		at.says({ type: 'stick', rates: { panRad: 0.5 } });
		at.says({ type: 'pace', pace: 0.3, direction: -1 });
		at.says({ type: 'keepAdded', keeps: true });
		at.says({ type: 'give' });
		expect(at.seen()).toMatchObject({ driver: null, stick: {}, pace: 1, keepsAdded: false });
	});
	it('a pace is never none, and never more than the way’s own', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'pace', pace: 7, direction: 1 });
		expect(at.seen().pace).toBe(1);
		at.says({ type: 'pace', pace: 0, direction: 1 });
		expect(at.seen().pace).toBe(0.05);
	});
	it('a hold that another press was for begins with the stick alone', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.says({ type: 'ask', press: 1, intent: { does: 'go', id: 'home' } });
		at.feed({ kind: 'offer', holder: ada.page, press: 1, epoch: 7 });
		at.state({ phase: 'armed', holder: ada.page, epoch: 8 });
		expect(at.seen().task).toBeNull();
	});
	it('what runs is what stood by when it was pressed, though another is chosen meanwhile', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.says({ type: 'ask', press: 1, intent: { does: 'go', id: 'home' } });
		at.says({ type: 'standBy', next: pose('lectern', -0.5) });
		at.feed({ kind: 'offer', holder: ada.page, press: 1, epoch: 7 });
		at.state({ phase: 'armed', holder: ada.page, epoch: 7 });
		expect(at.seen()).toMatchObject({ task: { id: 'home' }, next: { id: 'lectern' } });
	});
	it('of two poses the one before is remembered, and nothing of it once everything is stopped', () => {
		const at = desk();
		at.says({ type: 'take' });
		for (const [k, name] of ['home', 'lectern'].entries()) {
			at.says({ type: 'standBy', next: pose(name, 0.5 - k) });
			at.says({ type: 'ask', press: k + 1, intent: { does: 'go', id: name } });
			at.feed({ kind: 'offer', holder: ada.page, press: k + 1, epoch: 7 + k });
			at.state({ phase: 'armed', holder: ada.page, epoch: 7 + k });
			at.state({ phase: 'rest', holder: '', epoch: 0 });
		}
		expect(at.seen().last).toEqual({ name: 'home', to: { panRad: 0.5 } });
		at.feed({ kind: 'halt', stopped: true });
		expect(at.seen()).toMatchObject({ last: null, task: null });
	});
	it('a ring is searched in the hold that was pressed for it, and in no other', () => {
		const ring = { kind: 'ring', id: 'r', ring: 'zoomTurn' } as const;
		const homes = (intent: { does: 'ring'; id: string } | { does: 'steer' }) => {
			const at = desk();
			at.says({ type: 'take' });
			if (intent.does === 'ring') at.says({ type: 'standBy', next: ring });
			at.says({ type: 'ask', press: 1, intent });
			at.feed({ kind: 'offer', holder: ada.page, press: 1, epoch: 7 });
			if (intent.does === 'steer') at.says({ type: 'standBy', next: ring });
			at.state({ phase: 'armed', holder: ada.page, epoch: 7 });
			return at.heard('home');
		};
		expect(homes({ does: 'ring', id: 'r' })).toEqual([{ type: 'home', epoch: 7, ring: 'zoomTurn' }]);
		expect(homes({ does: 'steer' })).toEqual([]);
	});
	it('a head that nobody keeps is told nothing, and what stood by of it is gone', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.feed({ kind: 'kept', kept: null });
		at.said.length = 0;
		at.passes(1500, 'Ben');
		expect(at.said).toEqual([]);
		expect(at.seen().next).toBeNull();
	});
	it('who took it without a hand’s silence takes it not while it is held', () => {
		const at = desk();
		at.holds();
		at.says({ type: 'askFor' }, ben);
		at.passes(15_100);
		at.says({ type: 'take' }, ben);
		expect(at.seen().driver?.name).toBe('Ada');
		at.state({ phase: 'rest', holder: '', epoch: 0 });
		at.says({ type: 'take' }, ben);
		expect(at.seen().driver?.name).toBe('Ben');
	});
});

describe('what a hold begins, and what ends it', () => {
	/** Ada has pressed for a pose, and the head is on its way there. */
	const going = () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 1.5) });
		at.says({ type: 'ask', press: 1, intent: { does: 'go', id: 'home' } });
		at.feed({ kind: 'offer', holder: ada.page, press: 1, epoch: 7 });
		at.state({ phase: 'armed', holder: ada.page, epoch: 7 });
		at.passes(60);
		return at;
	};
	/** It was let go on its way. */
	const stopped = () => {
		const at = going();
		at.says({ type: 'release', epoch: 7 });
		for (let k = 0; k < 15; k += 1) {
			at.state({ phase: k < 10 ? 'stopping' : 'rest', holder: '', epoch: 0 });
			at.passes(100);
		}
		expect(at.seen().task).toMatchObject({ id: 'home' });
		return at;
	};
	it('a hold begins its way once: dropped by its driver, it is not begun again by the next word of the head', () => {
		const at = going();
		expect(at.seen().task?.id).toBe('home');
		at.says({ type: 'drop' });
		at.passes(2000);
		at.state({ phase: 'armed', holder: ada.page, epoch: 7 });
		expect(at.seen().task).toBeNull();
	});
	it('nobody else drops what a hand is on', () => {
		const at = going();
		at.says({ type: 'drop' }, ben);
		expect(at.seen().task?.id).toBe('home');
	});
	it('turned, the way is gone back along when it is pressed for that, and on when it is pressed for that', () => {
		for (const [direction, does] of [
			[-1, 'back'],
			[1, 'goOn']
		] as const) {
			const at = stopped();
			at.says({ type: 'pace', pace: 1, direction });
			expect(at.says({ type: 'ask', press: 2, intent: { does, id: 'home' } })).toBeNull();
			at.feed({ kind: 'offer', holder: ada.page, press: 2, epoch: 8 });
			at.state({ phase: 'armed', holder: ada.page, epoch: 8 });
			expect(at.seen().task).toMatchObject({ id: 'home', turned: does === 'back' });
		}
	});
	it('the desk holding what nobody wants it to hold lets go, and goes on with nothing', () => {
		const at = stopped();
		at.state({ phase: 'armed', holder: deskHolder, epoch: 9 });
		expect(at.seen().task).toBeNull();
		at.says({ type: 'standBy', next: pose('lectern', 0.5) });
		at.state({ phase: 'rest', holder: '', epoch: 0 });
		at.said.length = 0;
		// Asked for, called off, and answered all the same.
		at.says({ type: 'watch', id: 'lectern' });
		const [asked] = at.heard('ask');
		at.says({ type: 'give' });
		at.feed({ kind: 'halt', stopped: false });
		at.feed({ kind: 'offer', holder: deskHolder, press: asked!.press, epoch: 10 });
		at.state({ phase: 'armed', holder: deskHolder, epoch: 10 });
		at.passes(100);
		expect(at.heard('grant')).toEqual([]);
		expect(at.seen().task).toBeNull();
	});
	it('what was pressed for and left moves nothing, though the answer comes late', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.says({ type: 'ask', press: 1, intent: { does: 'go', id: 'home' } });
		at.feed({ kind: 'offer', holder: ada.page, press: 1, epoch: 7 });
		at.says({ type: 'give' });
		at.state({ phase: 'armed', holder: ada.page, epoch: 7 });
		expect(at.seen().task).toBeNull();
	});
	it('a ring whose ends are found waits for no hold any more', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: { kind: 'ring', id: 'r', ring: 'zoom' } });
		const ring = (ready: number) => [{ axis: 'zoom', at: 0.5, rate: 0, ready }];
		at.state({ each: ring(0) });
		expect(at.seen().next?.id).toBe('r');
		at.state({ each: ring(1) });
		expect(at.seen().next).toBeNull();
	});
	it('what runs watched runs on when its head is given or taken, and its hold is not let go for it', () => {
		for (const way of ['give', 'lead'] as const) {
			const at = desk();
			at.says({ type: 'take' });
			at.says({ type: 'standBy', next: pose('home', 1.5) });
			at.said.length = 0;
			at.says({ type: 'watch', id: 'home' });
			const [asked] = at.heard('ask');
			at.feed({ kind: 'offer', holder: deskHolder, press: asked!.press, epoch: 9 });
			at.state({ phase: 'armed', holder: deskHolder, epoch: 9 });
			at.said.length = 0;
			at.says({ type: way }, way === 'give' ? ada : ben);
			expect(at.heard('release')).toEqual([]);
			expect(at.seen().task?.watchedFor).toBe('Ada');
		}
	});
	it('kept otherwise, the head is told what it may do at once, and else once a second', () => {
		const at = desk();
		at.passes(40);
		expect(at.heard('limits')).toHaveLength(1);
		at.passes(900);
		expect(at.heard('limits')).toEqual([]);
		at.feed({ kind: 'kept', kept: { ...kept, watched: false } });
		at.passes(40);
		expect(at.heard('limits')).toMatchObject([{ watched: 0 }]);
		at.passes(2100);
		expect(at.heard('limits')).toHaveLength(2);
	});
});
