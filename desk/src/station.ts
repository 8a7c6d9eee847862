import {
	type DeskAxis,
	deskHolder,
	type Driver,
	drivingSeen,
	isHeldByHand,
	type KeptHead,
	type LinkFacts,
	narrowedAxes,
	phaseOf,
	standsAt,
	station,
	type StationEffect,
	type StationEvent,
	stationStep,
	type Station as Machine
} from '@poise/core';
import type { HeadLink, Signed } from './headLink';
import type { FromDesk, HeadSeen, OfHead } from './messages';

/** A head as the crew keeps it. */
export interface KnownHead extends KeptHead {
	/** As printed on its box. */
	readonly id: string;
	readonly headId: string;
	readonly name: string;
	readonly number: number;
	readonly key: Uint8Array | null;
}
type LinkOfHead = Pick<
	HeadLink,
	| ('id' | 'say' | 'state' | 'about' | 'toHeadMs' | 'useKey' | 'greet' | 'isHere' | 'isAwake')
	| ('free' | 'hasKey' | 'claiming' | 'ignored')
>;
/** An event without what every event carries. */
type Said<Event> = Event extends StationEvent ? Omit<Event, 'atMs' | 'link'> : never;

/** One head at the desk: its link, what is kept of it, and the machine that both of them feed (`core/src/live/station.ts`). */
export class Station<Link extends LinkOfHead = HeadLink> {
	readonly link: Link;
	known: KnownHead | null = null;
	#machine: Machine;

	constructor(link: Link) {
		this.link = link;
		this.#machine = station(link.id);
	}

	#feed(event: Said<StationEvent>, atMs: number): readonly StationEffect[] {
		const [after, effects] = stationStep(this.#machine, { ...event, atMs, link: this.#facts(atMs) } as StationEvent);
		this.#machine = after;
		for (const effect of effects) if (effect.kind === 'say') this.link.say(effect.message);
		return effects;
	}
	#facts(atMs: number): LinkFacts {
		const { state, toHeadMs, about } = this.link;
		return { here: this.link.isHere(atMs), toHeadMs, state, own: about?.each ?? [] };
	}

	get driver(): Driver | null {
		return this.#machine.driving.driver;
	}
	/** What it can do, and what of it is wanted. */
	get axes(): Readonly<Record<string, DeskAxis>> {
		return narrowedAxes(this.link.about?.each ?? [], this.known?.axes ?? {});
	}

	know(known: KnownHead | null): void {
		this.known = known;
		this.link.useKey(known?.key ?? null);
		this.#feed({ kind: 'kept', kept: known }, performance.now());
	}
	/** What its link brought. */
	hear(message: Signed | 'announced', atMs: number): void {
		if (message === 'announced' || message.type === 'about') return void this.#feed({ kind: 'about' }, atMs);
		const { type: kind } = message;
		if (kind === 'offer') this.#feed({ ...message, kind }, atMs);
		if (kind === 'refuse') this.#feed({ ...message, kind: 'refused' }, atMs);
		if (kind === 'state') this.#feed({ kind, state: message }, atMs);
	}
	/** What a page says of it; gives what that page is told at once. */
	heed(message: OfHead, by: Driver, atMs: number): FromDesk | null {
		const effects = this.#feed({ kind: 'said', message, by }, atMs);
		const refused = effects.find((effect) => effect.kind === 'refused');
		return refused === undefined
			? null
			: { type: 'refused', head: message.head, press: refused.press, why: refused.why };
	}
	gone(page: string): void {
		this.#feed({ kind: 'gone', page }, performance.now());
	}
	/** Stopped, or cleared. */
	halt(stopped = false): void {
		this.#feed({ kind: 'halt', stopped }, performance.now());
	}
	tick(atMs: number, stoppedBy: string | null): void {
		this.link.greet(atMs);
		this.#feed({ kind: 'tick', stoppedBy }, atMs);
	}

	/** As every page sees it. */
	seen(atMs: number, nameOf: (page: string) => string | null): HeadSeen {
		const { about, state } = this.link;
		const { watch, desk, links, linkPage, driving, wantedPace, keepsAdded, last } = this.#machine;
		const here = this.link.isHere(atMs);
		const linkOf = (holder: string) => links.find(([each]) => each === holder)?.[1];
		const numbers = (of: 'at' | 'rate') => Object.fromEntries((state?.each ?? []).map((each) => [each.axis, each[of]]));
		const holder = state?.holder ?? '';
		return {
			...{ id: this.link.id, headId: this.known?.headId ?? null, number: this.known?.number ?? null },
			link: this.#linkSeen(here, atMs),
			name: this.known?.name ?? about?.name ?? this.link.id,
			kind: about?.kind ?? '',
			headMs: state?.headMs ?? 0,
			phase: here ? phaseOf(state?.phase ?? '') : 'rest',
			epoch: state?.epoch ?? null,
			holder:
				!here || holder === ''
					? null
					: holder === deskHolder
						? (watch.for ?? 'the desk')
						: (nameOf(holder) ?? 'a page'),
			heldS: here && state?.phase === 'armed' ? Math.max(0, (state.headMs - state.heldSinceMs) / 1000) : 0,
			...drivingSeen(driving, atMs, isHeldByHand(state)),
			stoppedBy: state === null || state.stoppedBy === '' ? null : state.stoppedBy,
			stuckAxis: state === null || state.stuckAxis === '' ? null : state.stuckAxis,
			recording: state?.recording === 1,
			batteryPart: state?.batteryPart ?? 0,
			ignored: state?.ignored ?? 0,
			linkPage,
			linkSamples: linkOf(linkPage)?.samples ?? 0,
			linkTripMs: linkOf(linkPage)?.tripMs ?? 0,
			watchSamples: linkOf(deskHolder)?.samples ?? 0,
			watchTripMs: linkOf(deskHolder)?.tripMs ?? 0,
			...{ wantedPace, keepsAdded, watchAsked: watch.asked !== null, watchTrouble: watch.trouble, last },
			found: Object.fromEntries(
				(state?.each ?? []).filter(({ ready }) => ready === 0).map(({ axis, at }) => [axis, at])
			),
			...standsAt(this.#machine),
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
			trouble: desk.trouble
		};
	}
	#linkSeen(here: boolean, atMs: number): HeadSeen['link'] {
		if (this.link.claiming) return 'claiming';
		if (here) return 'here';
		if (this.link.free && this.link.isAwake(atMs)) return 'free';
		return this.link.hasKey || this.known !== null ? 'away' : 'other';
	}
}
