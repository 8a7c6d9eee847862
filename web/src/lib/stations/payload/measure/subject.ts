import { combineBodies, type Inertia, type Vec3 } from '@poise/core';
import type { Part } from '$lib/model/part';
import { outerSizeM } from '$lib/model/part';
import { bodyOf, cornersM, ownInertia, type StandingPart } from '$lib/model/payload';

/** What is being measured: its outside and mass, and how its figures count. */
export interface Subject {
	readonly name: string;
	readonly massKg: number;
	/** Least and greatest corner from the middle that the figures count from. */
	readonly leastM: Vec3;
	readonly greatestM: Vec3;
	/** Inertia about its own centre, for a swing. */
	readonly inertiaKgM2: Inertia;
	/** "from the middle of the part", for the words beside a figure. */
	readonly from: string;
}

export function partSubject(part: Part): Subject {
	const [l, w, h] = part.shape.sizeM;
	const sizeM = outerSizeM(part.shape);
	return {
		name: part.name,
		massKg: part.massKg,
		leastM: [-l / 2, -w / 2, -h / 2],
		greatestM: [-l / 2 + sizeM[0], w / 2, h / 2],
		inertiaKgM2: ownInertia(part, 0),
		from: 'from the middle of the part'
	};
}

export function payloadSubject(name: string, parts: readonly StandingPart[]): Subject {
	const corners = parts.flatMap((each) => cornersM(each));
	const end = (pick: (...values: number[]) => number): Vec3 =>
		[0, 1, 2].map((axis) => pick(...corners.map((corner) => corner[axis] as number))) as unknown as Vec3;
	const { massKg, inertiaKgM2 } = combineBodies({ bodies: parts.map((each) => bodyOf(each)) });
	return {
		name,
		massKg,
		leastM: end(Math.min),
		greatestM: end(Math.max),
		inertiaKgM2,
		from: 'from the middle of the plate’s top'
	};
}
