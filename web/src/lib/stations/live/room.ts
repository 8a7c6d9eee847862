import { type KeyedMove, type Leg, type Mount, moveClearance, type MovingBody } from '@poise/core';
import type { LivePlace } from '$lib/model/liveHead';
import type { VenuePlan } from '$lib/model/venue';
import { type ClearFinding, type ClearQuestion, readClear, roomOf, tooNear } from '$lib/places/clearance';
import { mountOf } from './stand';

type Values = Readonly<Record<string, number>>;
/** What hangs on a head, as it is tried: so far behind and before where pan and tilt cross, and so thick. */
export const triedCamera = { backM: 0.25, frontM: 0.25, radiusM: 0.12 } as const;
/** A thin arm, and as much of it behind its pivot. */
const [armRadiusM, tailShare] = [0.06, 0.25] as const;
/** So much room is asked of everything. */
export const roomM = 0.1;
/** Nearer by less than this than it stands is no nearer. */
const noNearerM = 0.02;

/** Each part of a way against the room, and how it stands before. */
export interface RoomQuestion {
	readonly stands: ClearQuestion;
	readonly legs: readonly ClearQuestion[];
	readonly plan: VenuePlan;
}
export type RoomAnswer = readonly { readonly leg: number; readonly finding: ClearFinding }[];

const carriedBy: Readonly<Record<LivePlace['stands'], readonly string[]>> = {
	stand: [],
	ceiling: [],
	wall: [],
	rail: ['trackM'],
	arm: ['swingRad', 'boomRad']
};

/** Null: without a plan there is nothing to try it against. */
export function roomQuestion(
	place: LivePlace,
	at: Values,
	legs: readonly Leg[],
	loops: boolean,
	plan: VenuePlan | null
): RoomQuestion | null {
	if (plan === null || legs.length === 0) return null;
	const names = ['panRad', 'tiltRad', 'rollRad', ...carriedBy[place.stands]];
	const of = (values: Values): Values =>
		Object.fromEntries(names.flatMap((axis) => (values[axis] === undefined ? [] : [[axis, values[axis]]])));
	const mount = mountOf(place);
	const question = (move: KeyedMove): ClearQuestion => ({
		...{ mount, moves: [move], bodies: bodiesOn(mount), ...roomOf(plan, roomM) }
	});
	const still = (values: Values): KeyedMove => ({
		keys: [{ tS: 0, values: of({ panRad: 0, tiltRad: 0, ...values }) }],
		ends: 'still'
	});
	let now: Values = { panRad: 0, tiltRad: 0, ...at };
	const tried: ClearQuestion[] = [];
	// Looped, the way from the last back to the first is one of its own.
	for (const leg of loops && legs.length > 1 ? [...legs, legs[0]!] : legs) {
		if (leg.kind === 'keyed') {
			const keys = leg.keys.map(({ tS, values }) => ({ tS, values: of({ ...now, ...values }) }));
			tried.push(question({ keys, ends: leg.ends }));
			now = { ...now, ...leg.keys.at(-1)?.values };
			continue;
		}
		// All axes go by one clock: in their space the way is straight, whatever its pace.
		const next = { ...now, ...leg.to };
		tried.push(
			question({
				keys: [
					{ tS: 0, values: of(now) },
					{ tS: leg.wantedS ?? 1, values: of(next) }
				],
				ends: 'natural'
			})
		);
		now = next;
	}
	return { stands: question(still(at)), legs: tried, plan };
}
function bodiesOn(mount: Mount): readonly MovingBody[] {
	const { backM, frontM, radiusM } = triedCamera;
	const camera: MovingBody = { id: 'camera', on: 'camera', fromM: [-backM, 0, 0], toM: [frontM, 0, 0], radiusM };
	return mount.kind === 'crane'
		? [camera, { id: 'arm', on: 'arm', tailM: tailShare * mount.armM, radiusM: armRadiusM }]
		: [camera];
}

/** What each part of a way comes nearer to than the head stands now and than is asked, the nearest first. */
export function tryRoom({ stands, legs, plan }: RoomQuestion): RoomAnswer {
	const before = new Map(
		readClear(moveClearance(stands), roomM, plan).findings.map((each) => [each.id, each.clearanceM])
	);
	return legs
		.flatMap((question, leg) =>
			readClear(moveClearance(question), roomM, plan).findings.map((finding) => ({ leg, finding }))
		)
		.filter(({ finding }) => !tooNear(finding) || finding.clearanceM < (before.get(finding.id) ?? Infinity) - noNearerM)
		.sort((one, two) => one.finding.clearanceM - one.finding.wantedM - (two.finding.clearanceM - two.finding.wantedM));
}
