/* eslint-disable max-lines -- one head at the desk: everything that is said to it and of it. */
import {
	type DeskAxis,
	type DeskEffect,
	type DeskEvent,
	deskHead,
	type DeskHead,
	deskHeadStep,
	deskTimes,
	leaseTimes,
	type Seen
} from '@poise/core';
import type { ToHead } from '@poise/link';
import { Driving, type Person } from './driving';
import type { HeadLink, Signed } from './headLink';
import type { FromDesk, FromPage, HeadSeen, StandBy } from './messages';
import { type Intent, intentOf, sameIntent } from './nextHold';
import { standsOf, type Way } from './stands';
import { deskHolder, Watch } from './watch';

/** A head as the crew keeps it. */
export interface KnownHead {
	/** As printed on its box. */
	readonly id: string;
	readonly headId: string;
	readonly name: string;
	readonly number: number;
	readonly key: Uint8Array | null;
	/** It may run watched: a person has marked its zone and said so. */
	readonly watched: boolean;
	/** Soft ends and speeds, within its own. */
	readonly axes: Readonly<Record<string, DeskAxis>>;
}
/** As every page begins. */
const freshShape = { rampS: 0.3, trim: 1 } as const;
/** A stick is heeded at once, but no head is spoken to more often than this. */
const soonestMs = 1;

/** A press: whose, what it is for, and the epoch that the head answered it with. */
interface Pressed {
	readonly page: string;
	readonly press: number;
	readonly intent: Intent;
	/** What stood by when it was pressed: chosen anew meanwhile, it is still this that runs. */
	readonly next: StandBy | null;
	readonly epoch: number | null;
}
type LinkOfHead = Pick<
	HeadLink,
	| ('id' | 'say' | 'state' | 'about' | 'toHeadMs' | 'useKey' | 'greet' | 'isHere' | 'isAwake')
	| ('free' | 'hasKey' | 'claiming' | 'ignored')
>;

/** One head at the desk: its link, what is kept of it, who drives it, what stands by for the next hold, and what a hold leads it through. */
export class Station<Link extends LinkOfHead = HeadLink> {
	readonly link: Link;
	known: KnownHead | null = null;
	readonly driving = new Driving();
	#next: StandBy | null = null;
	#last: HeadSeen['last'] = null;
	#goesTo: HeadSeen['last'] = null;
	#kind: Way['kind'] = 'pose';
	#pressed: Pressed | null = null;
	#begunEpoch: number | null = null;
	#links = new Map<string, { readonly samples: number; readonly tripMs: number }>();
	#linkPage = '';
	#wantedPace = 1;
	#keepsAdded = false;
	#wasHere = false;
	#stopped = false;
	#desk: DeskHead = deskHead({});
	readonly #watch: Watch;
	#grant: Extract<ToHead, { type: 'grant' }> | null = null;
	#grantSaidMs = -Infinity;
	#limitsSaidMs = -Infinity;
	#tickedMs = -Infinity;
	#ledMs = -Infinity;
	#stickWaits = false;

