import {
	type KeyedMove,
	type Leg,
	type Mount,
	moveClearance,
	type MovingBody,
	type Stray,
	wayOfLeg,
	withCoasting
} from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import { type Flex, flexOf } from '$lib/model/flex';
import type { LivePlace } from '$lib/model/liveHead';
import type { VenuePlan } from '$lib/model/venue';
import { cameraRod, type LensAt } from '$lib/model/lensAt';
import {
	type ClearFinding,
	type ClearQuestion,
	readClear,
	type RoomAsked,
	roomOf,
	tooNear
} from '$lib/places/clearance';
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

/** What is to be tried, as it will be driven: from where the head stands, within its soft ends and at its own speeds. */
export interface RoomQuestion {
	readonly place: LivePlace;
	readonly at: Values;
	readonly axes: HeadSeen['axes'];
	readonly legs: readonly Leg[];
	readonly loops: boolean;
	readonly plan: VenuePlan;
	readonly lens: LensAt | null;
}
export type RoomAnswer = readonly { readonly leg: number; readonly finding: ClearFinding }[];

const carriedBy: Readonly<Record<LivePlace['stands'], readonly string[]>> = {
	stand: [],
	ceiling: [],
	wall: [],
	rail: ['trackM'],
	arm: ['swingRad', 'boomRad']
};

/** Null: without a plan, or with nowhere to go, there is nothing to try. */
export function roomQuestion(
	asked: Omit<RoomQuestion, 'plan'> & { readonly plan: VenuePlan | null }
): RoomQuestion | null {
	const { plan } = asked;
	return plan === null || asked.legs.length === 0 ? null : { ...asked, plan };
}

/** How far what carries it gives. A rail is taken to be held at its two ends, and to be as long as it travels; one that nobody has heard yet is a long one. */
export function liveFlex({ place, axes }: Pick<RoomQuestion, 'place' | 'axes'>): Flex {
	const [from, to] = axes.trackM?.range ?? [0, 4];
	const lengthM = to - from;
	return flexOf(
		place.givesM,
		place.stands === 'rail'
			? { by: 'rail', lengthM, supportsM: [0, lengthM], reachM: 0 }
			: place.stands === 'arm'
				? { by: 'arm', reachM: place.armM }
				: { by: place.stands }
	);
}

/** Each part of the way against the room, and how the head stands before. Throws where a part is no way of this head: nothing is proven of it. */
function clearQuestions(
	{ place, at, axes, legs, loops, plan, lens }: RoomQuestion,
	asked: RoomAsked
): {
	readonly stands: ClearQuestion;
	readonly parts: readonly (ClearQuestion & { readonly leg: number })[];
} {
	const names = ['panRad', 'tiltRad', 'rollRad', ...carriedBy[place.stands]];
	const of = (values: Values): Values =>
		Object.fromEntries(names.flatMap((axis) => (values[axis] === undefined ? [] : [[axis, values[axis]]])));
	const mount = mountOf(place);
	const question = (moves: readonly KeyedMove[], strays?: readonly Stray[]): ClearQuestion => ({
		...{ mount, moves, bodies: bodiesOn(mount, lens), ...roomOf(plan, asked) },
		...(strays === undefined ? {} : { strays })
	});
	const still = (values: Values, tS = 0): KeyedMove => ({ keys: [{ tS, values }], ends: 'still', angles: 'asGiven' });
	let now: Values = { panRad: 0, tiltRad: 0, ...at };
	const parts: (ClearQuestion & { readonly leg: number })[] = [];
	// Looped, the way from the last back to the first is one of its own.
	(loops && legs.length > 1 ? [...legs, legs[0]!] : legs).forEach((leg, k) => {
		const way = wayOfLeg({ from: now, leg, axes });
		// The desk leads it nowhere: to a pose of which it has no axis.
		if (way === 'offPath' && leg.kind === 'pose') return;
		if (typeof way === 'string') throw new Error(`That is no way of this head: ${way}`);
		const { move: keyed, strays, endsAt } = withCoasting({ way, axes });
		const keys = keyed.keys.map((key) => ({ ...key, values: of(key.values) }));
		const turns = Object.keys(keys[0]!.values);
		const rest = of(Object.fromEntries(Object.entries(now).filter(([axis]) => !turns.includes(axis))));
		const moves =
			Object.keys(rest).length === 0 ? [{ ...keyed, keys }] : [{ ...keyed, keys }, still(rest, keys[0]!.tS)];
		if (turns.length > 0) parts.push({ ...question(moves, strays), leg: k });
		now = { ...now, ...endsAt };
	});
	return { stands: question([still(of({ panRad: 0, tiltRad: 0, ...at }))]), parts };
}
/** What of a head is tried: its camera, and the arm it is on. */
export function bodiesOn(mount: Mount, lens: LensAt | null): readonly MovingBody[] {
	const camera: MovingBody = { id: 'camera', on: 'camera', ...cameraRod(triedCamera, lens) };
	return mount.kind === 'crane'
		? [camera, { id: 'arm', on: 'arm', tailM: tailShare * mount.armM, radiusM: armRadiusM }]
		: [camera];
}

/**
 * What each part of a way comes nearer to than the head stands now and than is asked, the nearest first; what a lost link lets it coast off its
 * way is taken off. Throws for a way that cannot be tried.
 */
export function tryRoom(question: RoomQuestion): RoomAnswer {
	const { plan } = question;
	const asked: RoomAsked = { safetyM: roomM, givesM: liveFlex(question).m };
	const { stands, parts } = clearQuestions(question, asked);
	const before = new Map(
		readClear(moveClearance(stands), asked, plan).findings.map((each) => [each.id, each.clearanceM])
	);
	return parts
		.flatMap(({ leg, ...part }) =>
			readClear(moveClearance(part), asked, plan).findings.map((finding) => ({ leg, finding }))
		)
		.filter(({ finding }) => !tooNear(finding) || finding.clearanceM < (before.get(finding.id) ?? Infinity) - noNearerM)
		.sort((one, two) => one.finding.clearanceM - one.finding.wantedM - (two.finding.clearanceM - two.finding.wantedM));
}
