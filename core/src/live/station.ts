/* eslint-disable max-lines -- one machine: who may say what of a head is read beside what comes of it. */
/*
 * One head at the desk, as a machine of state and event: who drives it, what stands by for the next hold, what a hold leads it through, and
 * what it is told. Times come in events, in the desk's own milliseconds; so do the facts of its link. Whoever has sockets and a clock only feeds
 * it, and sends what comes of it.
 */
import {
	type DeskAxis,
	type DeskEffect,
	type DeskEvent,
	deskHead,
	type DeskHead,
	deskHeadStep,
	deskTimes
} from './deskHead';
import { type Driver, drives, type Driving, type DrivingEvent, drivingStep, nobodyDrives } from './driving';
import { leaseTimes } from './lease';
import {
	type Intent,
	intentOf,
	type NextSeen,
	sameIntent,
	type StandBy,
	standsOf,
	type StandingWay,
	type TaskSeen,
	type WayKind
} from './nextHold';
import type { AxisValues } from './transition';
import { deskHolder, noWatch, type Watch, type WatchEvent, watchStep } from './watch';
import type { WordFromPage, WordToHead } from './words';

/** An axis as the head says that it is. */
export interface OwnAxis {
	readonly axis: string;
	readonly from: number;
	readonly to: number;
	readonly maxRate: number;
	readonly maxAccel: number;
}
/** What a head has said of itself last. Epoch 0, and a word of no letters: none. */
export interface SaidState {
	readonly headMs: number;
	readonly phase: string;
	readonly holder: string;
	readonly epoch: number;
	readonly stoppedBy: string;
	readonly linkHolder: string;
	readonly linkSamples: number;
	readonly linkTripMs: number;
	readonly each: readonly {
		readonly axis: string;
		readonly at: number;
		readonly rate: number;
		readonly ready: number;
	}[];
}
/** Of its link, as the event came. */
export interface LinkFacts {
	/** Heard of late. */
	readonly here: boolean;
	/** What to add to the desk's time to have the head's. */
	readonly toHeadMs: number;
	readonly state: SaidState | null;
	readonly own: readonly OwnAxis[];
}
/** As the crew keeps it. */
export interface KeptHead {
	/** It may run watched: a person has marked its zone and said so. */
	readonly watched: boolean;
	/** Soft ends and speeds, within its own. */
	readonly axes: Readonly<Record<string, DeskAxis>>;
}

/** A press: whose, what it is for, and the epoch that the head answered it with. */
interface Pressed {
	readonly page: string;
	readonly press: number;
	readonly intent: Intent;
	/** What stood by when it was pressed: chosen anew meanwhile, it is still this that runs. */
	readonly next: StandBy | null;
	readonly epoch: number | null;
}
type Grant = Extract<WordToHead, { type: 'grant' }>;
type SentTo = { readonly name: string; readonly to: AxisValues };

export interface Station {
	readonly kept: KeptHead | null;
	readonly driving: Driving;
	readonly watch: Watch;
	readonly desk: DeskHead;
	readonly next: StandBy | null;
	/** Where it was sent last, and before that. */
	readonly goesTo: SentTo | null;
	readonly last: SentTo | null;
	/** Of the way that it is on. */
	readonly kind: WayKind;
	readonly pressed: Pressed | null;
	/** The hold that something was begun for. */
	readonly begunEpoch: number | null;
	/** Of every page that it heard of late, how well. */
	readonly links: readonly (readonly [string, { readonly samples: number; readonly tripMs: number }])[];
	readonly linkPage: string;
	/** Of a way's own speed, 0 to 1, as its driver wants it; and whether what the stick adds to a way stays. */
	readonly wantedPace: number;
	readonly keepsAdded: boolean;
	readonly wasHere: boolean;
	readonly stopped: boolean;
	/** The newest grant, said again while it is good. */
	readonly grant: Grant | null;
	readonly grantSaidMs: number;
	readonly limitsSaidMs: number;
	readonly tickedMs: number;
	readonly ledMs: number;
	readonly stickWaits: boolean;
}
/** A head that nobody drives. */
export const station = (head: string): Station => ({
	...{
		kept: null,
		driving: nobodyDrives,
		watch: noWatch(head),
		desk: deskHead({}),
		next: null,
		goesTo: null,
		last: null
	},
	...{ kind: 'pose', pressed: null, begunEpoch: null, links: [], linkPage: '', wantedPace: 1, keepsAdded: false },
	...{ wasHere: false, stopped: false, grant: null, grantSaidMs: -Infinity, limitsSaidMs: -Infinity },
	...{ tickedMs: -Infinity, ledMs: -Infinity, stickWaits: false }
});

