import type { Task } from '@poise/core';
import type { NextSeen, StandBy, TaskSeen } from './headSeen';

/** What stands by and leads somewhere. */
export type Way = Exclude<StandBy, { readonly kind: 'ring' }>;

/** What stands by for a head and what it is on, as everybody is told; what was dropped is nothing any more. */
export function standsOf(
	next: StandBy | null,
	task: Task | null,
	{ kind, watchedFor }: { readonly kind: Way['kind']; readonly watchedFor: string | null }
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
const taskOf = (task: Task, kind: Way['kind'], watchedFor: string | null): TaskSeen => ({
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
