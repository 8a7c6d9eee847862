import type { UnitSystem } from '$lib/model/person';
import { type ClearAnswer, tooNear } from '$lib/places/clearance';
import type { Figures } from './figures';
import type { Move } from './model';
import { bodyWords, far, seconds } from './words';

/** One thing to do or to watch on the way back. */
export interface Step {
	readonly id: string;
	readonly words: string;
	/** The moment of the move it is about; null: before anything moves. */
	readonly atS: number | null;
}

/** The backwards run-through: what is done before, and then from the end to the start what to stop at and look at. */
export function backwardsSteps(
	move: Move,
	figures: Figures | null,
	clear: ClearAnswer | null,
	units: UnitSystem
): Step[] {
	const before: Step[] = [
		{
			id: 'hands',
			words: 'One hand on the hold, the other free. Somebody watches from where the hand cannot see.',
			atS: null
		},
		{ id: 'nobody', words: 'Nobody in its way, on its way or under it. Say aloud that it moves.', atS: null },
		{
			id: 'slow',
			words: `Go to the end of the move by hand, then back at a quarter of its speed or slower: ${seconds((figures?.lastsS ?? 0) * 4)} at least.`,
			atS: null
		}
	];
	const stops = [...move.knots].reverse().map((knot): Step => ({
		id: `at${knot.id}`,
		words: `Stop at ${knot.name}. Cables slack, nothing touches, picture as planned.`,
		atS: knot.tS
	}));
	const near = (clear?.findings ?? [])
		.filter((finding) => tooNear(finding) || finding.clearanceM < finding.wantedM + 0.5)
		.slice(0, 6)
		.map((finding): Step => ({
			id: `near${finding.id}`,
			words: `${finding.label}: ${bodyWords(finding.bodyId)} comes nearest here, ${finding.clearanceM <= 0 ? 'and strikes it as drawn' : `${far(finding.clearanceM, units)} as drawn`}. Measure it.`,
			atS: finding.atS
		}));
	const onTheWay = [...stops, ...near].sort((one, two) => (two.atS ?? 0) - (one.atS ?? 0));
	return [...before, ...onTheWay];
}