export type StationEvent = { readonly atMs: number; readonly link: LinkFacts } & (
	| { readonly kind: 'kept'; readonly kept: KeptHead | null }
	/** It has said what its axes are. */
	| { readonly kind: 'about' }
	| { readonly kind: 'state'; readonly state: SaidState }
	| { readonly kind: 'offer'; readonly holder: string; readonly press: number; readonly epoch: number }
	| { readonly kind: 'refused'; readonly holder: string; readonly press: number; readonly why: string }
	| { readonly kind: 'said'; readonly message: WordFromPage; readonly by: Driver }
	/** A page is gone: what it held it holds no more, without being told. */
	| { readonly kind: 'gone'; readonly page: string }
	/** Stopped, or cleared: it does nothing more of itself. */
	| { readonly kind: 'halt'; readonly stopped: boolean }
	| { readonly kind: 'tick'; readonly stoppedBy: string | null }
);
export type StationEffect =
	| { readonly kind: 'say'; readonly message: WordToHead }
	/** To the page that pressed. */
	| { readonly kind: 'refused'; readonly press: number; readonly why: 'changed' };

/** As every page begins. */
const freshShape = { rampS: 0.3, trim: 1 } as const;
/** A stick is heeded at once, but no head is spoken to more often than this. */
const soonestMs = 1;
const limitsEveryMs = 1000;
/** Of so many holders the link is remembered. */
const mostLinks = 32;
const phases = ['rest', 'offered', 'armed', 'stopping'] as const;
export const phaseOf = (said: string): (typeof phases)[number] => phases.find((phase) => phase === said) ?? 'rest';

/** What it can do, and what of it is wanted: kept ends and speeds only narrow its own. */
export function narrowedAxes(
	own: readonly OwnAxis[],
	kept: Readonly<Record<string, DeskAxis>>
): Readonly<Record<string, DeskAxis>> {
	return Object.fromEntries(
		own.map(({ axis, from, to, maxRate, maxAccel }) => {
			const wanted = kept[axis];
			const range: readonly [number, number] =
				wanted === undefined ? [from, to] : [Math.max(from, wanted.range[0]), Math.min(to, wanted.range[1])];
			return [
				axis,
				{
					range: range[0] < range[1] ? range : [from, to],
					maxRate: Math.min(maxRate, wanted?.maxRate ?? maxRate),
					maxAccel: Math.min(maxAccel, wanted?.maxAccel ?? maxAccel)
				}
			];
		})
	);
}
/** A hand holds it. */
export const isHeldByHand = (state: SaidState | null): boolean =>
	state?.phase === 'armed' && state.holder !== deskHolder;

/** What stands by and what it is on, as everybody is told. */
export const standsAt = ({
	next,
	desk,
	kind,
	watch
}: Station): { readonly next: NextSeen | null; readonly task: TaskSeen | null } =>
	standsOf(next, desk.task, { kind, watchedFor: watch.for });

/** What comes of an event: the state after it, and what is said, in that order. */
export function stationStep(before: Station, event: StationEvent): readonly [Station, readonly StationEffect[]] {
	const turn = new Turn(before, event.atMs, event.link);
	turn.take(event);
	return [turn.now, turn.effects];
}

/** One event's way through a station: begun with the state before it, and gone when the state after it is known. */
class Turn {
	readonly effects: StationEffect[] = [];

	constructor(
		public now: Station,
		private readonly atMs: number,
		private readonly link: LinkFacts
	) {}

	take(event: StationEvent): void {
		switch (event.kind) {
			case 'kept':
				return this.keep(event.kept);
			case 'about':
				return this.useAxes();
			case 'state':
				return this.hear(event.state);
			case 'offer':
				return this.offered(event);
			case 'refused':
				return event.holder === deskHolder
					? this.watch({ kind: 'refused', press: event.press, why: event.why })
					: undefined;
			case 'said':
				return this.heed(event.message, event.by);
			case 'gone':
				return this.drive({ kind: 'gone', page: event.page });
			case 'halt':
				return this.halt(event.stopped);
			case 'tick':
				return this.tick(event.stoppedBy);
		}
	}

