/* eslint-disable max-lines -- one bench: what is in hand, where it is to go, and what steers it. */
import { type Leg, stickRate, type Vec3, zoomRate } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import { getContext, setContext } from 'svelte';
import { v7 as newId } from 'uuid';
import { ask } from '$lib/keeping/ask';
import { lensUnsure } from '$lib/model/lensAt';
import type { LiveHead, LivePose, Programme } from '$lib/model/liveHead';
import type { LiveMove } from '$lib/model/liveMove';
import type { Person } from '$lib/model/person';
import type { Venue } from '$lib/model/venue';
import { deskWire } from '$lib/shell/deskWire.svelte';
import type { Deflection } from '$lib/sheet/pad';
import { jogRates, type Jog, noJog } from './jog';
import { lookAt, offered, wayTo } from './reach';
import { goalOf, legsOf, legsOfMove, type Shape, slide } from './runs';
import { asPictured, focalOf, livePose } from './stand';

type Values = Readonly<Record<string, number>>;
export interface LiveData {
	readonly heads: readonly LiveHead[];
	readonly poses: readonly LivePose[];
	readonly venues: readonly Venue[];
	readonly moves: readonly LiveMove[];
	readonly person: Person;
}
/** Where the head in hand is to go next. */
export interface Target {
	readonly name: string;
	/** Where it comes to stand, for its thread and its time; of a programme or a move, nothing. */
	readonly values: Values;
	readonly legs: readonly Leg[];
	readonly laps: number | null;
	/** It may run without a hand, on a head that may. */
	readonly loops: boolean;
	/** It is one of its poses, or where it was. */
	readonly isPose: boolean;
	/** Sent to the desk already: a hold goes on with it. */
	readonly sent: boolean;
}
/** Sticks are read, and go out, so often. */
export const stickEveryMs = 20;
/** A phone that is silent for so long turns nothing any more. */
const gripMs = 150;
/** A picture goes at most so many of its widths a second at full stick. */
const widthsPerS = 0.5;

export class LiveBench {
	data = $state.raw() as LiveData;
	/** The box in hand. */
	chosenId = $state<string | null>(null);
	target = $state.raw<Target | null>(null);
	/** Where it was before where it went last. */
	lastPose = $state.raw<Target | null>(null);
	#poseBefore: Target | null = null;
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
	shapeOfRun = $state<Shape>('soft');
	/** A camera that is carried keeps looking where it looks. */
	keepsLook = $state(true);
	/** By the plan the way that waits comes too near to something, or it is not tried yet; and whether somebody has seen it free. */
	wayUnsure = $state(false);
	sawItFree = $state(false);
	#jog: Jog = noJog;
	#sticks: Record<string, Deflection> = {};
	#rings: Record<string, number> = {};
	#grip: Values = {};
	#gripAtMs = -Infinity;
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
		this.target === null || this.head === null || Object.keys(this.target.values).length === 0
			? null
			: wayTo(this.head, this.at, this.target.values, null)
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

