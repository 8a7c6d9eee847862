/* eslint-disable max-lines -- one bench: what is in hand, what is chosen for it, and what steers it. */
import type { Leg, Vec3 } from '@poise/core';
import type { HeadSeen, StandBy } from '@poise/desk/messages';
import { getContext, setContext } from 'svelte';
import { v7 as newId } from 'uuid';
import { ask, saidOf } from '$lib/keeping/ask';
import { lensUnsure } from '$lib/model/lensAt';
import type { LiveHead, LivePose, Programme } from '$lib/model/liveHead';
import type { LiveMove } from '$lib/model/liveMove';
import type { Person } from '$lib/model/person';
import type { Venue } from '$lib/model/venue';
import { deskWire } from '$lib/shell/deskWire.svelte';
import type { Deflection } from '$lib/sheet/pad';
import { headline } from './headline';
import { type Jog, noJog } from './jog';
import { lookAt, offered, timeOf } from './reach';
import { goalOf, legsOf, legsOfMove, type Shape, slide } from './runs';
import { focalOf, livePose } from './stand';
import { steerRates } from './steering';
import { called, standsAt } from './words';

type Values = Readonly<Record<string, number>>;
export interface LiveData {
	readonly heads: readonly LiveHead[];
	readonly poses: readonly LivePose[];
	readonly venues: readonly Venue[];
	readonly moves: readonly LiveMove[];
	readonly person: Person;
}
/** What this page chose for a head, with what the desk does not tell back: the way itself. */
export interface Chosen {
	readonly id: string;
	readonly kind: Exclude<StandBy['kind'], 'ring'>;
	readonly name: string;
	readonly legs: readonly Leg[];
	readonly laps: number | null;
	/** What differs from how a move was planned, and who took that on. */
	readonly takenOn?: string;
}
/** Sticks are read, and go out, so often. */
export const stickEveryMs = 20;
/** A phone that is silent for so long turns nothing any more. */
const gripMs = 150;

/** What a bench needs of the page's link to the desk. */
export type LiveWire = Pick<
	typeof deskWire,
	| ('heads' | 'newest' | 'holds' | 'stoppedBy' | 'heard')
	| ('drives' | 'nextOf' | 'take' | 'give' | 'say' | 'press' | 'release' | 'releaseAll' | 'steer')
>;

export class LiveBench {
	#wire: LiveWire = deskWire;
	data = $state.raw() as LiveData;
	/** The head that is looked at. Looking at it takes nothing from anybody. */
	chosenId = $state<string | null>(null);
	/** Of every head what this page chose for it last; it stands by only as long as the desk says so. */
	#choices = $state.raw<Readonly<Record<string, Chosen>>>({});
	told = $state('');
	/** How the stick is taken up. */
	rampS = $state(0.3);
	trim = $state(1);
	deadZone = $state(0.08);
	curve = $state(0.6);
	shapeOfRun = $state<Shape>('soft');
	/** A camera that is carried keeps looking where it looks. */
	keepsLook = $state(true);
	/** Of the way that waits: by the plan it comes too near to something, or it is not tried yet. */
	wayUnsure = $state(true);
	/** The way that somebody has held through and seen free. */
	sawItFree = $state<string | null>(null);
	#jog: Jog = noJog;
	#sticks: Record<string, Deflection> = {};
	#rings: Record<string, number> = {};
	#grip: Values = {};
	#gripAtMs = -Infinity;
	#timer: ReturnType<typeof setInterval> | undefined;
	#still = true;