	private set(changed: Partial<Station>): void {
		this.now = { ...this.now, ...changed };
	}
	private say(message: WordToHead): void {
		this.effects.push({ kind: 'say', message });
	}
	private step(event: DeskEvent): readonly DeskEffect[] {
		const [desk, effects] = deskHeadStep(this.now.desk, event);
		this.set({ desk });
		return effects;
	}
	private watch(event: WatchEvent): void {
		const [watch, effects] = watchStep(this.now.watch, event, this.atMs);
		this.set({ watch });
		for (const effect of effects) {
			if (effect.kind === 'say') this.say(effect.message);
			else if (effect.kind === 'released') this.step({ kind: 'released', epoch: effect.epoch });
			else if (effect.kind === 'drop') this.step({ kind: 'drop' });
			else this.go(effect.way);
		}
	}
	/** Driven by somebody else than before: what was left is nobody's. */
	private drive(event: DrivingEvent): void {
		const [driving, { passed }] = drivingStep(this.now.driving, event, this.atMs);
		this.set({ driving });
		if (passed && event.kind === 'lead') this.letGo();
		if (passed) this.leave();
	}

	private keep(kept: KeptHead | null): void {
		this.set({ kept, limitsSaidMs: -Infinity });
		this.useAxes();
		if (kept === null) this.halt(false);
		else if (!kept.watched) this.watch({ kind: 'ends' });
	}
	private get axes(): Readonly<Record<string, DeskAxis>> {
		return narrowedAxes(this.link.own, this.now.kept?.axes ?? {});
	}
	private useAxes(): void {
		this.step({ kind: 'axes', axes: this.axes });
	}

	private offered({ holder, press, epoch }: Extract<StationEvent, { kind: 'offer' }>): void {
		if (holder === deskHolder) return this.watch({ kind: 'answered', press, epoch });
		const { pressed } = this.now;
		if (pressed?.page === holder && pressed.press === press) this.set({ pressed: { ...pressed, epoch } });
	}
	private hear(state: SaidState): void {
		this.rememberLink(state);
		const epoch = state.epoch === 0 ? null : state.epoch;
		const seen = {
			...{ atMs: this.atMs, headMs: state.headMs, toHeadMs: this.link.toHeadMs, epoch },
			values: Object.fromEntries(state.each.map(({ axis, at }) => [axis, at])),
			rates: Object.fromEntries(state.each.map(({ axis, rate }) => [axis, rate])),
			phase: phaseOf(state.phase),
			holder: state.holder === '' ? null : state.holder,
			stoppedBy: state.stoppedBy === '' ? null : state.stoppedBy,
			ready: state.each.filter(({ ready }) => ready !== 0).map(({ axis }) => axis)
		};
		this.step({ kind: 'seen', seen });
		if (this.now.next?.kind === 'ring' && seen.ready.includes(this.now.next.ring)) this.set({ next: null });
		if (seen.phase === 'armed' && epoch !== this.now.begunEpoch) this.begin(epoch, state.holder);
		this.watch({ kind: 'heard', headMs: state.headMs, holder: state.holder, epoch });
	}
	private rememberLink({ linkHolder, linkSamples: samples, linkTripMs: tripMs }: SaidState): void {
		const links = new Map(this.now.links);
		links.set(linkHolder, { samples, tripMs });
		const linkPage = linkHolder === deskHolder ? this.now.linkPage : linkHolder;
		if (links.size > mostLinks)
			links.delete([...links.keys()].find((holder) => holder !== deskHolder && holder !== linkPage) as string);
		this.set({ links: [...links], linkPage });
	}

