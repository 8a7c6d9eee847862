import { ask } from '$lib/keeping/ask';
import { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { DrawnCamera } from '$lib/model/drawnCamera';
import type { Carrying } from '$lib/model/carrying';
import type { HeadFigures } from '$lib/model/head';
import type { Person, UnitSystem } from '$lib/model/person';
import type { Venue } from '$lib/model/venue';
import type { StationState } from '$lib/shell/stations';
import { tryFigures } from '$lib/supports/tryFigures';
import { getContext, setContext, untrack } from 'svelte';
import { type ClearAnswer, readClear, tooNear } from '$lib/places/clearance';
import { askedOf, clearQuestion, pathMark } from './clear';
import type { ClearTrial } from './clearTrial.svelte';
import { type Figures, figuresOf } from './figures';
import { lookingAt, putAt } from './knots';
import type { Knot, Move, RunSeen, SavedMove, Values } from './model';
import { stationOfMove } from './station';
import { type NoRun, type PoseAt, poseOf, runOf, runs, sample, valuesAt } from './path';

/** What the loader gives: everything of one move. */
export interface MoveData extends SavedMove {
	readonly venue: Venue | null;
	readonly venues: readonly { readonly id: string; readonly name: string }[];
	readonly gear: {
		readonly carriers: readonly {
			readonly leastPayloadKg: number;
			readonly greatestPayloadKg: number;
			readonly id: string;
			readonly kind: string;
			readonly name: string;
			readonly carrying: Carrying;
		}[];
		readonly heads: readonly { readonly id: string; readonly name: string; readonly head: HeadFigures }[];
		readonly cameras: readonly DrawnCamera[];
	};
	readonly ran: readonly {
		readonly id: string;
		readonly at: string;
		readonly personName: string;
		readonly seen: RunSeen;
		readonly note: string;
		readonly struck: boolean;
	}[];
	readonly person: Person;
}

/** One move at the station Moves: the document, what it comes to, the moment looked at, and what is near its way. */
export class MoveBench {
	readonly document: KeptDocument<Move>;
	readonly id: string;
	/** The venue that was fetched last; whose plan counts only while the move stands in it. */
	fetched = $state.raw<Venue | null>(null);
	/** The venue that was asked for and is not there any more. */
	goneId = $state<string | null>(null);
	/** The moment looked at. */
	nowS = $state(0);
	chosenId = $state<string | null>(null);
	/** What the hand asked for and did not get, in words. */
	told = $state('');
	trial = $state.raw<ClearTrial | null>(null);

	/** What the loader gives, again after every change of units, gear or person. */
	data = $state.raw() as MoveData;

	constructor(data: MoveData) {
		this.data = data;
		this.id = data.id;
		this.fetched = data.venue;
		this.document = new KeptDocument<Move>(
			`move.${data.id}`,
			data.move,
			{
				put: (move, version) => ask<SavedMove>('PUT', `/api/moves/${data.id}`, { version, move }),
				get: async () => {
					const there = await ask<SavedMove>('GET', `/api/moves/${data.id}`);
					return there.ok ? { ...there, value: { value: there.value.move, version: there.value.version } } : there;
				},
				// A venue that somebody deleted meanwhile is none, whatever was sent.
				same: (one, other) =>
					JSON.stringify(ordered({ ...one, venueId: null })) === JSON.stringify(ordered({ ...other, venueId: null }))
			},
			data.version
		);
		this.nowS = data.move.knots[0]?.tS ?? 0;
		this.chosenId = data.move.knots[0]?.id ?? null;
	}

	get move(): Move {
		return this.document.value;
	}
	get units(): UnitSystem {
		return this.data.person.units;
	}
	set(next: Move, about: string | null = null): void {
		this.document.set(next, about);
	}
	change(next: Partial<Move>, about: string | null = null): void {
		this.set({ ...this.move, ...next }, about);
	}
	readonly settle = (): void => this.document.settle();

	readonly venue = $derived.by((): Venue | null =>
		this.fetched !== null && this.fetched.id === this.move.venueId && this.goneId !== this.move.venueId
			? this.fetched
			: null
	);
	/** It stands in a venue whose plan is not here yet: nothing can be said of its way. */
	readonly waitsForVenue = $derived.by(
		() => this.move.venueId !== null && this.venue === null && this.goneId !== this.move.venueId
	);
	/** All that the path and its figures hang on: ticks, names and notes make nothing anew. */
	readonly #reckoned = $derived.by(() => {
		const {
			name: _n,
			job: _j,
			ticked: _t,
			tickedPath: _p,
			ranBackwards: _r,
			venueId: _v,
			loops: _l,
			...rest
		} = this.document.value;
		return JSON.stringify(rest);
	});
	readonly run = $derived.by(() => {
		void this.#reckoned;
		return untrack(() => runOf(this.document.value));
	});
	readonly figures = $derived.by((): Figures | null => {
		const { run } = this;
		return runs(run) ? untrack(() => tryFigures(() => figuresOf(this.document.value, run))) : null;
	});
	readonly problem = $derived.by((): NoRun | null => {
		if (!runs(this.run)) return this.run;
		return this.figures === null
			? { words: 'These figures cannot be worked out together: undo the last change.', knotId: null }
			: null;
	});
	/** The knot in hand; null where none is. */
	readonly chosen = $derived.by((): Knot | null => this.move.knots.find(({ id }) => id === this.chosenId) ?? null);
	/** Places of the axes at the moment looked at. */
	readonly now = $derived.by((): Values | null => {
		const { run } = this;
		if (!runs(run)) return this.chosen?.values ?? this.move.knots[0]?.values ?? null;
		return valuesAt(sample(run, [Math.min(run.endS, Math.max(run.startS, this.nowS))]), 0);
	});
	readonly pose = $derived.by((): PoseAt | null => (this.now === null ? null : poseOf(this.move, this.now)));

	readonly question = $derived.by(() => {
		const { run, venue, waitsForVenue } = this;
		return runs(run) && !waitsForVenue ? untrack(() => clearQuestion(this.move, run, venue?.plan ?? null)) : null;
	});
	readonly clear = $derived.by((): ClearAnswer | null => {
		const near = this.trial?.answer ?? null;
		return near === null ? null : readClear(near, askedOf(this.move), this.venue?.plan ?? null);
	});
	readonly strikes = $derived.by(() => this.clear?.findings.filter(tooNear) ?? []);
	/** What was run backwards is this way through the room. */
	readonly mark = $derived.by(() => pathMark(this.move, this.venue?.version ?? null));
	readonly ranSo = $derived.by(() => !this.waitsForVenue && this.move.ranBackwards?.path === this.mark);
	/** What is ticked of this very way. */
	readonly ticked = $derived.by((): readonly string[] => (this.move.tickedPath === this.mark ? this.move.ticked : []));

	readonly station = $derived.by((): StationState => stationOfMove(this.figures, this.problem, this.clear));

	look(tS: number): void {
		const { run } = this;
		this.nowS = runs(run) ? Math.min(run.endS, Math.max(run.startS, tS)) : tS;
		// At a knot, that knot is in hand.
		const at = this.move.knots.find(
			(knot) => this.nowS >= knot.tS - 0.005 && this.nowS <= knot.tS + knot.dwellS + 0.005
		);
		this.chosenId = at?.id ?? null;
	}
	choose(id: string): void {
		const knot = this.move.knots.find((each) => each.id === id);
		if (knot === undefined) return;
		this.chosenId = id;
		this.nowS = knot.tS;
	}
	/** One more knot at the moment looked at. */
	putHere(): void {
		const run = this.run;
		const put = putAt(this.move, runs(run) ? run : null, this.nowS);
		if (put === null) {
			this.told = 'There is a knot here already: go on in time, and put it there.';
			return;
		}
		this.told = '';
		this.set(put.move);
		this.settle();
		this.chosenId = put.id;
	}
	/** The knot in hand, made anew by looking at the subject from where it stands. */
	aimAtSubject(knot: Knot): void {
		const values = lookingAt(this.move, knot.values);
		this.change({ knots: this.move.knots.map((each) => (each.id === knot.id ? { ...each, values } : each)) });
		this.settle();
	}
}

function ordered(value: unknown): unknown {
	if (Array.isArray(value)) return value.map(ordered);
	if (typeof value !== 'object' || value === null) return value;
	return Object.fromEntries(
		Object.entries(value)
			.sort(([one], [other]) => (one < other ? -1 : 1))
			.map(([key, each]) => [key, ordered(each)])
	);
}

const context = Symbol('move');
export const shareMove = (get: () => MoveBench): void => void setContext(context, get);
export const sharedMove = (): MoveBench => getContext<() => MoveBench>(context)();
