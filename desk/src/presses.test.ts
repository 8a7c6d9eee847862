import {
	type HeadMotion,
	headStep,
	handOff,
	type Hold,
	type HoldEvent,
	holdStep,
	leaseTimes,
	linkOf,
	restingHead
} from '@poise/core';
import type { ToHead } from '@poise/link';
import { describe, expect, it } from 'vitest';
import type { Driver as Person } from '@poise/core';
import type { HeadSeen, OfHead, StandBy } from './messages';
import { type Intent, nextHold, type NextHold } from './nextHold';
import { Station } from './station';

/*
 * The hold runs nothing but what stood in the headline when it was pressed, whatever two people press before, meanwhile and after, on screens
 * that lag behind. Heads, lease and desk are the real machines; links and clocks are simulated.
 */

const seeded = (seed: number) => () => {
	seed = (seed + 0x6d2b79f5) | 0;
	let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
	t ^= t + Math.imul(t ^ (t >>> 7), 61 | t);
	return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
};
const axis = { range: [-2, 2] as const, maxRate: 1.2, maxAccel: 3, position: 0, rate: 0 };
const ringAxis = { range: [0, 1] as const, maxRate: 1.5, maxAccel: 8, position: 0.4, rate: 0 };
const stepMs = 10;
type Signed = Parameters<Station['hear']>[0];
type State = Extract<Exclude<Signed, string>, { type: 'state' }>;

/** What a press stood for on the screen where it was pressed. */
interface Pressed {
	readonly page: string;
	readonly press: number;
	readonly atMs: number;
	readonly stood: NextHold;
}

