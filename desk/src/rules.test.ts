import { EventEmitter } from 'node:events';
import { leaseTimes } from '@poise/core';
import type { ToHead } from '@poise/link';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { WebSocket } from 'ws';
import { Desk } from './desk';
import type { FromPage, StandBy } from './messages';
import { Page } from './page';
import { type KnownHead, Station } from './station';

/*
 * One test a rule that guards whoever stands near a head, each at the desk's own door. The head is what it says: here it only listens.
 */

type State = Extract<Exclude<Parameters<Station['hear']>[0], string>, { type: 'state' }>;
type ToOneHead = Extract<FromPage, { head: string }>;

const [ada, ben] = [
	{ page: 'page-ada', name: 'Ada' },
	{ page: 'page-ben', name: 'Ben' }
] as const;
const own = { from: -2, to: 2, maxRate: 1.2, maxAccel: 3 };
const kept: KnownHead = {
	...{ id: 'h1', headId: 'h1', name: 'Gallery', number: 1, key: new Uint8Array(32), watched: true, axes: {} }
};
const pose = (name: string, panRad: number): StandBy => ({
	...{ kind: 'pose', id: name, name, laps: 1 },
	legs: [{ kind: 'pose', name, to: { panRad }, wantedS: null, restS: 0 }]
});

function desk(known: Partial<KnownHead> = {}) {
	let atMs = 1000;
	const said: ToHead[] = [];
	const link = {
		...{ id: 'h1', state: null as State | null, toHeadMs: 0, free: false, hasKey: true, claiming: false, ignored: 0 },
		here: true,
		about: { name: 'h1', kind: 'test', each: [{ axis: 'panRad', ...own, ring: 0 }] },
		useKey: () => {},
		greet: () => {},
		isHere: () => link.here && link.state !== null,
		isAwake: () => true,
		say: (message: ToHead) => void said.push(message)
	};
	const station = new Station(link);
	station.know({ ...kept, ...known });
	const at = {
		station,
		link,
		said,
		/** Said to the head since the last time it was asked. */
		heard: <Type extends ToHead['type']>(type: Type) =>
			said.splice(0).filter((each): each is Extract<ToHead, { type: Type }> => each.type === type),
		says: (message: Record<string, unknown>, person: { readonly page: string; readonly name: string } = ada) =>
			station.heed({ head: 'h1', ...message } as ToOneHead, person, atMs),
		state: (of: Partial<State> = {}) => {
			const each = [{ axis: 'panRad', at: 0, rate: 0, ready: 1 }];
			link.state = {
				...{ type: 'state', headMs: atMs, phase: 'rest', holder: '', epoch: 0, heldSinceMs: 0 },
				...{ stoppedBy: '', stuckAxis: '', recording: 0, batteryPart: 1, ignored: 0 },
				...{ linkHolder: ada.page, linkSamples: 20, linkTripMs: 10, each },
				...of
			} as State;
			station.hear(link.state, atMs);
		},
		/** So long goes by, with the head saying how it is, as it was. */
		passes: (ms: number, stoppedBy: string | null = null) => {
			for (const until = atMs + ms; atMs < until;) {
				atMs += 5;
				station.tick(atMs, stoppedBy);
			}
		},
		seen: () => station.seen(atMs, () => null),
		/** Ada drives it, has pressed, and the head is held by her. */
		holds: (epoch = 7) => {
			at.says({ type: 'take' });
			at.says({ type: 'ask', press: 1, intent: { does: 'steer' } });
			station.hear({ type: 'offer', holder: ada.page, press: 1, epoch } as never, atMs);
			at.state({ phase: 'armed', holder: ada.page, epoch });
		}
	};
	at.state();
	return at;
}
const driven = (said: readonly Extract<ToHead, { type: 'drive' }>[]) =>
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
	it.each([
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
		expect(told).toMatchObject({ type: 'refused', why: 'changed' });
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
		at.station.gone(ada.page);
		at.said.length = 0;
		at.passes(60);
		expect(at.heard('grant')).toEqual([]);
		expect(at.seen().driver).toBeNull();
	});
});