	/** `wire`: how this page speaks with the desk. */
	constructor(data: LiveData, wire: LiveWire = deskWire) {
		this.#wire = wire;
		this.data = data;
	}
	readonly heads = $derived(this.#wire.heads);
	readonly head = $derived<HeadSeen | null>(this.heads.find(({ id }) => id === this.chosenId) ?? null);
	readonly kept = $derived(this.data.heads.find(({ boxId }) => boxId === this.chosenId) ?? null);
	readonly mine = $derived(this.#wire.drives(this.head));
	readonly at = $derived<Values>(
		this.chosenId === null
			? {}
			: ((this.mine ? this.#wire.newest[this.chosenId]?.at : undefined) ?? this.head?.at ?? {})
	);
	readonly hold = $derived(this.chosenId === null ? null : (this.#wire.holds[this.chosenId] ?? null));
	/** Every head that this page drives; the one that is looked at is steered. */
	readonly hand = $derived(this.heads.filter((head) => this.#wire.drives(head)));
	readonly armed = $derived(this.mine && this.head?.phase === 'armed' && this.hold?.phase === 'down');
	/** What the next hold of the head that is looked at does: the one answer of this page. */
	readonly next = $derived(this.#wire.nextOf(this.head));
	/** The others in hand that go with the same press: each by its own hold. */
	readonly along = $derived(
		this.mine && this.next.does !== 'nothing'
			? this.hand.filter((head) => head.id !== this.chosenId && goes(this.#wire.nextOf(head).does))
			: []
	);
	/** The way that stands by, where this page chose it. */
	readonly waiting = $derived(this.head === null ? null : this.waitingOf(this.head));
	waitingOf(head: HeadSeen): Chosen | null {
		const chosen = this.#choices[head.id];
		return chosen !== undefined && chosen.id === head.next?.id ? chosen : null;
	}
	readonly waitingS = $derived(
		this.waiting === null || this.head === null ? null : timeOf(this.head, this.at, this.waiting.legs)
	);
	/** How long the way takes that stands by for a head in hand, where this page chose it. */
	waitsFor(head: HeadSeen): number | null {
		const chosen = this.waitingOf(head);
		return chosen === null ? null : timeOf(head, head.at, chosen.legs);
	}
	readonly loops = $derived(this.waiting?.kind === 'programme');
	readonly standing = $derived(this.head === null ? null : standsAt(this.head, this.data));
	/** The headline, wherever it is said: slip, key card, picture. */
	readonly said = $derived(
		headline({
			...{ next: this.next, head: this.head, along: this.along, standing: this.standing, armed: this.armed },
			...{ stoppedBy: this.#wire.stoppedBy, heard: this.#wire.heard, here: this.heads.length },
			kept: this.data.heads.length
		})
	);
	readonly offered = $derived(
		this.head === null || this.kept === null ? [] : offered(this.head, this.kept, this.at, this.data.poses)
	);
	readonly venueId = $derived(
		this.kept?.venueId ?? this.data.heads.find(({ venueId }) => venueId !== null)?.venueId ?? null
	);
	readonly venue = $derived(this.data.venues.find(({ id }) => id === this.venueId) ?? null);

	/** Looks at a head: nothing of anybody's is changed by it. */
	choose(id: string | null): void {
		if (id === this.chosenId) return;
		this.chosenId = id;
		this.told = '';
		this.letGo();
	}
	/** Drives the head that is looked at; together, beside those in hand, else instead of them. */
	take(how: { readonly together?: boolean; readonly by?: 'take' | 'lead' } = {}): void {
		const { head } = this;
		if (head === null) return;
		if (how.together !== true) for (const { id } of this.hand) if (id !== head.id) this.#wire.give(id);
		this.#wire.take(head.id, how.by);
	}
	takeToo(id: string): void {
		this.#wire.take(id);
	}
	/** Gives it to whoever asks, or to nobody; what stood by for it is dropped by the desk. */
	give(id: string): void {
		this.#wire.give(id);
	}
	leave(): void {
		if (this.chosenId !== null && this.mine) this.#wire.give(this.chosenId);
		this.choose(null);
	}

	/** Chosen for the head in hand: it stands by until a hold. */
	#standBy(choice: Omit<Chosen, 'id'>): void {
		const { head } = this;
		if (head === null) return;
		if (!this.mine) {
			this.told = `Nothing stands by: ${called(head)} is only looked at. Drive it first.`;
			return;
		}
		const chosen: Chosen = { ...choice, id: newId() };
		this.#choices = { ...this.#choices, [head.id]: chosen };
		this.told = '';
		this.wayUnsure = true;
		const { id, kind, name, legs, laps } = chosen;
		this.#wire.say({ type: 'standBy', head: head.id, next: { id, kind, name, legs, laps } });
	}
	/** To some places, in its own time. */
	#to(kind: Chosen['kind'], name: string, values: Values, leg?: Leg): void {
		const to = this.head === null ? {} : goalOf(this.head, values);
		if (leg === undefined && Object.keys(to).length === 0) this.told = 'None of its axes can be asked for that yet.';
		else this.#standBy({ kind, name, laps: 1, legs: [leg ?? { kind: 'pose', name, to, wantedS: null, restS: 0 }] });
	}
	aim({ name, values }: LivePose): void {
		this.#to('pose', name, values);
	}
	/** To where it was sent before where it was sent last: this head, by whomever. */
	back(): boolean {
		const last = this.head?.last ?? null;
		if (last === null || !this.mine) return false;
		this.#to('back', last.name, last.to);
		return true;
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
		this.#to('home', 'home', values);
	}
	/** The ends of a ring are to be found with the next hold. */
	find(ring: string): void {
		const { head } = this;
		if (head === null || !this.mine) return;
		this.#wire.say({ type: 'standBy', head: head.id, next: { kind: 'ring', id: newId(), ring } });
	}
	/** Nothing stands by any more. */
	clear(): void {
		if (this.chosenId !== null) this.#wire.say({ type: 'standBy', head: this.chosenId, next: null });
	}
	/** A place on the plan to look at. */
	lookTo(pointM: Vec3): void {
		const { head, kept } = this;
		if (head === null || kept === null) return;
		const values = lookAt(kept.settings, head, this.at, pointM);
		if (values === null) this.told = 'It cannot look there: behind its ends, or too steep.';
		else {
			this.#to('place', 'that place', values);
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
		if (leg !== null) this.#to('place', 'that place on the rail', { trackM }, leg);
	}
	loop({ name, laps, ...programme }: Programme): void {
		const { head } = this;
		if (head === null) return;
		const legs = legsOf(head, { name, laps, ...programme }, this.data.poses);
		if (legs.length === 0) this.told = 'Its poses are gone: choose others on its sheet.';
		else this.#standBy({ kind: 'programme', name, legs, laps });
	}
	/** A move of the station before: from where it is to its start, then through it. */
	play(
		move: LiveMove,
		how: { readonly backwards: boolean; readonly toKnot: number | null },
		differs: readonly string[]
	): void {
		const { head } = this;
		if (head === null) return;
		const legs = legsOfMove(head, move, how);
		if (legs.length === 0) this.told = 'This head has none of the axes of that move.';
		else
			this.#standBy({
				...{ kind: 'move', name: move.name, legs, laps: 1 },
				...(differs.length === 0 ? {} : { takenOn: `Taken on by ${this.data.person.name}: ${differs.join(' ')}` })
			});
	}

	/** What stands by runs without a hand, watched by whoever says so. */
	watch(): void {
		const { head, waiting } = this;
		if (head !== null && waiting !== null) this.#wire.say({ type: 'watch', head: head.id, id: waiting.id });
	}
	turn(): void {
		if (this.head?.task != null) this.#pace(this.head.wantedPace, this.head.task.turned ? 1 : -1);
	}
	lever(pace: number): void {
		this.#pace(pace, this.head?.task?.turned === true ? -1 : 1);
	}
	#pace(pace: number, direction: 1 | -1): void {
		if (this.chosenId !== null) this.#wire.say({ type: 'pace', head: this.chosenId, pace, direction });
	}
	press(): void {
		if (this.head === null || !this.mine || this.next.does === 'nothing') return;
		this.told = '';
		const others = this.along;
		this.#wire.press(this.head.id);
		for (const { id } of others) this.#wire.press(id);
	}
	/** A hand that lets go lets go of all that it holds, wherever it looks by now. */
	release(): void {
		this.#wire.releaseAll();
	}
	/** What stands by, with the hold that is down: a press of its own. */
	go(): boolean {
		const { head } = this;
		if (head === null || !this.armed || this.next.does !== 'go') return false;
		if (head.task !== null && head.task.phase !== 'done') return false;
		this.#wire.release(head.id);
		this.#wire.press(head.id);
		return true;
	}
	drop(): void {
		if (this.chosenId !== null) this.#wire.say({ type: 'drop', head: this.chosenId });
	}
	shape(): void {
		if (this.chosenId !== null)
			this.#wire.say({ type: 'shape', head: this.chosenId, rampS: this.rampS, trim: this.trim });
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

	/** What the hand asks for, in the axes' own speeds. */
	rates(): Values {
		const { head, kept, at, deadZone, curve, keepsLook } = this;
		if (head === null) return {};
		return steerRates(head, kept, at, {
			...{ sticks: Object.values(this.#sticks), rings: this.#rings, jog: this.#jog, deadZone, curve, keepsLook },
			grip: performance.now() - this.#gripAtMs <= gripMs ? this.#grip : null
		});
	}

	/** While the page is open: sticks go out. */
	begin(): () => void {
		this.#timer = setInterval(() => {
			const { head } = this;
			if (head === null || !this.mine) return;
			const rates = this.rates();
			const still = Object.keys(rates).length === 0;
			// Once more when it has come to rest, then nothing.
			if (!still || !this.#still) this.#wire.steer(head.id, rates);
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
		if (!outcome.ok) return saidOf(outcome.error);
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
			if (!outcome.ok) return saidOf(outcome.error);
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
		if (!outcome.ok) return saidOf(outcome.error);
		const heads = this.data.heads.map((each) => (each.id === kept.id ? outcome.value : each));
		this.data = { ...this.data, heads };
		return null;
	}
}

/** With a press on another head only those go along that have somewhere to go: none is steered unseen. */
const goes = (does: string): boolean => does === 'go' || does === 'goOn' || does === 'back';

const key = Symbol('live');
export const shareLive = (bench: LiveBench): LiveBench => setContext(key, bench);
export const sharedLive = (): LiveBench => getContext(key);
