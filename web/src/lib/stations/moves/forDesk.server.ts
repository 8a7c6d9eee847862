import type { LiveMove, MoveStand } from '$lib/model/liveMove';
import type { MoveSupport } from './model';
import { runOf, runs, sample } from './path';
import { listMoves } from './rows.server';

/** What a head at the desk turns or goes along; its lens is found by its rings, not by metres. */
const headAxes = ['trackM', 'swingRad', 'boomRad', 'panRad', 'tiltRad', 'rollRad'] as const;
const mostKeys = 180;
const mostMoves = 60;

/** The crew's moves that can run, as keys of the axes that heads have; what cannot run is left out. */
export async function movesForDesk(crewId: string): Promise<LiveMove[]> {
	const saved = (await listMoves(crewId)).slice(0, mostMoves);
	return saved.flatMap(({ id, move }) => {
		const run = runOf(move);
		if (!runs(run) || run.endS - run.startS < 0.2) return [];
		const lastsS = run.endS - run.startS;
		const count = Math.min(mostKeys, Math.max(8, Math.ceil(lastsS / 0.15) + 1));
		const atS = Array.from({ length: count }, (_, k) => run.startS + (lastsS * k) / (count - 1));
		const { values } = sample(run, atS);
		const axes = headAxes.filter((axis) => values[axis] !== undefined);
		return [
			{
				...{ id, name: move.name, venueId: move.venueId, durationS: lastsS, stand: standOf(move.support) },
				keys: atS.map((tS, k) => ({
					tS: tS - run.startS,
					values: Object.fromEntries(axes.map((axis) => [axis, values[axis]![k]!]))
				})),
				knots: move.knots.map((knot) => {
					const there = sample(run, [Math.min(run.endS, Math.max(run.startS, knot.tS))]).values;
					return {
						...{ id: knot.id, name: knot.name, atS: knot.tS - run.startS },
						values: Object.fromEntries(axes.map((axis) => [axis, there[axis]![0]!]))
					};
				})
			}
		];
	});
}

function standOf(support: MoveSupport): MoveStand {
	const none = { armM: null, hung: false };
	switch (support.kind) {
		case 'fixed':
			return {
				...none,
				kind: 'fixed',
				atM: support.atM,
				headingRad: support.headingRad,
				hung: support.stance === 'hung'
			};
		case 'rail':
			return {
				...none,
				kind: 'rail',
				atM: support.startM,
				headingRad: support.headingRad,
				hung: support.stance === 'hung'
			};
		case 'arm':
			return {
				...{ kind: 'arm', atM: support.pivotM, headingRad: support.headingRad },
				hung: support.hung,
				armM: support.armM
			};
		case 'walk':
			return { ...none, kind: 'walk', atM: null, headingRad: 0 };
	}
}