	/** A hold is alive: it does what its press was for, and nothing else. */
	private begin(epoch: number | null, holder: string): void {
		this.set({ begunEpoch: epoch });
		if (holder === deskHolder) {
			const wanted = this.now.watch.asked !== null;
			this.watch({ kind: 'begins' });
			return wanted ? undefined : void this.step({ kind: 'steer' });
		}
		const { pressed } = this.now;
		const intent: Intent = pressed !== null && pressed.epoch === epoch ? pressed.intent : { does: 'steer' };
		const { task } = this.now.desk;
		if (intent.does === 'goOn' || intent.does === 'back') {
			// What it was pressed for may be gone, ended by somebody meanwhile.
			if (task === null || task.id !== intent.id || task.dropped) return void this.step({ kind: 'steer' });
			return this.pace(this.now.wantedPace, intent.does === 'back' ? -1 : 1);
		}
		const standing = pressed?.next ?? null;
		if (intent.does === 'go' && standing !== null && standing.kind !== 'ring') return this.go(standing);
		this.step({ kind: 'steer' });
		if (intent.does === 'ring' && standing?.kind === 'ring' && epoch !== null)
			this.say({ type: 'home', epoch, ring: standing.ring });
	}
	private go(way: StandingWay): void {
		this.step({ kind: 'task', id: way.id, name: way.name, legs: way.legs, laps: way.laps });
		this.step({ kind: 'keepAdded', keeps: this.now.keepsAdded });
		this.pace(this.now.wantedPace, 1);
		this.set({ kind: way.kind });
		if (this.now.next?.id === way.id) this.set({ next: null });
		const [leg] = way.legs;
		if (leg?.kind !== 'pose' || way.legs.length > 1 || (way.kind !== 'pose' && way.kind !== 'back')) return;
		const { goesTo } = this.now;
		this.set({ last: goesTo?.name === leg.name ? this.now.last : goesTo, goesTo: { name: leg.name, to: leg.to } });
	}
	private pace(pace: number, direction: 1 | -1): void {
		this.set({ wantedPace: Math.min(1, Math.max(0.05, pace)) });
		this.step({ kind: 'pace', pace: this.now.wantedPace, direction, untilS: null });
	}

	/** Nobody goes on with what its driver left; what runs watched runs on. */
	private leave(): void {
		this.set({ next: null, grant: null, pressed: null });
		this.step({ kind: 'stick', atMs: this.atMs, rates: {} });
		// How its hand took the stick up goes with the hand.
		this.step({ kind: 'shape', ...freshShape });
		if (this.now.watch.for !== null) return;
		this.set({ wantedPace: 1, keepsAdded: false });
		this.step({ kind: 'drop' });
	}
	/** Stopped, cleared or not heard: nothing of what was chosen or gone before stands by any more. */
	private halt(stopped: boolean): void {
		this.set({ stopped });
		this.watch({ kind: 'ends' });
		this.set({ next: null, last: null, goesTo: null });
		this.leave();
	}
	/** Whoever holds it holds it no more. */
	private letGo(): void {
		const { state } = this.link;
		this.set({ grant: null });
		if (state === null || state.holder === '' || state.holder === deskHolder) return;
		this.step({ kind: 'released', epoch: state.epoch });
		this.say({ type: 'release', holder: state.holder, epoch: state.epoch });
	}

