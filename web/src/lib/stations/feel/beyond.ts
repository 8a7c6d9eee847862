import type { UnitSystem } from '$lib/model/person';
import { type TurningAxis, turningAxes, type Turnings } from '$lib/model/turning';
import { showMass, showTorque, together } from '$lib/sheet/units/display';
import { percent } from './words';

/** More than a support may carry, or than one of its motors holds in the worst pose: it must not fly so. */
export type Beyond =
	| { readonly kind: 'payload'; readonly massKg: number; readonly mostKg: number }
	| { readonly kind: 'motor'; readonly axis: TurningAxis; readonly residualNm: number; readonly motorNm: number };

/**
 * Everything that is beyond what holds, the payload first. A motor that nobody knows says nothing; a figure that is none counts as beyond.
 */
export function beyondOf(build: {
	readonly massKg: number;
	readonly greatestPayloadKg: number;
	readonly turnings: Turnings;
	/** What each motor has to hold, as reckoned from what was seen. */
	readonly residualNm: (axis: TurningAxis) => number;
}): readonly Beyond[] {
	const { massKg, greatestPayloadKg: mostKg, turnings, residualNm } = build;
	return [
		...(massKg <= mostKg ? [] : [{ kind: 'payload', massKg, mostKg } as const]),
		...turningAxes.flatMap((axis): Beyond[] => {
			const motorNm = turnings[axis]?.motorNm ?? null;
			if (motorNm === null) return [];
			const asked = residualNm(axis);
			return Math.abs(asked) <= motorNm ? [] : [{ kind: 'motor', axis, residualNm: Math.abs(asked), motorNm }];
		})
	];
}

/** Why it must not fly, a sentence for the payload and one for all motors. */
export function beyondWords(beyond: readonly Beyond[], units: UnitSystem): readonly string[] {
	const motors = beyond.flatMap((each) => (each.kind === 'motor' ? [each] : []));
	const share = (of: number) => percent(of).replace(' ', '\u00a0');
	return [
		...beyond.flatMap((each) =>
			each.kind === 'payload'
				? [
						`It carries ${together(showMass(each.mostKg, units))} at most, and ${together(showMass(each.massKg, units))} is on it: take weight off, or use a larger one.`
					]
				: []
		),
		...(motors.length === 0
			? []
			: [
					`As balanced, the worst pose asks more than ${motors.length === 1 ? 'its motor holds' : 'the motors hold'}: ${motors
						.map(
							({ axis, residualNm, motorNm }) =>
								`${axis} ${together(showTorque(residualNm, units))}, ${share(residualNm / motorNm)} of its motor`
						)
						.join('; ')}. Balance it first, or take weight off.`
				])
	];
}
