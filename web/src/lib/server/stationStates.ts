import { combineBodies } from '@poise/core';
import { benchFigures, solveWithLooks } from '$lib/supports/gimbal/figures';
import { countedLooks } from '$lib/supports/gimbal/looks';
import { setUpRig } from '$lib/supports/gimbal/setUp';
import {
	balanceStation,
	craneLogStation,
	craneStation,
	logStation,
	payloadStation,
	sledLogStation,
	sledStation
} from '$lib/supports/states';
import type { StationStates } from '$lib/shell/stations';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { Person } from '$lib/model/person';
import { countedLooks as countedCrane, craneFigures } from '$lib/supports/crane/figures';
import { settledOn as settledCrane } from '$lib/supports/crane/standing';
import { countedSeen, estimateFromSeen, sledFigures } from '$lib/supports/sled/figures';
import { settledOn } from '$lib/supports/sled/standing';
import { latestBalance, latestCraneBalance, latestSledBalance } from './db/balances';
import { findCrane, findCraneBench } from './db/cranes';
import { findBench } from './db/benches';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { findRig } from './db/rigs';
import { findSled, findSledBench } from './db/sleds';
import { asRefusal } from './refusal';

/** The true state of every station for what this person has on the bench. */
export async function stationStates(crewId: string, person: Person): Promise<StationStates> {
	if (person.payloadId === null) return {};
	try {
		const [payload, shelf] = await Promise.all([findPayload(crewId, person.payloadId), listParts(crewId)]);
		const parts = standingParts(payload, new Map(shelf.map((part) => [part.id, part])));
		const bodies = mountedBodies(parts);
		const totals = combineBodies({ bodies: bodies.map(({ body }) => body) });
		const states: StationStates = { payload: payloadStation(payload.placements.length, totals) };
		if (person.sledId !== null) return { ...states, ...(await sledStates(crewId, person.sledId, payload, bodies)) };
		if (person.craneId !== null) return { ...states, ...(await craneStates(crewId, person.craneId, payload, bodies)) };
		if (person.rigId === null) return states;

		const [rig, bench, logged] = await Promise.all([
			findRig(crewId, person.rigId),
			findBench(crewId, person.rigId, payload.id),
			latestBalance(crewId, person.rigId, payload.id)
		]);
		if (bench === null) return states;
		const today = setUpRig(rig, bench);
		const figures = benchFigures(today, bodies, bench.positionsM, solveWithLooks(today, bodies, countedLooks(bench)));
		return {
			...states,
			balance: balanceStation(figures),
			logbook: logStation(figures, bench.positionsM, logged)
		};
	} catch (thrown) {
		// Deleted meanwhile, or a build with nothing on it: the day line shows empty tubes and the page says the rest.
		if (asRefusal(thrown).code === 'databaseAway') throw thrown;
		return {};
	}
}

async function sledStates(
	crewId: string,
	sledId: string,
	payload: Payload,
	bodies: ReturnType<typeof mountedBodies>
): Promise<StationStates> {
	const [sled, bench, logged] = await Promise.all([
		findSled(crewId, sledId),
		findSledBench(crewId, sledId, payload.id),
		latestSledBalance(crewId, sledId, payload.id)
	]);
	if (bench === null) return {};
	const setting = settledOn(sled.geometry, bench.setting);
	const seen = countedSeen(bench, payload.version);
	const figures = sledFigures(sled, bodies, { ...bench, setting, seen }, estimateFromSeen(sled.geometry, bodies, seen));
	return {
		balance: sledStation(figures, bench.dropTimeS),
		logbook: sledLogStation(figures, setting, logged)
	};
}

async function craneStates(
	crewId: string,
	craneId: string,
	payload: Payload,
	bodies: ReturnType<typeof mountedBodies>
): Promise<StationStates> {
	const [crane, bench, logged] = await Promise.all([
		findCrane(crewId, craneId),
		findCraneBench(crewId, craneId, payload.id),
		latestCraneBalance(crewId, craneId, payload.id)
	]);
	if (bench === null) return {};
	const setting = settledCrane(crane.geometry, bench.setting);
	const figures = craneFigures(crane, bodies, { ...bench, setting }, countedCrane(bench, payload.version));
	return {
		balance: craneStation(figures, bench.noseBiasKg),
		logbook: craneLogStation(figures, setting, logged)
	};
}
