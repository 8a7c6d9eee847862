import { mFromMm, radFromDeg, type Vec3 } from '@poise/core';
import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import { lookingAt } from './knots';
import type { Knot, Move, Values } from './model';
import { fromPattern } from './fromPattern';
import { headPatterns } from './headPatterns';
import { movePatterns } from './patterns';
import { createHead, listHeads } from '$lib/server/db/heads';
import { createMove, findMove } from './rows.server';
import { logMoveRun } from './runRows.server';
import { listVenues } from '$lib/server/db/venues';
import type { DemoCrew } from '$lib/server/station';

const { heads, moves, moveRuns } = scenario;

/** The scenario's heads, its move in every venue and what ran, through the same doors as anything typed. */
export async function loadMoves({ crewId, personIds }: DemoCrew): Promise<void> {
	const personId = (name: string) => found(personIds.get(name), name);
	const someone = found([...personIds.values()][0], 'anybody');
	for (const { name, pattern } of heads)
		await createHead(crewId, someone, {
			name,
			head: found(
				headPatterns.find(({ id }) => id === pattern),
				pattern
			).head
		});
	const [venues, shelf] = await Promise.all([listVenues(crewId), listHeads(crewId)]);

	const made = new Map<string, string>();
	for (const each of moves) {
		const venue = found(
			venues.find(({ name }) => name === each.venue),
			each.venue
		);
		const pattern = found(
			movePatterns.find(({ id }) => id === each.pattern),
			each.pattern
		);
		const head = found(
			shelf.find(({ name }) => name === each.head),
			each.head
		);
		const fresh = fromPattern(pattern, each.name, venue.id, venue.plan);
		const gives = 'givesM' in each ? { givesM: each.givesM } : {};
		const move: Move = {
			...fresh,
			job: each.job,
			support: { ...placed(fresh.support, each.atM, radFromDeg(each.headingDeg)), ...gives } as Move['support'],
			camera: { ...fresh.camera, lens: 'lensM' in each ? { atM: each.lensM as Vec3, from: 'measured' } : null },
			head: { ...fresh.head, gearId: head.id, gearName: head.name, figures: head.head },
			subject: each.subject
		};
		const knots = each.knots.map((knot, k): Knot => {
			const given = knot.values as Readonly<Partial<Record<'swing' | 'boom' | 'track', number>>>;
			const values: Values = {
				panRad: 0,
				tiltRad: 0,
				rollRad: 0,
				focusM: 2,
				focalM: mFromMm(each.focalMm),
				...(given.swing === undefined ? {} : { swingRad: radFromDeg(given.swing) }),
				...(given.boom === undefined ? {} : { boomRad: radFromDeg(given.boom) }),
				...(given.track === undefined ? {} : { trackM: given.track })
			};
			const lookM = 'lookM' in knot ? (knot.lookM as Vec3) : each.subject.atM;
			return {
				id: `k${k + 1}`,
				name: knot.name,
				tS: knot.tS,
				dwellS: knot.dwellS,
				values: lookingAt(move, values, lookM),
				off: { panRad: 0, tiltRad: 0, focusM: 0 }
			};
		});
		const focus = move.aim === 'knots' ? 'knots' : 'subject';
		const saved = await createMove(crewId, personId(each.person), { ...move, focus, knots });
		made.set(each.name, saved.id);
	}
	for (const { move, person, daysAgo, seen, note } of moveRuns) {
		const id = found(made.get(move), move);
		const { version } = await findMove(crewId, id);
		const at = new Date(Date.now() - daysAgo * 24 * 3600 * 1000).toISOString();
		await logMoveRun(crewId, personId(person), id, { id: newId(), version, note, seen }, at);
	}
}

function placed(support: Move['support'], atM: Vec3, headingRad: number): Move['support'] {
	switch (support.kind) {
		case 'fixed':
			return { ...support, atM, headingRad };
		case 'rail':
			return { ...support, startM: atM, headingRad };
		case 'arm':
			return { ...support, pivotM: atM, headingRad };
		case 'walk':
			return support;
	}
}

function found<T>(value: T | null | undefined, name: string): T {
	if (value === null || value === undefined) throw new Error(`The scenario names something it does not hold: ${name}`);
	return value;
}
