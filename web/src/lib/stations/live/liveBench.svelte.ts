import { stickRate, type Vec3, zoomRate } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import { getContext, setContext } from 'svelte';
import { v7 as newId } from 'uuid';
import { ask } from '$lib/keeping/ask';
import type { LiveHead, LivePose, Programme } from '$lib/model/liveHead';
import type { Person } from '$lib/model/person';
import type { Venue } from '$lib/model/venue';
import { deskWire } from '$lib/shell/deskWire.svelte';
import type { Deflection } from '$lib/sheet/pad';
import { goalOf, lookAt, offered, wayTo } from './reach';
import { focalOf } from './stand';

type Values = Readonly<Record<string, number>>;
export interface LiveData {
	readonly heads: readonly LiveHead[];
	readonly poses: readonly LivePose[];
	readonly venues: readonly Venue[];
	readonly moves: readonly { readonly id: string; readonly name: string }[];
	readonly person: Person;
}
/** Where the head in hand is to go next. */
export interface Target {
	readonly name: string;
	readonly values: Values;
	readonly wantedS: number | null;
	readonly programme: Programme | null;
	/** Sent to the desk already: a hold goes on with it. */
	readonly sent: boolean;
}
const stickEveryMs = 20;
/** A picture goes at most so many of its widths a second at full stick. */
const widthsPerS = 0.5;

export class LiveBench {
	data = $state.raw() as LiveData;
	/** The box in hand. */
	chosenId = $state<string | null>(null);
	target = $state.raw<Target | null>(null);
	lastPose = $state.raw<Target | null>(null);
	told = $state('');
	/** How the stick is taken up. */
	rampS = $state(0.3);
	trim = $state(1);
	deadZone = $state(0.08);
	curve = $state(0.6);
	keeps = $state(false);
	backwards = $state(false);
	pace = $state(1);
	/** A ring whose ends are to be found with the next hold. */
	homing = $state<string | null>(null);
	#sticks: Record<string, Deflection> = {};
	#rings: Record<string, number> = {};
	#grip: Values = {};
	#timer: ReturnType<typeof setInterval> | undefined;
	#still = true;

	constructor(data: LiveData) {
		this.data = data;
	}
	readonly heads = $derived(deskWire.heads);
	readonly head = $derived<HeadSeen | null>(this.heads.find(({ id }) => id === this.chosenId) ?? null);
	readonly kept = $derived(this.data.heads.find(({ boxId }) => boxId === this.chosenId) ?? null);
	readonly at = $derived<Values>(
		this.chosenId === null ? {} : (deskWire.newest[this.chosenId]?.at ?? this.head?.at ?? {})
	);
	readonly hold = $derived(this.chosenId === null ? null : (deskWire.holds[this.chosenId] ?? null));
	readonly mine = $derived(deskWire.drives(this.head));
	readonly offered = $derived(
		this.head === null || this.kept === null ? [] : offered(this.head, this.kept, this.at, this.data.poses)
	);
	readonly venueId = $derived(
		this.kept?.venueId ?? this.data.heads.find(({ venueId }) => venueId !== null)?.venueId ?? null
	);
	readonly venue = $derived(this.data.venues.find(({ id }) => id === this.venueId) ?? null);
	readonly way = $derived(
		this.target === null || this.head === null || this.target.programme !== null
			? null
			: wayTo(this.head, this.at, this.target.values, this.target.wantedS)
	);
	readonly armed = $derived(this.mine && this.head?.phase === 'armed' && this.hold?.phase === 'down');

	choose(id: string | null): void {
		if (id === this.chosenId) return;
		if (this.chosenId !== null && deskWire.drives(this.head)) deskWire.give(this.chosenId);
		this.chosenId = id;
		this.target = null;
		this.homing = null;
		this.told = '';
		this.backwards = false;
		if (id !== null) deskWire.take(id);
		this.shape();
	}

	aim(pose: LivePose): void {
		const { name, values } = pose;
		this.setTarget({ name, values, wantedS: null, programme: null, sent: false });
	}
	setTarget(target: Target | null): void {
		this.target = target;
		this.homing = null;
		this.told = '';
		// Held, and standing at the end of the way before: it goes on at once.
		if (target !== null && this.armed) this.send();
	}
	/** A place on the plan to look at. */
	lookTo(pointM: Vec3): void {
		const { head, kept } = this;
		if (head === null || kept === null) return;
		const values = lookAt(kept.settings.place, head, this.at, pointM);
		if (values === null) this.told = 'It cannot look there: behind its ends, or too steep.';
		else this.setTarget({ name: 'that place', values, wantedS: null, programme: null, sent: false });
	}
	slideTo(trackM: number): void {
		this.setTarget({ name: 'that place on the rail', values: { trackM }, wantedS: null, programme: null, sent: false });
	}
	loop(programme: Programme): void {
		this.setTarget({ name: programme.name, values: {}, wantedS: null, programme, sent: false });
	}

