import { checksFor } from '../input';
import { type Sled, sledTotals, withShifts } from './sled';
import { sledReport } from './sledReport';

export interface SledTrim {
	/** Where the centre of gravity must stand before the gimbal. */
	readonly cgForwardM: number;
	/** How far the named parts move forward together from where they stand. */
	readonly plateShiftM: number;
	/** Null: top-heavy before or after. */
	readonly dropTimeChangeS: number | null;
	readonly xzChangeKgM2: number;
	readonly foreLeanChangeRad: number;
}

/**
 * The plate shift that makes the sled hold a tilt by itself, and what it costs in drop time and dynamic balance.
 *
 * `tiltRad` nose **down** positive, in this call only, less than a right angle. `plateIds` are the parts that ride on the
 * plate. At rest the centre of gravity hangs straight below the gimbal, so it must stand `h tan τ` ahead of it. Changes are
 * after less before, of the figures that `sledReport` gives. Throws `PhysicsInputError` for a sled or tilt without sense, or
 * plate parts that are not there or weigh nothing.
 *
 * @example
 * const part = (id, massKg, z) => ({ id, body: { massKg, cgM: [0, 0, z] } });
 * const sled = { parts: [part('camera', 4, 0.8), part('battery', 4, 0)], gimbalHeightM: 0.41 };
 * trimSled({ sled, tiltRad: Math.PI / 4, plateIds: ['camera'] }).plateShiftM; // 0.02
 */
export function trimSled(input: {
	readonly sled: Sled;
	readonly tiltRad: number;
	readonly plateIds: readonly string[];
}): SledTrim {
	const check = checksFor('trimSled');
	const { sled } = input;
	const tiltRad = check.number('tiltRad', input.tiltRad);
	if (Math.abs(tiltRad) >= Math.PI / 2) check.fail('tiltRad', 'must be less than a right angle', tiltRad);
	const { massKg, cgM, dropHeightM } = sledTotals('trimSled', sled);
	const plateKg = check.list('plateIds', input.plateIds).reduce((sum, id, index) => {
		const part = sled.parts.find((each) => each.id === id);
		return sum + (part?.body.massKg ?? check.fail(`plateIds[${index}]`, 'must be a part of the sled', id));
	}, 0);
	if (!(plateKg > 0)) check.fail('plateIds', 'must have some mass between them', plateKg);

	const cgForwardM = dropHeightM * Math.tan(tiltRad);
	const plateShiftM = (massKg * (cgForwardM - cgM[0])) / plateKg;
	const before = sledReport({ sled });
	const after = sledReport({
		sled: withShifts(sled, Object.fromEntries(input.plateIds.map((id) => [id, { foreM: plateShiftM }])))
	});
	const [was, is] = [before.dropTimeS.fore, after.dropTimeS.fore];
	return {
		cgForwardM,
		plateShiftM,
		dropTimeChangeS: was === null || is === null ? null : is - was,
		xzChangeKgM2: after.dynamic.xzKgM2 - before.dynamic.xzKgM2,
		foreLeanChangeRad: after.dynamic.foreLeanRad - before.dynamic.foreLeanRad
	};
}
