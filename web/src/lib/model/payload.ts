import {
	add,
	type Body,
	boxInertia,
	cgUncertainty,
	combineBodies,
	cylinderInertia,
	type Inertia,
	scale,
	type Turn,
	turnBody,
	turnVector,
	type Vec3
} from '@poise/core';
import { armReachM, type Attitude, isPlainTurn, plainAttitude, turnOfAttitude } from './attitude';
import { cgFromMiddleOf, cgSigmaOf, outerSizeM, type Part } from './part';

/** A part on the plate: `positionM` is the middle of its foot, or of its arm's foot, from the middle of the plate's top. */
export interface Placement {
	readonly id: string;
	readonly partId: string;
	readonly positionM: Vec3;
	/** Absent: as it comes, unturned. */
	readonly attitude?: Attitude;
}

/** A measured centre of the whole build: how far it lies from where the parts would have it. */
export interface PayloadCorrection {
	readonly shiftM: Vec3;
	readonly sigmaM: Vec3;
	/** Where it comes from, in words. */
	readonly from: string;
}

/** What a person edits: the plate and what stands on it. */
export interface PayloadDraft {
	readonly name: string;
	readonly platePartId: string;
	readonly placements: readonly Placement[];
	readonly correction?: PayloadCorrection | null;
}

export interface Payload extends PayloadDraft {
	readonly id: string;
	/** Variants of one build share this; null for a build of its own. */
	readonly familyId?: string | null;
	/** Counts saves; a save that names an older version is refused. */
	readonly version: number;
	readonly updatedAt: string;
}

/** A part where it stands, ready to be weighed and drawn. */
export interface StandingPart {
	readonly id: string;
	readonly part: Part;
	readonly positionM: Vec3;
	readonly attitude: Attitude;
	/** What a measurement of the whole build added. */
	readonly shiftM: Vec3;
	readonly shiftSigmaM: Vec3 | null;
}

/**
 * The plate first, then the parts on it. Parts that have left the shelf are left out. Whatever stands as it stood in `before` is
 * the same object, so that a drag of one part redraws one part.
 */
export function standingParts(
	draft: PayloadDraft,
	shelf: ReadonlyMap<string, Part>,
	before: readonly StandingPart[] = []
): StandingPart[] {
	const now = standingAnew(draft, shelf);
	if (before.length === 0) return now;
	const known = new Map(before.map((standing) => [standing.id, standing]));
	return now.map((standing) => {
		const was = known.get(standing.id);
		return was !== undefined && standsAlike(was, standing) ? was : standing;
	});
}

const sameVec = (a: Vec3 | null, b: Vec3 | null): boolean =>
	a === b || (a !== null && b !== null && a[0] === b[0] && a[1] === b[1] && a[2] === b[2]);
const standsAlike = (a: StandingPart, b: StandingPart): boolean =>
	a.part === b.part &&
	a.attitude === b.attitude &&
	sameVec(a.positionM, b.positionM) &&
	sameVec(a.shiftM, b.shiftM) &&
	sameVec(a.shiftSigmaM, b.shiftSigmaM);

function standingAnew(draft: PayloadDraft, shelf: ReadonlyMap<string, Part>): StandingPart[] {
	const plate = shelf.get(draft.platePartId);
	const shiftM: Vec3 = draft.correction?.shiftM ?? [0, 0, 0];
	const shiftSigmaM = draft.correction?.sigmaM ?? null;
	const onPlate = draft.placements.flatMap(({ id, partId, positionM, attitude = plainAttitude }) => {
		const part = shelf.get(partId);
		return part === undefined ? [] : [{ id, part, positionM, attitude, shiftM, shiftSigmaM }];
	});
	if (plate === undefined) return onPlate;
	const under: Vec3 = [0, 0, -plate.shape.sizeM[2]];
	return [{ id: 'plate', part: plate, positionM: under, attitude: plainAttitude, shiftM, shiftSigmaM }, ...onPlate];
}

type Placed = Pick<StandingPart, 'part' | 'positionM' | 'attitude'>;

/** Middle of the part's box at its shortest, once turned and put on its arm. */
export function middleM({ part: { shape }, positionM, attitude }: Placed): Vec3 {
	const halfHeightM = turnedHalfM(shape.sizeM, attitude)[2];
	return add(add(positionM, armReachM(attitude)), [0, 0, halfHeightM]);
}

/** Half the edges of the box around a turned box. */
function turnedHalfM(sizeM: Vec3, attitude: Attitude): Vec3 {
	if (isPlainTurn(attitude)) return [sizeM[0] / 2, sizeM[1] / 2, sizeM[2] / 2];
	const half = (row: Vec3) => row.reduce((sum, cosine, k) => sum + (Math.abs(cosine) * (sizeM[k] as number)) / 2, 0);
	const [x, y, z] = turnOfAttitude(attitude);
	return [half(x), half(y), half(z)];
}

/** Least and greatest corner of the part as it stands, its extension included. */
export function cornersM(placed: Placed): [Vec3, Vec3] {
	const { shape } = placed.part;
	const { attitude } = placed;
	const out = shape.extensionM * attitude.extended;
	const size = outerSizeM(shape, attitude.extended);
	const half = turnedHalfM(size, attitude);
	const centre = add(middleM(placed), turnVector(turnOfAttitude(attitude), [out / 2, 0, 0]));
	return [
		[centre[0] - half[0], centre[1] - half[1], centre[2] - half[2]],
		[centre[0] + half[0], centre[1] + half[1], centre[2] + half[2]]
	];
}

