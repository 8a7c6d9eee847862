/* eslint-disable max-lines -- one head at the desk: everything that is said to it and of it. */
import {
	type DeskAxis,
	type DeskEffect,
	type DeskEvent,
	deskHead,
	type DeskHead,
	deskHeadStep,
	deskTimes,
	handOff,
	type Hold,
	type HoldEvent,
	holdStep,
	leaseTimes,
	type Seen
} from '@poise/core';
import type { ToHead } from '@poise/link';
import { HeadLink, type Place, type Signed } from './headLink';
import type { FromPage, HeadSeen } from './messages';

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
export interface Person {
	readonly page: string;
	readonly name: string;
}
const deskHolder = 'desk';
/** So long after somebody asked, a head that nobody holds passes to them. */
const passesMs = 3000;
/** A stick is heeded at once, but no head is spoken to more often than this. */
const soonestMs = 1;

/** One head at the desk: its link, what is kept of it, who drives it, and what it is led through. */
export class Station {
	readonly link: HeadLink;
	known: KnownHead | null = null;
	driver: Person | null = null;
	askedBy: (Person & { readonly sinceMs: number }) | null = null;
	/** For whom it runs without a hand. */
	watchedFor: string | null = null;
	#desk: DeskHead = deskHead({});
	#watch: Hold;
	#grant: Extract<ToHead, { type: 'grant' }> | null = null;
	#grantSaidMs = -Infinity;
	#limitsSaidMs = -Infinity;
	#tickedMs = -Infinity;
	#ledMs = -Infinity;
	#stickWaits = false;

	constructor(id: string, nonce: Uint8Array, send: (bytes: Uint8Array, to: Place) => void) {
		this.link = new HeadLink(id, nonce, send);
		this.#watch = handOff(id);
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
		if (known?.watched !== true) this.endWatch();
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

	/** What its link brought. Gives what a page is to hear. */
	hear(message: Signed | 'announced', atMs: number): void {
		if (message === 'announced' || message.type === 'about') return this.#useAxes();
		if (message.type === 'offer' && message.holder === deskHolder)
			return this.#watching({ kind: 'offer', atMs, press: message.press, epoch: message.epoch });
		if (message.type === 'refuse' && message.holder === deskHolder)
			return this.#watching({ kind: 'refused', atMs, press: message.press, why: message.why });
		if (message.type !== 'state') return;
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
		this.#watching({ kind: 'heard', atMs, headMs: message.headMs });
		if (message.holder === deskHolder || this.#watch.phase === 'down') this.#watching({ kind: 'holds', atMs, epoch });
	}

	/** The desk's own hold, of a head that may run watched. */
	#watching(event: HoldEvent): void {
		const [after, effects] = holdStep(this.#watch, event);
		this.#watch = after;
		for (const effect of effects) {
			switch (effect.kind) {
				case 'ask':
					this.link.say({ type: 'ask', holder: deskHolder, press: effect.press, by: 'watch' });
					break;
				case 'grant':
					this.link.say({ ...effect, type: 'grant', holder: deskHolder });
					break;
				case 'beat':
					this.link.say({ ...effect, type: 'beat', holder: deskHolder });
					break;
				case 'release':
					this.#step({ kind: 'released', epoch: effect.epoch });
					this.link.say({ type: 'release', holder: deskHolder, epoch: effect.epoch });
			}
		}
	}
	endWatch(): void {
		if (this.watchedFor === null) return;
		this.watchedFor = null;
		this.#watching({ kind: 'release', atMs: performance.now() });
	}

	/** What its driver's page sends for it. */
	obey(message: Extract<FromPage, { head: string }>, person: Person, atMs: number): void {
		const holder = person.page;
		switch (message.type) {
			case 'beat':
				return this.link.say({ ...message, type: 'beat', holder });
			case 'ask':
				// A hand takes it from the watch; the way it was on stays.
				this.endWatch();
				return this.link.say({ type: 'ask', holder, press: message.press, by: 'hand' });
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
			case 'task':
				this.#step({ kind: 'task', name: message.name, legs: message.legs, laps: message.laps });
				if (message.watched && this.known?.watched === true) {
					this.watchedFor = person.name;
					this.#watching({ kind: 'press', atMs });
				}
				return;
			case 'drop':
				this.endWatch();
				return void this.#step({ kind: 'drop' });
			case 'pace':
				return void this.#step({
					kind: 'pace',
					...{ pace: message.pace, direction: message.direction, untilS: message.untilS }
				});
			case 'keepAdded':
				return void this.#step({ kind: 'keepAdded', keeps: message.keeps });
			case 'home':
				return this.link.say({ type: 'home', epoch: this.#desk.seen?.epoch ?? 0, ring: message.ring });
		}
	}

	/** A page is gone: what it held it holds no more, without being told. */
	leave(page: string): void {
		if (this.askedBy?.page === page) this.askedBy = null;
		if (this.driver?.page !== page) return;
		this.driver = null;
		this.#grant = null;
		this.#step({ kind: 'stick', atMs: performance.now(), rates: {} });
	}

	tick(atMs: number, stoppedBy: string | null): void {
		this.link.greet(atMs);
		// Nobody's head has nothing to be told.
		if (this.known === null) return;
		this.#watching({ kind: 'tick', atMs });
		if (this.watchedFor !== null && this.#watch.phase === 'ended') this.watchedFor = null;
		if (this.askedBy !== null && atMs - this.askedBy.sinceMs > passesMs && this.link.state?.phase !== 'armed')
			this.pass();
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
		if (effect.kind === 'done') return this.endWatch();
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

	pass(): void {
		if (this.askedBy === null) return;
		this.driver = { page: this.askedBy.page, name: this.askedBy.name };
		this.askedBy = null;
		this.#grant = null;
	}

	/** As every page sees it. */
	seen(atMs: number, nameOf: (page: string) => string | null): HeadSeen {
		const { about, state } = this.link;
		const here = this.link.isHere(atMs);
		const { task, trouble } = this.#desk;
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
						? (this.watchedFor ?? 'the desk')
						: (nameOf(holder) ?? 'a page'),
			heldS: here && state?.phase === 'armed' ? Math.max(0, (state.headMs - state.heldSinceMs) / 1000) : 0,
			driver: this.driver,
			askedBy: this.askedBy === null ? null : { page: this.askedBy.page, name: this.askedBy.name },
			stoppedBy: state === null || state.stoppedBy === '' ? null : state.stoppedBy,
			stuckAxis: state === null || state.stuckAxis === '' ? null : state.stuckAxis,
			recording: state?.recording === 1,
			batteryPart: state?.batteryPart ?? 0,
			ignored: state?.ignored ?? 0,
			linkPage: state?.linkHolder ?? '',
			linkSamples: state?.linkSamples ?? 0,
			linkTripMs: state?.linkTripMs ?? 0,
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
			trouble,
			task:
				task === null
					? null
					: {
							...{ name: task.name, leg: task.leg, lap: task.lap, laps: task.laps, phase: task.phase },
							legs: task.legs.map(({ name }) => name),
							resting: task.restsUntilMs !== null,
							atS: task.going.s,
							durationS: task.way?.durationS ?? null,
							...{ pace: task.going.pace, direction: task.going.direction, watchedFor: this.watchedFor },
							to: task.way?.kind === 'pose' ? task.way.to : null,
							added: Object.keys(task.added).length > 0
						}
		};
	}
}
const phases = ['rest', 'offered', 'armed', 'stopping'] as const;
