/*
 * What stands by for a head, and what a hold of it is for: one answer, for everybody who asks. Every screen says it, the page sends it with
 * the press, and the desk runs it only where it comes to the same.
 */
import type { Task } from './deskHead';
import type { AxisValues } from './transition';
import type { Leg } from './way';

/** What a way is, as people call it. `back`: to where it was before. */
export const wayKinds = ['pose', 'home', 'place', 'back', 'programme', 'move'] as const;
export type WayKind = (typeof wayKinds)[number];
/** What stands by and leads somewhere. Its id is its page's own, good once. */
export interface StandingWay {
	readonly kind: WayKind;
	readonly id: string;
	readonly name: string;
	readonly legs: readonly Leg[];
	/** How often all of them; null: until it is stopped. */
	readonly laps: number | null;
}
/** What is chosen, until a hold runs it: a way, or a ring whose ends are to be found. */
export type StandBy = StandingWay | { readonly kind: 'ring'; readonly id: string; readonly ring: string };

export interface NextSeen {
	readonly id: string;
	readonly kind: StandBy['kind'];
	/** Of a ring its axis. */
	readonly name: string;
	readonly legs: readonly string[];
	readonly laps: number | null;
	/** Where a single pose leads. */
	readonly to: AxisValues | null;
}
export interface TaskSeen {
	readonly id: string;
	readonly kind: WayKind;
	readonly name: string;
	readonly leg: number;
	readonly legs: readonly string[];
	readonly lap: number;
	readonly laps: number | null;
	readonly phase: Task['phase'];
	readonly resting: boolean;
	readonly atS: number;
	readonly durationS: number | null;
	readonly pace: number;
	readonly direction: 1 | -1;
	/** It is to be gone back along. */
	readonly turned: boolean;
	/** Whom it is watched for; null: a hand holds it. */
	readonly watchedFor: string | null;
	readonly to: AxisValues | null;
	readonly added: boolean;
}

/** What stands by for a head and what it is on, as everybody is told; what was dropped is nothing any more. */
export function standsOf(
	next: StandBy | null,
	task: Task | null,
	{ kind, watchedFor }: { readonly kind: WayKind; readonly watchedFor: string | null }
): { readonly next: NextSeen | null; readonly task: TaskSeen | null } {
	return {
		next: next === null ? null : nextOf(next),
		task: task === null || task.dropped ? null : taskOf(task, kind, watchedFor)
	};
}
function nextOf(next: StandBy): NextSeen {
	if (next.kind === 'ring') return { id: next.id, kind: 'ring', name: next.ring, legs: [], laps: 1, to: null };
	const { id, kind, name, laps, legs } = next;
	const [only] = legs;
	return {
		...{ id, kind, name, laps, legs: legs.map((leg) => leg.name) },
		to: legs.length === 1 && only?.kind === 'pose' ? only.to : null
	};
}
const taskOf = (task: Task, kind: WayKind, watchedFor: string | null): TaskSeen => ({
	...{ id: task.id, kind, name: task.name, leg: task.leg, lap: task.lap, laps: task.laps, phase: task.phase },
	legs: task.legs.map(({ name }) => name),
	resting: task.restsUntilMs !== null,
	atS: task.going.s,
	durationS: task.way?.durationS ?? null,
	...{ pace: task.going.pace, direction: task.going.direction, watchedFor },
	turned: task.wantedDirection === -1,
	to: task.way?.kind === 'pose' ? task.way.to : null,
	added: Object.keys(task.added).length > 0
});

/** What a hold is pressed for: sent with the press. */
export type Intent =
	/** Only the stick moves it. */
	| { readonly does: 'steer' }
	/** What stands by: a way to be gone, or a ring whose ends are to be found. */
	| { readonly does: 'go' | 'ring'; readonly id: string }
	/** The way it stopped on, on or back along it. */
	| { readonly does: 'goOn' | 'back'; readonly id: string };

/** What a hold of this head is for, whoever presses: what stands by, or else the way it stopped on, or else the stick. */
export function intentOf({
	next,
	task
}: {
	readonly next: Pick<NextSeen, 'id' | 'kind'> | null;
	readonly task: Pick<TaskSeen, 'id' | 'phase' | 'turned'> | null;
}): Intent {
	if (next !== null) return { does: next.kind === 'ring' ? 'ring' : 'go', id: next.id };
	if (task !== null && task.phase !== 'done') return { does: task.turned ? 'back' : 'goOn', id: task.id };
	return { does: 'steer' };
}
const idOf = (intent: Intent): string | null => ('id' in intent ? intent.id : null);
export const sameIntent = (one: Intent, other: Intent): boolean => one.does === other.does && idOf(one) === idOf(other);