	/** To some places, in its own time. */
	#to(name: string, values: Values, isPose: boolean, leg?: Leg): Target {
		const to = this.head === null ? {} : goalOf(this.head, values);
		const legs: readonly Leg[] = leg === undefined ? [{ kind: 'pose', name, to, wantedS: null, restS: 0 }] : [leg];
		return { name, values, legs, laps: 1, loops: false, isPose, sent: false };
	}
	aim({ name, values }: LivePose): void {
		this.setTarget(this.#to(name, values, true));
	}
	/** All axes of the head at 0, or as near as their soft ends let them; what carries it stays. */
	home(): void {
		const { head } = this;
		if (head === null) return;
		const values = Object.fromEntries(
			['panRad', 'tiltRad', 'rollRad'].flatMap((axis) => {
				const range = head.axes[axis]?.range;
				return range === undefined ? [] : [[axis, Math.min(range[1], Math.max(range[0], 0))] as const];
			})
		);
		this.setTarget(this.#to('home', values, false));
	}
	setTarget(target: Target | null): void {
		this.target = target;
		this.homing = null;
		this.told = '';
		this.sawItFree = false;
		// Held, and standing at the end of the way before: it goes on at once.
		if (target !== null && this.armed) this.send();
	}
	/** A place on the plan to look at. */
	lookTo(pointM: Vec3): void {
		const { head, kept } = this;
		if (head === null || kept === null) return;
		const values = lookAt(kept.settings, head, this.at, pointM);
		if (values === null) this.told = 'It cannot look there: behind its ends, or too steep.';
		else {
			this.setTarget(this.#to('that place', values, false));
			this.told = this.#lensSaid(kept, { ...this.at, ...values }, pointM);
		}
	}
	/** A near place stands beside the middle of the picture while nobody has said where the lens is. */
	#lensSaid({ settings }: LiveHead, at: Readonly<Record<string, number>>, pointM: Vec3): string {
		const { lens, focalM, sensorWidthM } = settings.camera;
		const { positionM } = livePose(settings, at);
		const nearestM = Math.hypot(...pointM.map((each, k) => each - positionM[k]!));
		const zoom = this.head?.ready.includes('zoom') ? at.zoom : undefined;
		const off = lensUnsure({ lens, nearestM, focalM: focalOf(focalM, zoom), sensorWidthM });
		return off === null
			? ''
			: `Nobody has measured where its lens is: that place may stand ${Math.round(off * 100)} % of the picture beside the middle. Say it on its sheet.`;
	}
	/** A place on its rail, by the shape that was chosen. */
	slideTo(trackM: number): void {
		const [limits, from] = [this.head?.axes.trackM, this.at.trackM];
		if (limits === undefined || from === undefined) return;
		const leg = slide(from, trackM, limits, this.shapeOfRun, null);
		if (leg !== null) this.setTarget(this.#to('that place on the rail', { trackM }, false, leg));
	}
	loop(programme: Programme): void {
		const { head } = this;
		if (head === null) return;
		const legs = legsOf(head, programme, this.data.poses);
		if (legs.length === 0) this.told = 'Its poses are gone: choose others on its sheet.';
		else
			this.setTarget({
				...{ name: programme.name, values: {}, legs, laps: programme.laps, loops: true, isPose: false, sent: false }
			});
	}
	/** A move of the station before: from where it is to its start, then through it. */
	play(move: LiveMove, how: { readonly backwards: boolean; readonly toKnot: number | null }): void {
		const { head } = this;
		if (head === null) return;
		const legs = legsOfMove(head, move, how);
		if (legs.length === 0) this.told = 'This head has none of the axes of that move.';
		else this.setTarget({ name: move.name, values: {}, legs, laps: 1, loops: false, isPose: false, sent: false });
	}

	/** The way to the target, to the desk: it begins with the hold, or by itself where it may run watched. */
	send(watched = false): void {
		const { target, head } = this;
		if (target === null || head === null || target.sent) return;
		const { name, legs, laps, loops } = target;
		deskWire.say({ type: 'task', head: head.id, name, legs, laps, watched: watched && loops && head.watched });
		if (target.isPose) [this.lastPose, this.#poseBefore] = [this.#poseBefore, target];
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
	/** A phone held like a grip: the speeds that its aim turns at, to the left and up. What it does not say again soon it says no more. */
	grip(rates: Values): void {
		this.#grip = rates;
		this.#gripAtMs = performance.now();
	}
	/** Where the camera itself is to go, metres a second. */
	jog(next: Partial<Jog>): void {
		this.#jog = { ...this.#jog, ...next };
	}
	letGo(): void {
		this.#jog = noJog;
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
		// To the right turns the head clockwise from above.
		const hung = kept === null ? 1 : asPictured(kept.settings.place);
		const rates: Record<string, number> = {};
		if (performance.now() - this.#gripAtMs <= gripMs)
			for (const [axis, rate] of Object.entries(this.#grip)) rates[axis] = rate * hung;
		const add = (axis: string, rate: number) => {
			if (rate !== 0 && head.axes[axis] !== undefined) rates[axis] = (rates[axis] ?? 0) + rate;
		};
		add('panRad', of('panRad', -x * hung));
		add('tiltRad', of('tiltRad', y * hung));
		for (const [axis, deflection] of Object.entries(this.#rings)) add(axis, of(axis, deflection));
		if (kept !== null && Object.values(this.#jog).some((each) => each !== 0))
			for (const [axis, rate] of Object.entries(jogRates(kept.settings, this.at, this.#jog, this.keepsLook)))
				add(axis, rate);
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
			if (!still || !this.#still) deskWire.steer(head.id, rates);
			this.#still = still;
		}, stickEveryMs);
		return () => {
			clearInterval(this.#timer);
			this.letGo();
		};
	}

	/** Kept the moment it is pressed: as it stands now, or where it was last told to go, on the plan or its rail. */
	async keepPose(name: string, given: Values | null = null): Promise<string | null> {
		const { head, kept } = this;
		if (head === null || kept === null) return 'Choose a head first.';
		const values = goalOf(head, given === null ? this.at : { ...this.at, ...given });
		const outcome = await ask<LivePose>('POST', `/api/live/heads/${kept.id}/poses`, { id: newId(), name, values });
		if (!outcome.ok) return outcome.error.fields?.['name'] ?? outcome.error.message;
		this.data = { ...this.data, poses: [...this.data.poses, outcome.value] };
		return null;
	}

	/** The knots of a move as poses of this head. */
	async keepKnots(move: LiveMove): Promise<string | null> {
		for (const { name, values } of move.knots) {
			const problem = await this.keepPose(`${move.name}, ${name}`.slice(0, 120), values);
			if (problem !== null) return problem;
		}
		return null;
	}
	/** An end of what it is to loop, set from wherever somebody steers: the pose of that name, made or moved. */
	async markEnd(name: 'in' | 'out'): Promise<string | null> {
		const { head, kept } = this;
		if (head === null || kept === null) return 'Choose a head first.';
		const had = this.data.poses.find((each) => each.headId === kept.id && each.name === name);
		if (had === undefined) {
			const problem = await this.keepPose(name);
			if (problem !== null) return problem;
		} else {
			const { locked, ordinal, version } = had;
			const outcome = await ask<LivePose>('PUT', `/api/live/poses/${had.id}`, {
				...{ name, locked, ordinal, version },
				values: goalOf(head, this.at)
			});
			if (!outcome.ok) return outcome.error.fields?.['name'] ?? outcome.error.message;
			const poses = this.data.poses.map((each) => (each.id === had.id ? outcome.value : each));
			this.data = { ...this.data, poses };
		}
		const ends = (['in', 'out'] as const).map((each) =>
			this.data.poses.find((pose) => pose.headId === kept.id && pose.name === each)
		);
		if (ends.some((each) => each === undefined)) return null;
		if (kept.settings.programmes.some(({ id }) => id === 'ends')) return null;
		const programme: Programme = {
			...{ id: 'ends', name: 'in and out', laps: null },
			legs: ends.map((each) => ({ poseId: each!.id, restS: 1, wantedS: null }))
		};
		const { name: called, number, venueId, settings, version } = kept;
		const outcome = await ask<LiveHead>('PUT', `/api/live/heads/${kept.id}`, {
			...{ name: called, number, venueId, version },
			settings: { ...settings, programmes: [...settings.programmes, programme] }
		});
		if (!outcome.ok) return outcome.error.message;
		const heads = this.data.heads.map((each) => (each.id === kept.id ? outcome.value : each));
		this.data = { ...this.data, heads };
		return null;
	}
}

const key = Symbol('live');
export const shareLive = (bench: LiveBench): LiveBench => setContext(key, bench);
export const sharedLive = (): LiveBench => getContext(key);