describe('how long a grant lives', () => {
	const grant = (sequence: number) => ({ type: 'grant', epoch: 7, sequence, issuedAtMs: 1000, echoMs: 1000 });
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
	const watches = (known: Partial<KnownHead> = {}) => {
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
		at.station.hear({ type: 'offer', holder: 'desk', press: asked!.press, epoch: 9 } as never, 1030);
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
		at.station.know({ ...kept, watched: false });
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
	const narrowed = (axis: KnownHead['axes'][string]) => {
		const at = desk({ axes: { panRad: axis } });
		at.passes(20);
		const [limits] = at.heard('limits');
		return { axis: at.station.axes['panRad'], told: limits!.each[0] };
	};
	it('kept ends and speeds narrow its own, and the head is told them', () => {
		const { axis, told } = narrowed({ range: [-1, 0.5], maxRate: 0.4, maxAccel: 1 });
		expect(axis).toEqual({ range: [-1, 0.5], maxRate: 0.4, maxAccel: 1 });
		expect(told).toEqual({ axis: 'panRad', from: -1, to: 0.5, maxRate: 0.4, maxAccel: 1 });
	});
	it('they never widen it, at either end', () => {
		const { axis } = narrowed({ range: [-9, 9], maxRate: 8, maxAccel: 30 });
		expect(axis).toEqual({ range: [own.from, own.to], maxRate: own.maxRate, maxAccel: own.maxAccel });
	});
	it('ends that leave nothing are no ends', () => {
		expect(narrowed({ range: [3, 4], maxRate: 1, maxAccel: 1 }).axis?.range).toEqual([own.from, own.to]);
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
		at.station.halt(true);
		expect(at.seen().next).toBeNull();
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		expect(at.seen().next).toBeNull();
		at.station.halt();
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		expect(at.seen().next?.id).toBe('home');
	});
	it('not heard any more, it forgets what stood by: back again, it waits to be chosen', () => {
		const at = desk();
		at.says({ type: 'take' });
		at.says({ type: 'standBy', next: pose('home', 0.5) });
		at.passes(20);
		at.link.here = false;
		at.passes(20);
		at.link.here = true;
		at.passes(20);
		expect(at.seen().next).toBeNull();
	});
});

class FakeSocket extends EventEmitter {
	readonly OPEN = 1;
	readyState = 1;
	bufferedAmount = 0;
	readonly told: { readonly type: string; readonly stoppedBy?: string | null }[] = [];
	send(text: string | Buffer): void {
		this.told.push(JSON.parse(String(text)) as { readonly type: string });
	}
	terminate(): void {}
	says(message: object): void {
		this.emit('message', JSON.stringify(message));
	}
	get stoppedBy(): string | null | undefined {
		return this.told.findLast(({ type }) => type === 'heads')?.stoppedBy;
	}
}
const socket = () => new FakeSocket() as FakeSocket & WebSocket;

describe('at the door of a page', () => {
	afterEach(() => vi.useRealTimers());
	it('what stops everything is cleared by somebody with a name only', () => {
		const whole = new Desk({ port: 0, onClaimed: async () => {}, onUnclaimed: async () => {} });
		const [named, nameless] = [socket(), socket()];
		whole.page(ada).add(0, named);
		whole.page({ page: 'page-nobody', name: '' }).add(0, nameless);
		nameless.says({ type: 'stopAll' });
		expect(named.stoppedBy).toBe('');
		nameless.says({ type: 'clear' });
		expect(named.stoppedBy).toBe('');
		named.says({ type: 'clear' });
		expect(named.stoppedBy).toBeNull();
		whole.end();
	});
	it('a page that says more than two thousand things a second is not heeded beyond', () => {
		vi.useFakeTimers({ toFake: ['performance'] });
		let heeded = 0;
		const page = new Page(ada, { heed: () => (heeded += 1), gone: () => {} });
		const one = socket();
		page.add(0, one);
		vi.advanceTimersByTime(2000);
		for (let k = 0; k < 2500; k += 1) one.says({ type: 'take', head: 'h1' });
		expect(heeded).toBe(2000);
		vi.advanceTimersByTime(1100);
		one.says({ type: 'take', head: 'h1' });
		expect(heeded).toBe(2001);
		page.close();
	});
	it('what is no message is not heeded', () => {
		const heeded: FromPage[] = [];
		const page = new Page(ada, { heed: (message) => void heeded.push(message), gone: () => {} });
		const one = socket();
		page.add(0, one);
		one.emit('message', '{');
		one.says({ type: 'stick', head: 'h1', rates: { panRad: null } });
		one.says({ type: 'stick', head: 'h1', rates: { panRad: 1e99 } });
		one.says({ type: 'nothing', head: 'h1' });
		expect(heeded).toEqual([]);
		page.close();
	});
});