const roundKinds: readonly Part['kind'][] = ['lens', 'filter', 'adapter'];

/** About the part's own centre, as it lies unturned: lenses and filters are reckoned as cylinders, all else as boxes. */
export function ownInertia({ kind, massKg, shape }: Part, extended: number): Inertia {
	const sizeM = outerSizeM(shape, extended);
	if (!roundKinds.includes(kind)) return boxInertia({ massKg, sizeM });
	return cylinderInertia({ massKg, radiusM: (sizeM[1] + sizeM[2]) / 4, lengthM: sizeM[0], axis: 'x' });
}

/** A standing part, with its arm, as a rigid body in the payload's frame. */
export function bodyOf(standing: Placed & Partial<Pick<StandingPart, 'shiftM'>>): Body {
	const { part, attitude } = standing;
	const inertiaKgM2 = ownInertia(part, attitude.extended);
	const own: Body = { massKg: part.massKg, cgM: cgFromMiddleOf(part.shape, attitude.extended), inertiaKgM2 };
	const turned = isPlainTurn(attitude) ? own : turnBody({ body: own, turn: turnOfAttitude(attitude) });
	const body = { ...turned, cgM: add(add(middleM(standing), turned.cgM), standing.shiftM ?? [0, 0, 0]) };
	const { arm } = attitude;
	if (arm === null || arm.massKg === 0) return body;
	const reach = armReachM(attitude);
	return combineBodies({
		bodies: [
			body,
			{
				massKg: arm.massKg,
				cgM: [
					standing.positionM[0] + reach[0] / 2,
					standing.positionM[1] + reach[1] / 2,
					standing.positionM[2] + reach[2] / 2
				],
				inertiaKgM2: thinRod(arm.massKg, reach)
			}
		]
	});
}

/** A thin rod from one end to the other: `m l²/12` across it, whichever way it points. */
function thinRod(massKg: number, [x, y, z]: Vec3): Inertia {
	const of = (a: number, b: number) => (massKg * a * b) / 12;
	return {
		xx: of(y, y) + of(z, z),
		yy: of(z, z) + of(x, x),
		zz: of(x, x) + of(y, y),
		xy: of(x, y),
		xz: of(x, z),
		yz: of(y, z)
	};
}

/** How sure the part's centre is, one standard deviation along the payload's axes. */
export function sigmaOf({ part, attitude, shiftSigmaM }: StandingPart): Vec3 {
	// A measured build is known as a whole: its parts no longer matter one by one.
	if (shiftSigmaM !== null) return [0, 0, 0];
	const own = cgSigmaOf(part);
	if (isPlainTurn(attitude)) return own;
	const along = (row: Vec3) => Math.hypot(row[0] * own[0], row[1] * own[1], row[2] * own[2]);
	const [x, y, z] = turnOfAttitude(attitude);
	return [along(x), along(y), along(z)];
}

/** How sure the whole's centre is, one standard deviation along x, y, z at the plate. */
export function payloadSigmaM(parts: readonly StandingPart[]): Vec3 {
	const measured = parts.find(({ shiftSigmaM }) => shiftSigmaM !== null)?.shiftSigmaM;
	if (measured) return measured;
	return cgUncertainty({
		parts: parts.map((standing) => ({ massKg: standing.part.massKg, sigmaM: sigmaOf(standing) }))
	});
}

/** One part of a payload as its support sees it. */
export interface MountedBody {
	readonly id: string;
	readonly body: Body;
	/** How sure its centre is; absent: exact. */
	readonly sigmaM?: Vec3;
	/** The part of the shelf whose centre that is, and how it is turned; absent: it is known with the build as a whole. */
	readonly of?: { readonly partId: string; readonly turn: Turn; readonly ownKg: number };
}

/** Bodies as a support sees them: from the underside of the plate, which is what sits on it. */
export function mountedBodies(parts: readonly StandingPart[]): (MountedBody & { readonly sigmaM: Vec3 })[] {
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
	// A build measured as a whole has one uncertainty: shared out so that the parts together come to it again.
	const share =
		parts.reduce((sum, { part }) => sum + part.massKg, 0) / Math.hypot(...parts.map(({ part }) => part.massKg));
	return parts.map((standing) => {
		const body = bodyOf(standing);
		const [x, y, z] = body.cgM;
		const sigmaM = standing.shiftSigmaM === null ? sigmaOf(standing) : scale(standing.shiftSigmaM, share);
		const mounted = { id: standing.id, body: { ...body, cgM: [x, y, z + plateM] as const }, sigmaM };
		if (standing.shiftSigmaM !== null) return mounted;
		const { part, attitude } = standing;
		return { ...mounted, of: { partId: part.id, turn: turnOfAttitude(attitude), ownKg: part.massKg } };
	});
}

/** The placement nearest to a hole of the plate along it, where the plate has holes; else as it is. */
export function snappedToHoles(positionM: Vec3, plate: Part | undefined): Vec3 {
	const pitch = plate?.shape.holePitchM;
	if (plate === undefined || !pitch) return positionM;
	const furthest = Math.floor((plate.shape.sizeM[0] / 2 - 0.004) / pitch);
	const hole = Math.max(-furthest, Math.min(furthest, Math.round(positionM[0] / pitch)));
	return [Math.round(hole * pitch * 1e6) / 1e6, positionM[1], positionM[2]];
}
