import { checksFor } from '../input';

/** Air near the ground, kg/m³. */
const usualDensityKgPerM3 = 1.225;
/** A blunt, cluttered thing: more than a smooth cylinder, less than a flat plate. */
const usualDrag = 1.3;

/**
 * Steady wind on a crane, newtons: `½ ρ c A v²`.
 *
 * `areaM2` as the wind sees it; `dragCoefficient` (default 1.3) and `densityKgPerM3` (default 1.225) may be given. A steady
 * wind only: gusts reach half as much again in speed, which is more than twice the force, and a flag or a sheet has a force of its
 * own. Throws `PhysicsInputError` for anything negative.
 *
 * @example
 * windForce({ speedMPerS: 10, areaM2: 1, dragCoefficient: 1, densityKgPerM3: 1.2 }).forceN; // 60
 */
export function windForce(input: {
	readonly speedMPerS: number;
	readonly areaM2: number;
	readonly dragCoefficient?: number;
	readonly densityKgPerM3?: number;
}): { readonly forceN: number; readonly pressurePa: number } {
	const check = checksFor('windForce');
	const speed = check.atLeastZero('speedMPerS', input.speedMPerS);
	const area = check.atLeastZero('areaM2', input.areaM2);
	const drag = check.atLeastZero('dragCoefficient', input.dragCoefficient ?? usualDrag);
	const density = check.positive('densityKgPerM3', input.densityKgPerM3 ?? usualDensityKgPerM3);
	const pressurePa = (density * speed * speed) / 2;
	return { forceN: pressurePa * drag * area, pressurePa };
}