	/** What any page may say of it. */
	private heed(message: WordFromPage, by: Driver): void {
		const mine = drives(this.now.driving, by.page);
		switch (message.type) {
			case 'take':
				return this.drive({ kind: 'take', by, held: isHeldByHand(this.link.state) });
			case 'lead':
			case 'askFor':
			case 'unask':
			case 'keep':
			case 'give':
				return this.drive({ kind: message.type, by });
			case 'drop':
				// Whoever sees a programme run may end it.
				if (this.now.watch.for !== null) this.watch({ kind: 'ends' });
				else if (mine) this.step({ kind: 'drop' });
				return;
			default:
				return mine ? this.obey(message, by) : undefined;
		}
	}
	/** What its driver's page sends for it. */
	private obey(message: WordFromPage, by: Driver): void {
		if (message.type !== 'beat' && message.type !== 'stick') this.drive({ kind: 'active' });
		const holder = by.page;
		switch (message.type) {
			case 'ask':
				return this.press(message.press, message.intent, holder);
			case 'beat':
				return this.say({ type: 'beat', holder, issuedAtMs: message.issuedAtMs, echoMs: message.echoMs });
			case 'grant': {
				const { epoch, sequence, issuedAtMs, echoMs } = message;
				const grant: Grant = { type: 'grant', holder, epoch, sequence, issuedAtMs, echoMs };
				const had = this.now.grant;
				if (had?.epoch !== epoch || had.sequence < sequence) this.set({ grant, grantSaidMs: this.atMs });
				return this.say(grant);
			}
			case 'release':
				this.set({ grant: null });
				this.step({ kind: 'released', epoch: message.epoch });
				return this.say({ type: 'release', holder, epoch: message.epoch });
			case 'stick':
				this.step({ kind: 'stick', atMs: this.atMs, rates: message.rates });
				this.set({ stickWaits: true });
				return this.heedStick();
			case 'shape':
				return void this.step({ kind: 'shape', rampS: message.rampS, trim: message.trim });
			case 'standBy':
				return this.standBy(message.next);
			case 'watch':
				return this.runWatched(message.id, by.name);
			case 'pace':
				return this.pace(message.pace, message.direction);
			case 'keepAdded':
				this.set({ keepsAdded: message.keeps });
				return void this.step({ kind: 'keepAdded', keeps: message.keeps });
		}
	}
	private press(press: number, intent: Intent, page: string): void {
		const { pressed, watch, next } = this.now;
		if (pressed?.page !== page || pressed.press !== press) {
			// It stood otherwise on its screen: it is not known what it was pressed for.
			if (watch.for !== null || !sameIntent(intent, intentOf(standsAt(this.now))))
				return void this.effects.push({ kind: 'refused', press, why: 'changed' });
			this.set({ pressed: { page, press, intent, next, epoch: null } });
		}
		this.say({ type: 'ask', holder: page, press, by: 'hand' });
	}
	private trouble(trouble: string | null): void {
		this.set({ watch: { ...this.now.watch, trouble } });
	}
	private runWatched(id: string, by: string): void {
		const way = this.now.next;
		if (this.now.kept?.watched !== true) return this.trouble('watchNotAllowed');
		if (way === null || way.kind === 'ring' || way.id !== id) return this.trouble('changed');
		this.watch({ kind: 'wants', by, way });
	}
	/** Chosen, or nothing any more. What it stopped on before is left for it. */
	private standBy(next: StandBy | null): void {
		const { watch, stopped } = this.now;
		if (stopped || watch.for !== null || watch.asked !== null) return;
		this.set({ next });
		this.trouble(null);
		if (next !== null && !isHeldByHand(this.link.state)) this.step({ kind: 'drop' });
	}

	private tick(stoppedBy: string | null): void {
		// Nobody's head has nothing to be told.
		if (this.now.kept === null) return;
		this.set({ stopped: stoppedBy !== null });
		if (this.now.wasHere && !this.link.here) this.halt(false);
		this.set({ wasHere: this.link.here });
		this.watch({ kind: 'tick' });
		this.heedStick();
		if (this.atMs - this.now.ledMs >= deskTimes.tickMs - 1) this.lead();
		if (this.atMs - this.now.tickedMs < deskTimes.tickMs - 1) return;
		this.set({ tickedMs: this.atMs });
		const { grant } = this.now;
		if (grant !== null && this.atMs - this.now.grantSaidMs < leaseTimes.goodMs) this.say(grant);
		if (this.link.state !== null) this.remind(this.link.state, stoppedBy, this.now.kept.watched);
	}
	/** It is told to stop until it says that it is, and now and then what it may do. */
	private remind({ stoppedBy: latched }: SaidState, stoppedBy: string | null, watched: boolean): void {
		if (stoppedBy !== null && latched === '') this.say({ type: 'stop', by: stoppedBy });
		if (this.atMs - this.now.limitsSaidMs <= limitsEveryMs) return;
		this.set({ limitsSaidMs: this.atMs });
		const each = Object.entries(this.axes).map(([axis, { range, maxRate, maxAccel }]) => ({
			...{ axis, from: range[0], to: range[1], maxRate, maxAccel }
		}));
		this.say({ type: 'limits', watched: watched ? 1 : 0, each });
	}
	private heedStick(): void {
		if (this.now.stickWaits && this.atMs - this.now.ledMs >= soonestMs) this.lead();
	}
	private lead(): void {
		this.set({ ledMs: this.atMs, stickWaits: false });
		for (const effect of this.step({ kind: 'tick', atMs: this.atMs })) this.send(effect);
	}
	private send(effect: DeskEffect): void {
		if (effect.kind === 'done') return this.watch({ kind: 'ends' });
		const { epoch, sequence, rates } = effect;
		if (effect.kind === 'drive')
			return this.say({
				...{ type: 'drive', epoch, sequence },
				each: Object.entries(rates).map(([axis, rate]) => ({ axis, rate }))
			});
		this.say({
			...{ type: 'follow', epoch, sequence, dueMs: effect.dueMs, pace: effect.pace },
			each: Object.entries(effect.at).map(([axis, at]) => ({ axis, at, rate: rates[axis] ?? 0 }))
		});
	}
}