	constructor(link: Link) {
		this.link = link;
		this.#watch = new Watch(link.id, {
			say: (message) => this.link.say(message),
			released: (epoch) => void this.#step({ kind: 'released', epoch }),
			drop: () => void this.#step({ kind: 'drop' })
		});
	}

	#step(event: DeskEvent): readonly DeskEffect[] {
		const [after, effects] = deskHeadStep(this.#desk, event);
		this.#desk = after;
		return effects;
	}

	know(known: KnownHead | null): void {
		this.known = known;
		this.link.useKey(known?.key ?? null);
		this.#limitsSaidMs = -Infinity;
		this.#useAxes();
		if (known === null) this.halt();
		else if (!known.watched) this.#watch.end(performance.now());
	}
	#useAxes(): void {
		this.#step({ kind: 'axes', axes: this.axes });
	}
	/** What it can do, and what of it is wanted. */
	get axes(): Readonly<Record<string, DeskAxis>> {
		const own = this.link.about?.each ?? [];
		return Object.fromEntries(
			own.map(({ axis, from, to, maxRate, maxAccel }) => {
				const kept = this.known?.axes[axis];
				const range: readonly [number, number] =
					kept === undefined ? [from, to] : [Math.max(from, kept.range[0]), Math.min(to, kept.range[1])];
				return [
					axis,
					{
						range: range[0] < range[1] ? range : [from, to],
						maxRate: Math.min(maxRate, kept?.maxRate ?? maxRate),
						maxAccel: Math.min(maxAccel, kept?.maxAccel ?? maxAccel)
					}
				];
			})
		);
	}

	/** What its link brought. */
	hear(message: Signed | 'announced', atMs: number): void {
		if (message === 'announced' || message.type === 'about') return this.#useAxes();
		if (message.type === 'offer' && message.holder === deskHolder)
			return this.#watch.step({ kind: 'offer', atMs, press: message.press, epoch: message.epoch });
		if (message.type === 'refuse' && message.holder === deskHolder)
			return this.#watch.step({ kind: 'refused', atMs, press: message.press, why: message.why });
		if (message.type === 'offer') {
			const { holder: page, press, epoch } = message;
			if (this.#pressed?.page === page && this.#pressed.press === press) this.#pressed = { ...this.#pressed, epoch };
			return;
		}
		if (message.type !== 'state') return;
		this.#links.set(message.linkHolder, { samples: message.linkSamples, tripMs: message.linkTripMs });
		if (message.linkHolder !== deskHolder) this.#linkPage = message.linkHolder;
		if (this.#links.size > mostLinks)
			this.#links.delete([...this.#links.keys()].find((holder) => holder !== deskHolder && holder !== this.#linkPage)!);
		const epoch = message.epoch === 0 ? null : message.epoch;
		const seen: Seen = {
			...{ atMs, headMs: message.headMs, toHeadMs: this.link.toHeadMs, epoch },
			values: Object.fromEntries(message.each.map(({ axis, at }) => [axis, at])),
			rates: Object.fromEntries(message.each.map(({ axis, rate }) => [axis, rate])),
			phase: phases.find((phase) => phase === message.phase) ?? 'rest',
			holder: message.holder === '' ? null : message.holder,
			stoppedBy: message.stoppedBy === '' ? null : message.stoppedBy,
			ready: message.each.filter(({ ready }) => ready !== 0).map(({ axis }) => axis)
		};
		this.#step({ kind: 'seen', seen });
		if (this.#next?.kind === 'ring' && seen.ready.includes(this.#next.ring)) this.#next = null;
		if (seen.phase === 'armed' && epoch !== this.#begunEpoch) this.#begin(epoch, message.holder, atMs);
		this.#watch.heard(message.headMs, message.holder, epoch, atMs);
	}

	/** A hold is alive: it does what its press was for, and nothing else. */
	#begin(epoch: number | null, holder: string, atMs: number): void {
		this.#begunEpoch = epoch;
		if (holder === deskHolder) {
			const way = this.#watch.begin(atMs);
			return way === null ? void this.#step({ kind: 'steer' }) : this.#go(way);
		}
		const pressed = this.#pressed;
		const intent: Intent = pressed !== null && pressed.epoch === epoch ? pressed.intent : { does: 'steer' };
		const { id } = this.#desk.task ?? { id: null };
		if (intent.does === 'goOn' || intent.does === 'back') {
			// What it was pressed for may be gone, ended by somebody meanwhile.
			if (id !== intent.id || this.#desk.task?.dropped === true) return void this.#step({ kind: 'steer' });
			return this.#pace({ pace: this.#wantedPace, direction: intent.does === 'back' ? -1 : 1 });
		}
		if (intent.does === 'go' && pressed?.next != null && pressed.next.kind !== 'ring') return this.#go(pressed.next);
		this.#step({ kind: 'steer' });
		if (intent.does === 'ring' && pressed?.next?.kind === 'ring' && epoch !== null)
			this.link.say({ type: 'home', epoch, ring: pressed.next.ring });
	}
	#go(way: Way): void {
		this.#step({ kind: 'task', id: way.id, name: way.name, legs: way.legs, laps: way.laps });
		this.#step({ kind: 'keepAdded', keeps: this.#keepsAdded });
		this.#pace({ pace: this.#wantedPace, direction: 1 });
		this.#kind = way.kind;
		if (this.#next?.id === way.id) this.#next = null;
		const [leg] = way.legs;
		if (leg?.kind !== 'pose' || way.legs.length > 1 || (way.kind !== 'pose' && way.kind !== 'back')) return;
		const to = { name: leg.name, to: leg.to };
		if (this.#goesTo?.name !== to.name) this.#last = this.#goesTo;
		this.#goesTo = to;
	}
	#pace({ pace, direction }: { readonly pace: number; readonly direction: 1 | -1 }): void {
		this.#wantedPace = Math.min(1, Math.max(0.05, pace));
		this.#step({ kind: 'pace', pace: this.#wantedPace, direction, untilS: null });
	}
	/** Nothing of what was chosen or gone before stands by any more. */
	forget(): void {
		[this.#next, this.#last, this.#goesTo] = [null, null, null];
		this.#leave();
	}
	/** Nobody goes on with what its driver left; what runs watched runs on. */
	#leave(): void {
		[this.#next, this.#grant, this.#pressed] = [null, null, null];
		this.#step({ kind: 'stick', atMs: performance.now(), rates: {} });
		// How its hand took the stick up goes with the hand.
		this.#step({ kind: 'shape', ...freshShape });
		if (this.#watch.for !== null) return;
		[this.#wantedPace, this.#keepsAdded] = [1, false];
		this.#step({ kind: 'drop' });
	}
	/** Stopped, cleared or not heard: it does nothing more of itself. */
	halt(stopped = false): void {
		this.#stopped = stopped;
		this.#watch.end(performance.now());
		this.forget();
	}

	/** Whoever holds it holds it no more. */
	#lets(): void {
		const { state } = this.link;
		this.#grant = null;
		if (state === null || state.holder === '' || state.holder === deskHolder) return;
		this.#step({ kind: 'released', epoch: state.epoch });
		this.link.say({ type: 'release', holder: state.holder, epoch: state.epoch });
	}

	/** What any page may say of it. */
	heed(message: Extract<FromPage, { head: string }>, person: Person, atMs: number): FromDesk | null {
		const { driving } = this;
		switch (message.type) {
			case 'take':
				if (driving.take(person, atMs, this.isHeld)) this.#leave();
				return null;
			case 'lead':
				if (!driving.lead(person, atMs)) return null;
				this.#lets();
				this.#leave();
				return null;
			case 'askFor':
				driving.ask(person, atMs);
				return null;
			case 'unask':
				driving.unask(person.page);
				return null;
			case 'keep':
				driving.keep(person.page, atMs);
				return null;
			case 'give':
				if (driving.give(person.page)) this.#leave();
				return null;
			case 'drop':
				// Whoever sees a programme run may end it.
				if (this.#watch.for !== null) this.#watch.end(atMs);
				else if (driving.isDriver(person.page)) this.#step({ kind: 'drop' });
				return null;
			default:
				return driving.isDriver(person.page) ? this.#obey(message, person, atMs) : null;
		}
	}
	get isHeld(): boolean {
		return this.link.state?.phase === 'armed' && this.link.state.holder !== deskHolder;
	}

	/** What its driver's page sends for it; gives what that page is told at once. */
	#obey(message: Extract<FromPage, { head: string }>, person: Person, atMs: number): FromDesk | null {
		if (message.type !== 'beat' && message.type !== 'stick') this.driving.active(atMs);
		if (message.type === 'ask') return this.#ask(message, person);
		this.#do(message, person, atMs);
		return null;
	}
	#ask({ head, press, intent }: Extract<FromPage, { type: 'ask' }>, { page }: Person): FromDesk | null {
		if (this.#pressed?.page !== page || this.#pressed.press !== press) {
			// It stood otherwise on its screen: it is not known what it was pressed for.
			if (this.#watch.for !== null || !sameIntent(intent, intentOf(this.#stands())))
				return { type: 'refused', head, press, why: 'changed' };
			this.#pressed = { page, press, intent, next: this.#next, epoch: null };
		}
		this.link.say({ type: 'ask', holder: page, press, by: 'hand' });
		return null;
	}
	#do(message: Extract<FromPage, { head: string }>, person: Person, atMs: number): void {
		const holder = person.page;
		switch (message.type) {
			case 'beat':
				return this.link.say({ ...message, type: 'beat', holder });
			case 'grant': {
				const { epoch, sequence, issuedAtMs, echoMs } = message;
				const grant = { type: 'grant' as const, holder, epoch, sequence, issuedAtMs, echoMs };
				const newer = this.#grant?.epoch !== epoch || this.#grant.sequence < sequence;
				if (newer) [this.#grant, this.#grantSaidMs] = [grant, atMs];
				return this.link.say(grant);
			}
			case 'release':
				this.#grant = null;
				this.#step({ kind: 'released', epoch: message.epoch });
				return this.link.say({ type: 'release', holder, epoch: message.epoch });
			case 'stick':
				this.#step({ kind: 'stick', atMs, rates: message.rates });
				this.#stickWaits = true;
				return this.#heedStick(atMs);
			case 'shape':
				return void this.#step({ kind: 'shape', rampS: message.rampS, trim: message.trim });
			case 'standBy':
				return this.#standBy(message.next);
			case 'watch': {
				const way = this.#next;
				if (this.known?.watched !== true) return void (this.#watch.trouble = 'watchNotAllowed');
				if (way === null || way.kind === 'ring' || way.id !== message.id) return void (this.#watch.trouble = 'changed');
				return this.#watch.ask(person.name, way, atMs);
			}
			case 'pace':
				return this.#pace(message);
			case 'keepAdded':
				this.#keepsAdded = message.keeps;
				return void this.#step({ kind: 'keepAdded', keeps: message.keeps });
		}
	}
	/** Chosen, or nothing any more. What it stopped on before is left for it. */
	#standBy(next: StandBy | null): void {
		if (this.#stopped || this.#watch.for !== null || this.#watch.isAsked) return;
		this.#next = next;
		this.#watch.trouble = null;
		if (next !== null && !this.isHeld) this.#step({ kind: 'drop' });
	}

	/** A page is gone: what it held it holds no more, without being told. */
	gone(page: string): void {
		if (this.driving.gone(page)) this.#leave();
	}

	tick(atMs: number, stoppedBy: string | null): void {
		this.link.greet(atMs);
		// Nobody's head has nothing to be told.
		if (this.known === null) return;
		this.#stopped = stoppedBy !== null;
		const here = this.link.isHere(atMs);
		if (this.#wasHere && !here) this.halt();
		this.#wasHere = here;
		this.#watch.tick(atMs);
		this.#heedStick(atMs);
		if (atMs - this.#ledMs >= deskTimes.tickMs - 1) this.#lead(atMs);
		if (atMs - this.#tickedMs < deskTimes.tickMs - 1) return;
		this.#tickedMs = atMs;
		const grant = this.#grant;
		if (grant !== null && atMs - this.#grantSaidMs < leaseTimes.goodMs) this.link.say(grant);
		if (this.link.state !== null) {
			const latched = this.link.state.stoppedBy !== '';
			if (stoppedBy !== null && !latched) this.link.say({ type: 'stop', by: stoppedBy });
			if (atMs - this.#limitsSaidMs > 1000) {
				this.#limitsSaidMs = atMs;
				const each = Object.entries(this.axes).map(([axis, { range, maxRate, maxAccel }]) => ({
					...{ axis, from: range[0], to: range[1], maxRate, maxAccel }
				}));
				this.link.say({ type: 'limits', watched: this.known.watched ? 1 : 0, each });
			}
		}
	}
	#heedStick(atMs: number): void {
		if (this.#stickWaits && atMs - this.#ledMs >= soonestMs) this.#lead(atMs);
	}
	#lead(atMs: number): void {
		this.#ledMs = atMs;
		this.#stickWaits = false;
		for (const effect of this.#step({ kind: 'tick', atMs })) this.#send(effect);
	}
	#send(effect: DeskEffect): void {
		if (effect.kind === 'done') return this.#watch.end(performance.now());
		const { epoch, sequence, rates } = effect;
		if (effect.kind === 'drive')
			return this.link.say({
				...{ type: 'drive', epoch, sequence },
				each: Object.entries(rates).map(([axis, rate]) => ({ axis, rate }))
			});
		this.link.say({
			...{ type: 'follow', epoch, sequence, dueMs: effect.dueMs, pace: effect.pace },
			each: Object.entries(effect.at).map(([axis, at]) => ({ axis, at, rate: rates[axis] ?? 0 }))
		});
	}

	#stands() {
		return standsOf(this.#next, this.#desk.task, { kind: this.#kind, watchedFor: this.#watch.for });
	}

	/** As every page sees it. */
	seen(atMs: number, nameOf: (page: string) => string | null): HeadSeen {
		const { about, state } = this.link;
		const here = this.link.isHere(atMs);
		const { trouble } = this.#desk;
		const numbers = (of: 'at' | 'rate') => Object.fromEntries((state?.each ?? []).map((each) => [each.axis, each[of]]));
		const link = this.link.claiming
			? 'claiming'
			: here
				? 'here'
				: this.link.free && this.link.isAwake(atMs)
					? 'free'
					: this.link.hasKey || this.known !== null
						? 'away'
						: 'other';
		const holder = state?.holder ?? '';
		return {
			...{ id: this.link.id, headId: this.known?.headId ?? null, number: this.known?.number ?? null, link },
			name: this.known?.name ?? about?.name ?? this.link.id,
			kind: about?.kind ?? '',
			headMs: state?.headMs ?? 0,
			phase: here ? (phases.find((phase) => phase === state?.phase) ?? 'rest') : 'rest',
			epoch: state?.epoch ?? null,
			holder:
				!here || holder === ''
					? null
					: holder === deskHolder
						? (this.#watch.for ?? 'the desk')
						: (nameOf(holder) ?? 'a page'),
			heldS: here && state?.phase === 'armed' ? Math.max(0, (state.headMs - state.heldSinceMs) / 1000) : 0,
			...this.driving.seen(atMs, this.isHeld),
			stoppedBy: state === null || state.stoppedBy === '' ? null : state.stoppedBy,
			stuckAxis: state === null || state.stuckAxis === '' ? null : state.stuckAxis,
			recording: state?.recording === 1,
			batteryPart: state?.batteryPart ?? 0,
			ignored: state?.ignored ?? 0,
			linkPage: this.#linkPage,
			linkSamples: this.#links.get(this.#linkPage)?.samples ?? 0,
			linkTripMs: this.#links.get(this.#linkPage)?.tripMs ?? 0,
			watchSamples: this.#links.get(deskHolder)?.samples ?? 0,
			watchTripMs: this.#links.get(deskHolder)?.tripMs ?? 0,
			...{ wantedPace: this.#wantedPace, keepsAdded: this.#keepsAdded },
			...{ watchAsked: this.#watch.isAsked, watchTrouble: this.#watch.trouble, last: this.#last },
			found: Object.fromEntries(
				(state?.each ?? []).filter(({ ready }) => ready === 0).map(({ axis, at }) => [axis, at])
			),
			...this.#stands(),
			at: numbers('at'),
			rates: numbers('rate'),
			ready: (state?.each ?? []).filter(({ ready }) => ready !== 0).map(({ axis }) => axis),
			axes: Object.fromEntries(
				Object.entries(this.axes).map(([axis, each]) => [
					axis,
					{ ...each, ring: about?.each.find((one) => one.axis === axis)?.ring === 1 }
				])
			),
			watched: this.known?.watched ?? false,
			trouble
		};
	}
}
/** Of so many holders the link is remembered. */
const mostLinks = 32;
const phases = ['rest', 'offered', 'armed', 'stopping'] as const;