function world(seed: number) {
	const random = seeded(seed);
	const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
	let now = 1000;
	let stoppedBy: string | null = null;
	let clearing = -Infinity;
	const later: { readonly atMs: number; readonly run: () => void }[] = [];
	const soon = (mostMs: number, run: () => void) => void later.push({ atMs: now + random() * mostMs, run });
	const turnedMs = new Map<string, number>();
	const wrong: string[] = [];
	const ran = { steer: 0, go: 0, ring: 0, goOn: 0, back: 0, watched: 0, refused: 0 };
	const presses: Pressed[] = [];

	class Page {
		readonly person: Person;
		readonly holds = new Map<string, Hold>();
		readonly intents = new Map<string, Intent>();
		view: readonly HeadSeen[] = [];
		stopped: string | null = null;
		constructor(name: string, count: number) {
			this.person = { page: `${name}-${count}`, name };
		}
		say(message: OfHead): void {
			soon(25, () => {
				if (message.type === 'pace') turnedMs.set(message.head, now);
				const told = heads.find(({ id }) => id === message.head)!.station.heed(message, this.person, now);
				if (told?.type === 'refused')
					this.step(message.head, { kind: 'refused', atMs: now, press: told.press, why: told.why });
			});
		}
		step(head: string, event: HoldEvent): void {
			const [after, effects] = holdStep(this.holds.get(head) ?? handOff(head), event);
			this.holds.set(head, after);
			for (const { kind, socket: _, ...rest } of effects)
				this.say({
					type: kind,
					head,
					...rest,
					...(kind === 'ask' ? { intent: this.intents.get(head)! } : {})
				} as never);
		}
		seen = (head: string) => this.view.find(({ id }) => id === head) ?? null;
		press(head: string): void {
			const stood = nextHold({
				...{ head: this.seen(head), page: this.person.page, linked: true, stoppedBy: this.stopped }
			});
			if (stood.does === 'nothing') return;
			const had = this.holds.get(head)?.phase;
			if (had === 'asked' || had === 'down') return;
			this.intents.set(head, stood);
			this.step(head, { kind: 'press', atMs: now });
			presses.push({ page: this.person.page, press: this.holds.get(head)!.press, atMs: now, stood });
		}
	}
	let count = 0;
	const fresh = (name: string) => new Page(name, (count += 1));
	const pages = [fresh('Ada'), fresh('Ben')];

	const makeHead = (id: string) => {
		let motion: HeadMotion = restingHead({
			axes: { panRad: axis, tiltRad: axis, zoom: ringAxis },
			rings: ['zoom'],
			watched: true
		});
		let [epochs, on, lastHolder] = [1, true, ''];
		let states = 0;
		const ofEpoch = new Map<number, Pressed>();
		const link = {
			...{ id, state: null as State | null, toHeadMs: 0, free: false, hasKey: true, claiming: false, ignored: 0 },
			heardMs: -Infinity,
			about: {
				...{ name: id, kind: 'test' },
				each: Object.entries({ panRad: axis, tiltRad: axis, zoom: ringAxis }).map(
					([name, { range, maxRate, maxAccel }]) => ({
						...{ axis: name, from: range[0], to: range[1], maxRate, maxAccel, ring: name === 'zoom' ? 1 : 0 }
					})
				)
			},
			useKey: () => {},
			greet: () => {},
			isHere: (atMs: number) => link.state !== null && atMs - link.heardMs < 400,
			isAwake: () => true,
			say: (message: ToHead) => {
				checkSaid(message);
				soon(15, () => on && obey(message));
			}
		};
		const station = new Station(link);
		/** Every word that moves something is of what stood where its hold was pressed. */
		const checkSaid = (message: ToHead) => {
			if (message.type !== 'follow' && message.type !== 'drive' && message.type !== 'home') return;
			const pressed = ofEpoch.get(message.epoch);
			// The desk's own hold, of a programme that is watched.
			if (pressed === undefined) return;
			const { stood } = pressed;
			const words = `${id}: ${JSON.stringify(stood)} was pressed`;
			if (message.type === 'home' && stood.does !== 'ring') wrong.push(`${words}, and a ring is homed`);
			if (message.type === 'drive' && message.each.some(({ rate }) => rate !== 0))
				wrong.push(`${words}, and it is driven`);
			if (message.type !== 'follow') return;
			const task = station.seen(now, () => null).task;
			if (!('id' in stood) || stood.does === 'ring') wrong.push(`${words}, and it is led along ${task?.name}`);
			else if (task !== null && task.id !== stood.id) wrong.push(`${words}, and it is led along ${task.id}`);
			// Unless somebody turned it since.
			else if (
				task !== null &&
				message.pace > 0 &&
				(turnedMs.get(id) ?? 0) < pressed.atMs &&
				task.direction !== (stood.does === 'back' ? -1 : 1)
			)
				wrong.push(`${words}, and it goes the other way`);
		};
		const obey = (message: ToHead) => {
			const atMs = now;
			if (message.type === 'beat' && message.holder !== 'desk') lastHolder = message.holder;
			const each = 'each' in message ? (message.each as readonly { axis: string; at?: number; rate?: number }[]) : [];
			const of = (key: 'at' | 'rate') => Object.fromEntries(each.map((one) => [one.axis, one[key] ?? 0]));
			switch (message.type) {
				case 'beat':
				case 'grant':
				case 'release':
					return take({ ...message, kind: message.type, atMs } as Parameters<typeof headStep>[1]);
				case 'ask':
					return take({
						...message,
						kind: 'ask',
						atMs,
						by: message.by === 'watch' ? 'watch' : 'hand',
						epoch: (epochs += 1)
					});
				case 'drive':
					return take({ ...message, kind: 'drive', atMs, rates: of('rate') });
				case 'follow':
					return take({ ...message, kind: 'follow', atMs, at: of('at'), rates: of('rate') });
				case 'home':
					return take({ ...message, kind: 'home', atMs });
				case 'stop':
					return take({ kind: 'stopAll', atMs, by: message.by });
				case 'clear':
					return take({ kind: 'clear', atMs, by: message.by });
			}
		};
		const take = (event: Parameters<typeof headStep>[1]) => {
			const [after, effects] = headStep(motion, event);
			motion = after;
			for (const effect of effects) {
				if (effect.kind !== 'offer' && effect.kind !== 'refuse') continue;
				const { holder, press } = effect;
				if (effect.kind === 'offer') {
					const pressed = presses.findLast((each) => each.page === holder && each.press === press);
					if (pressed !== undefined) ofEpoch.set(effect.epoch, pressed);
				}
				const said =
					effect.kind === 'offer' ? { ...effect, type: 'offer' as const } : { ...effect, type: 'refuse' as const };
				soon(15, () => {
					station.hear(said, now);
					const page = pages.find(({ person }) => person.page === holder);
					if (said.type === 'offer') page?.step(id, { kind: 'offer', atMs: now, press, epoch: said.epoch });
					else {
						ran.refused += 1;
						page?.step(id, { kind: 'refused', atMs: now, press, why: said.why });
					}
				});
			}
		};
		const state = (): State => {
			const { lease, axes, rings } = motion;
			states += 1;
			const linkHolder = states % 5 === 0 ? 'desk' : (lease.holder ?? lastHolder);
			const { samples, leastTripMs } = linkOf(lease, linkHolder);
			return {
				...{ type: 'state', headMs: now, phase: lease.phase, holder: lease.holder ?? '', epoch: lease.epoch ?? 0 },
				...{
					heldSinceMs: lease.heldSinceMs,
					stoppedBy: lease.stoppedBy ?? '',
					stuckAxis: '',
					recording: 0,
					batteryPart: 1
				},
				...{ ignored: 0, linkHolder, linkSamples: samples, linkTripMs: leastTripMs },
				each: Object.entries(axes).map(([name, { position, rate }]) => ({
					...{ axis: name, at: position, rate, ready: name === 'zoom' && rings.zoom!.ends === null ? 0 : 1 }
				}))
			};
		};
		let armed: number | null = null;
		return {
			...{ id, station, link },
			power: (to: boolean) => (on = to),
			get on() {
				return on;
			},
			get motion() {
				return motion;
			},
			tick: () => {
				if (!on) return;
				take({ kind: 'tick', atMs: now });
				if (motion.lease.phase === 'armed' && motion.lease.epoch !== armed) {
					armed = motion.lease.epoch;
					const stood = ofEpoch.get(armed!)?.stood;
					if (stood === undefined) ran.watched += 1;
					else if (stood.does !== 'nothing') ran[stood.does] += 1;
					if (stood === undefined && motion.lease.holder !== 'desk') wrong.push(`${id} is held by a press of nobody`);
				}
				if (now % 20 === 0) {
					const said = state();
					soon(15, () => {
						if (link.state !== null && said.headMs <= link.state.headMs) return;
						[link.state, link.heardMs] = [said, now];
						station.hear(said, now);
						const page = pages.find(({ person }) => station.driver?.page === person.page);
						page?.step(id, { kind: 'heard', atMs: now, headMs: said.headMs });
						page?.step(id, { kind: 'holds', atMs: now, epoch: said.epoch === 0 ? null : said.epoch });
					});
				}
			}
		};
	};
	const heads = ['h1', 'h2'].map(makeHead);
	for (const { id, station } of heads)
		station.know({ id, headId: id, name: id, number: 1, key: new Uint8Array(32), watched: true, axes: {} });

	const run = (ms: number) => {
		for (const until = now + ms; now < until;) {
			now += stepMs;
			for (let k = 0; k < later.length; k += 1)
				if (later[k]!.atMs <= now) {
					const [due] = later.splice(k, 1);
					due!.run();
					k -= 1;
				}
			for (const head of heads) {
				if (now < clearing && head.link.state?.stoppedBy !== '') head.link.say({ type: 'clear', by: 'Ada' });
				head.tick();
				head.station.tick(now, stoppedBy);
			}
			for (const page of pages) for (const id of page.holds.keys()) page.step(id, { kind: 'tick', atMs: now });
			if (now % 80 === 0) {
				const view = heads.map(({ station }) => station.seen(now, () => null));
				const stopped = stoppedBy;
				for (const page of pages)
					soon(120, () => {
						[page.view, page.stopped] = [view, stopped];
					});
			}
		}
	};
	const drives = (page: Page, id: string) => page.seen(id)?.driver?.page === page.person.page;
	let wants = 0;
	const standBy = (): StandBy => {
		const id = `w${(wants += 1)}`;
		const pose = (panRad: number) => ({
			...{
				kind: 'pose' as const,
				name: `p${panRad.toFixed(1)}`,
				to: { panRad, tiltRad: -panRad / 3 },
				wantedS: null,
				restS: 0
			}
		});
		const at = () => 3.6 * random() - 1.8;
		const kind = random();
		if (kind < 0.1) return { kind: 'ring', id, ring: 'zoom' };
		if (kind < 0.75) return { kind: 'pose', id, name: id, legs: [pose(at())], laps: 1 };
		return { kind: 'programme', id, name: id, legs: [pose(at()), pose(at())], laps: random() < 0.5 ? null : 2 };
	};
	const forgotten = (id: string, why: string) => {
		const { next, task, last } = heads.find((head) => head.id === id)!.station.seen(now, () => null);
		if (next !== null || task !== null || (why !== 'left' && last !== null))
			wrong.push(`${id} was ${why}, and ${next?.name ?? task?.name ?? last?.name} stands by`);
	};
	const clear = () => {
		[stoppedBy, clearing] = [null, now + 300];
		for (const each of heads) each.station.halt();
		for (const each of heads) forgotten(each.id, 'cleared');
		run(400);
	};
	/** One random press by one of the two. */
	const act = () => {
		const k = Math.floor(random() * 2);
		const page = pages[k]!;
		// Mostly with a head in hand.
		const mine = heads.filter((each) => drives(page, each.id));
		const { id } = mine.length > 0 && random() < 0.85 ? pick(mine) : pick(heads);
		const head = heads.find((each) => each.id === id)!;
		const roll = random();
		const say = (type: 'take' | 'askFor' | 'give' | 'keep' | 'lead' | 'drop') => page.say({ type, head: id });
		if (stoppedBy !== null && roll < 0.3) return clear();
		if (roll < 0.1 || (mine.length === 0 && roll < 0.4)) return say('take');
		if (roll < 0.12) return say('askFor');
		if (roll < 0.14) return say('keep');
		if (roll < 0.148) return say('lead');
		if (roll < 0.16) {
			page.step(id, { kind: 'release', atMs: now });
			return say('give');
		}
		if (roll < 0.3)
			return drives(page, id)
				? page.say({ type: 'standBy', head: id, next: random() < 0.06 ? null : standBy() })
				: undefined;
		if (roll < 0.58) return page.press(id);
		if (roll < 0.64) {
			page.press(id);
			run(10 + random() * 120);
			return page.step(id, { kind: 'release', atMs: now });
		}
		if (roll < 0.83) return page.step(id, { kind: 'release', atMs: now });
		if (roll < 0.91)
			return page.say({ type: 'pace', head: id, pace: 0.4 + 0.6 * random(), direction: random() < 0.6 ? -1 : 1 });
		if (roll < 0.92) return say('drop');
		if (roll < 0.96) {
			const next = page.seen(id)?.next;
			return next?.kind === 'programme' ? page.say({ type: 'watch', head: id, id: next.id }) : undefined;
		}
		if (roll < 0.97) {
			// A page of before is gone without a word, and opened anew.
			const { page: name } = page.person;
			const drove = heads.filter(
				({ station }) => station.driver?.page === name && station.seen(now, () => null).task?.watchedFor == null
			);
			pages[k] = fresh(page.person.name);
			for (const { station } of heads) station.gone(name);
			run(700);
			for (const each of drove) if (each.station.driver === null) forgotten(each.id, 'left');
			return;
		}
		if (roll < 0.98) {
			stoppedBy = page.person.name;
			for (const each of heads) {
				each.link.say({ type: 'stop', by: stoppedBy });
				each.station.halt(true);
			}
			run(900);
			for (const each of heads) if (stoppedBy !== null) forgotten(each.id, 'stopped');
			return;
		}
		if (roll < 0.993) return stoppedBy === null ? undefined : clear();
		head.power(false);
		run(700);
		forgotten(id, 'lost');
		head.power(true);
	};
	return { run, act, random, wrong, ran, pages, heads };
}

const presses = process.env.POISE_LONG === '1' ? 400_000 : 4_000;
const worlds = 20;

describe('what the next hold does', () => {
	it(`is what stood in the headline when it was pressed: ${presses} random presses`, () => {
		const all = { steer: 0, go: 0, ring: 0, goOn: 0, back: 0, watched: 0, refused: 0 };
		for (let seed = 0; seed < worlds; seed += 1) {
			const { run, act, random, wrong, ran } = world(100 + seed);
			for (let k = 0; k < presses / worlds; k += 1) {
				act();
				run(stepMs * (1 + Math.floor(random() ** 3 * 60)));
				if (wrong.length > 0) throw new Error(`seed ${seed}, press ${k}: ${wrong[0]}`);
			}
			for (const key of Object.keys(all) as (keyof typeof all)[]) all[key] += ran[key];
		}
		// Each of them has been held, and often enough to be in each other's way.
		for (const key of ['steer', 'go', 'ring', 'goOn', 'back', 'watched'] as const)
			expect(all[key], `${key}: ${JSON.stringify(all)}`).toBeGreaterThan(presses / 1500);
		expect(leaseTimes.leastSamples).toBe(20);
	}, 3_600_000);
});
