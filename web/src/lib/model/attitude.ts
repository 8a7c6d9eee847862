import { type Turn, turnOf, type Vec3 } from '@poise/core';

/** A monitor or screen held out on an arm from where it stands. */
interface Arm {
	readonly lengthM: number;
	/** Seen from above, anticlockwise from straight ahead. */
	readonly aboutUpRad: number;
	/** Above level. */
	readonly riseRad: number;
	readonly massKg: number;
}

/** How a part stands on the plate beyond its place. */
export interface Attitude {
	/** Quarter turns about x, then y, then z. */
	readonly quarters: Vec3;
	/** A free turn about the upright, after those. */
	readonly aboutUpRad: number;
	/** How far a lens is extended, 0 to 1. */
	readonly extended: number;
	/** Parts with the same word move together. */
	readonly group: string | null;
	readonly arm: Arm | null;
}

export const plainAttitude: Attitude = { quarters: [0, 0, 0], aboutUpRad: 0, extended: 1, group: null, arm: null };

export const turnOfAttitude = ({ quarters, aboutUpRad }: Attitude): Turn => turnOf({ quarters, aboutUpRad });

export const isPlainTurn = ({ quarters, aboutUpRad }: Attitude): boolean =>
	aboutUpRad === 0 && quarters.every((count) => count % 4 === 0);

/** From the foot of the arm to the foot of the part it carries. */
export function armReachM({ arm }: Attitude): Vec3 {
	if (arm === null) return [0, 0, 0];
	const level = arm.lengthM * Math.cos(arm.riseRad);
	return [level * Math.cos(arm.aboutUpRad), level * Math.sin(arm.aboutUpRad), arm.lengthM * Math.sin(arm.riseRad)];
}

/** On the other side of the lens's axis: the same gear, its turns and its arm the other way about. */
export const mirrored = (attitude: Attitude): Attitude => ({
	...attitude,
	aboutUpRad: -attitude.aboutUpRad || 0,
	quarters: [-attitude.quarters[0] || 0, attitude.quarters[1], -attitude.quarters[2] || 0],
	arm: attitude.arm === null ? null : { ...attitude.arm, aboutUpRad: -attitude.arm.aboutUpRad || 0 }
});

/** One quarter further about an axis of the plate, whatever turns came before. */
export function quarterTurned(attitude: Attitude, axis: 0 | 1 | 2): Attitude {
	const one: Vec3 = [axis === 0 ? 1 : 0, axis === 1 ? 1 : 0, axis === 2 ? 1 : 0];
	const before = turnOf({ quarters: attitude.quarters, aboutUpRad: 0 });
	const quarter = turnOf({ quarters: one, aboutUpRad: 0 });
	const wanted = quarter.map((row) =>
		[0, 1, 2].map((k) => row.reduce((sum, share, j) => sum + share * (before[j]?.[k] ?? 0), 0))
	);
	// Sixty-four ways to write the twenty-four turns of a box; the first that fits will do.
	for (let code = 0; code < 64; code += 1) {
		const quarters: Vec3 = [code % 4, Math.floor(code / 4) % 4, Math.floor(code / 16)];
		const turn = turnOf({ quarters, aboutUpRad: 0 });
		if (turn.every((row, i) => row.every((value, k) => value === wanted[i]?.[k]))) return { ...attitude, quarters };
	}
	return attitude;
}