	/** The way to the target, to the desk: it begins with the hold, or by itself where it may run watched. */
	send(): void {
		const { target, head } = this;
		if (target === null || head === null || target.sent) return;
		const { programme } = target;
		if (programme !== null) {
			const legs = programme.legs.flatMap(({ poseId, restS, wantedS }) => {
				const pose = this.data.poses.find(({ id }) => id === poseId);
				return pose === undefined
					? []
					: [{ kind: 'pose' as const, name: pose.name, to: goalOf(head, pose.values), wantedS, restS }];
			});
			if (legs.length === 0) return;
			const { name, laps } = programme;
			deskWire.say({ type: 'task', head: head.id, name, legs, laps, watched: head.watched });
		} else {
			const to = goalOf(head, target.values);
			if (Object.keys(to).length === 0) return;
			const leg = { kind: 'pose' as const, name: target.name, to, wantedS: target.wantedS, restS: 0 };
			deskWire.say({ type: 'task', head: head.id, name: target.name, legs: [leg], laps: 1, watched: false });
			this.lastPose = target;
		}
		this.target = { ...target, sent: true };
		this.backwards = false;
		this.sayPace();
	}
	sayPace(): void {
		if (this.chosenId === null) return;
		const direction = this.backwards ? -1 : 1;
		deskWire.say({ type: 'pace', head: this.chosenId, pace: this.pace, direction, untilS: null });
	}
	press(): void {
		const { head } = this;
		if (head === null || !this.mine) return;
		this.told = '';
		if (this.homing === null) this.send();
		deskWire.press(head.id);
	}
	release(): void {
		if (this.chosenId !== null) deskWire.release(this.chosenId);
	}
	drop(): void {
		if (this.chosenId !== null) deskWire.say({ type: 'drop', head: this.chosenId });
		this.target = null;
	}
	shape(): void {
		if (this.chosenId !== null)
			deskWire.say({ type: 'shape', head: this.chosenId, rampS: this.rampS, trim: this.trim });
	}

	/** Where a stick is, by whose hand: finger, keys, controller, surface. The one furthest off its middle counts. */
	stick(by: string, at: Deflection): void {
		this.#sticks[by] = at;
	}
	ring(axis: string, deflection: number): void {
		this.#rings[axis] = deflection;
	}
	/** A phone held like a grip: the speeds it asks for. */
	grip(rates: Values): void {
		this.#grip = rates;
	}
	letGo(): void {
		this.#sticks = {};
		this.#rings = {};
		this.#grip = {};
	}
	/** What the sticks ask for, in the axes' own speeds. */
	rates(): Values {
		const { head, kept } = this;
		if (head === null) return {};
		const { x, y } = Object.values(this.#sticks).reduce(
			(most, each) => (Math.hypot(each.x, each.y) > Math.hypot(most.x, most.y) ? each : most),
			{ x: 0, y: 0 }
		);
		const focalM = focalOf(kept?.settings.camera.focalM ?? [0.024, 0.12], this.at.zoom);
		const sensorWidthM = kept?.settings.camera.sensorWidthM ?? 0.036;
		const of = (axis: string, deflection: number) => {
			const most = head.axes[axis]?.maxRate ?? 0;
			const ring = head.axes[axis]?.ring === true;
			const top =
				axis === 'panRad' || axis === 'tiltRad'
					? zoomRate({ maxRateRadPerS: most, widthsPerS, focalM, sensorWidthM }).rateRadPerS
					: most;
			return stickRate({ deflection, deadZone: ring ? 0.02 : this.deadZone, expo: this.curve, maxRateRadPerS: top })
				.rateRadPerS;
		};
		// To the right turns the head clockwise from above; hung upside down, its pan goes the other way round.
		const hung = kept?.settings.place.stands === 'ceiling' ? -1 : 1;
		const rates: Record<string, number> = { ...this.#grip };
		const add = (axis: string, rate: number) => {
			if (rate !== 0 && head.axes[axis] !== undefined) rates[axis] = (rates[axis] ?? 0) + rate;
		};
		add('panRad', of('panRad', -x * hung));
		add('tiltRad', of('tiltRad', y * hung));
		for (const [axis, deflection] of Object.entries(this.#rings)) add(axis, of(axis, deflection));
		return rates;
	}

	/** While the page is open: sticks go out, a ring is homed once it is held. */
	begin(): () => void {
		this.#timer = setInterval(() => {
			const { head } = this;
			if (head === null || !this.mine) return;
			if (this.armed && this.homing !== null) {
				deskWire.say({ type: 'home', head: head.id, ring: this.homing });
				this.homing = null;
			}
			const rates = this.rates();
			const still = Object.keys(rates).length === 0;
			// Once more when it has come to rest, then nothing.
			if (!still || !this.#still) deskWire.say({ type: 'stick', head: head.id, rates });
			this.#still = still;
		}, stickEveryMs);
		return () => {
			clearInterval(this.#timer);
			this.letGo();
		};
	}

	/** As it stands now, kept the moment it is pressed. */
	async keepPose(name: string): Promise<string | null> {
		const { head, kept } = this;
		if (head === null || kept === null) return 'Choose a head first.';
		const values = goalOf(head, this.at);
		const outcome = await ask<LivePose>('POST', `/api/live/heads/${kept.id}/poses`, { id: newId(), name, values });
		if (!outcome.ok) return outcome.error.fields?.['name'] ?? outcome.error.message;
		this.data = { ...this.data, poses: [...this.data.poses, outcome.value] };
		return null;
	}
}

const key = Symbol('live');
export const shareLive = (bench: LiveBench): LiveBench => setContext(key, bench);
export const sharedLive = (): LiveBench => getContext(key);
