import { degFromRad, frameOf, railLoads, stabilityAt, type Vec3 } from '@poise/core';
import type { Move, RailSupport } from './model';
import { poseOf, type Run, sample, evenly, valuesAt } from './path';
import { railEnds } from './supports/rail';

/** What the rail's stands and clamps bear over the travel. */
export interface RailRead {
	/** Least and most that each support bears, square to the rail; negative: it lifts off. */
	readonly spansN: readonly (readonly [least: number, most: number])[];
	readonly leastAtM: number;
	readonly momentNm: number | null;
	readonly holdN: number;
	readonly slipN: number;
	readonly carriedKg: number;
	readonly curve: readonly { readonly atM: number; readonly supportsN: readonly number[] }[];
	/** What is wrong, in words. */
	readonly warnings: readonly string[];
}

/** Null: a dolly, whose track lies on the floor. */
export function railRead(move: Move): RailRead | null {
	const { support, camera, head } = move;
	if (support.kind !== 'rail' || support.what === 'dolly') return null;
	const carriedKg = support.carriageKg + camera.massKg + head.figures.massKg;
	/** The rail's start lies before the travel's zero by so much. */
	const startM = startOf(support);
	const at = (trackM: number) =>
		railLoads({
			railKg: support.railKg,
			lengthM: support.lengthM,
			carriedKg,
			atM: Math.max(0, Math.min(support.lengthM, trackM + startM)),
			overhangM: support.reachM,
			standoffM: support.stance === 'hung' ? -support.plateM : support.plateM,
			supportsM: support.supportsM,
			inclineRad: support.inclineRad
		});
	const [from, to] = support.travelM;
	const curve = Array.from({ length: 41 }, (_, k) => {
		const trackM = from + ((to - from) * k) / 40;
		return { atM: trackM, ...at(trackM) };
	});
	const spansN = support.supportsM.map((_, k) => {
		const all = curve.map(({ supportsN }) => supportsN[k]!);
		return [Math.min(...all), Math.max(...all)] as const;
	});
	const leastAtM = curve.reduce((worst, each) =>
		Math.min(...each.supportsN) < Math.min(...worst.supportsN) ? each : worst
	).atM;
	const momentNm =
		support.supportsM.length > 1 ? null : Math.max(...curve.map(({ momentNm: each }) => Math.abs(each ?? 0)));
	const { holdN, slipN } = curve[0]!;
	const bears = support.supportBearsN;
	const warnings = [
		...(!support.clampsDown && spansN.some(([least]) => least < 0)
			? ['The rail lifts off a support as the carriage goes: clamp it down, or set the supports further out.']
			: []),
		...(bears !== null && spansN.some(([, most]) => most > bears)
			? ['A support bears more than its maker says it does.']
			: []),
		...(momentNm !== null && support.clampHoldsNm !== null && momentNm > support.clampHoldsNm
			? ['One clamp does not hold this against turning: put a second support under it.']
			: []),
		...(support.holdsN !== null && Math.abs(holdN) > support.holdsN
			? ['The carriage’s brake does not hold this slope: lock it, and let somebody hold it.']
			: [])
	];
	return { spansN, leastAtM, momentNm, holdN, slipN, carriedKg, curve, warnings };
}

/** From the rail's first end to the travel's zero. */
const startOf = ({ lengthM, travelM }: RailSupport) => lengthM / 2 - (travelM[0] + travelM[1]) / 2;

/** A rail on one rolling stand tips over its wheels: what is left of its reserve with the carriage at its worse end, by the same sum as a crane's. */
export function tipReserve(
	support: RailSupport,
	read: RailRead,
	stand: { readonly halfBaseM: number; readonly standKg: number }
): number {
	const middle = support.supportsM[0] ?? support.lengthM / 2;
	const start = startOf(support);
	const half = stand.halfBaseM;
	const heightM = Math.max(0.1, support.startM[2] - support.plateM);
	const at = (trackM: number) =>
		stabilityAt({
			footprintM: [
				[half, half],
				[-half, half],
				[-half, -half],
				[half, -half]
			],
			base: [
				{ massKg: stand.standKg, cgM: [0, 0, 0.3] },
				{ massKg: support.railKg, cgM: [support.lengthM / 2 - middle, 0, heightM] }
			],
			arm: {
				parts: [
					{ id: 'carried', massKg: read.carriedKg, uM: trackM + start + support.reachM - middle, vM: support.plateM }
				]
			},
			pivotM: [0, 0, heightM],
			swingRad: 0,
			boomRad: support.inclineRad
		}).reserve;
	return Math.min(...support.travelM.map(at));
}

/** When the rail itself comes into the picture, and where along it; null: it never does. */
export function railInFrame(move: Move, run: Run): { readonly atS: number; readonly alongM: number } | null {
	const { support, camera } = move;
	if (support.kind !== 'rail') return null;
	const [from, to] = railEnds(support);
	const atS = evenly(run, 40);
	const sampled = sample(run, atS);
	for (let k = 0; k < atS.length; k += 1) {
		const values = valuesAt(sampled, k);
		const pose = poseOf(move, values);
		for (let step = 0; step <= 60; step += 1) {
			const pointM = from.map((value, axis) => value + ((to[axis]! - value) * step) / 60) as unknown as Vec3;
			const seen = frameOf({
				pose,
				pointM,
				focalM: values.focalM,
				sensorWidthM: camera.sensorWidthM,
				sensorHeightM: camera.sensorHeightM
			});
			// What lies under the camera itself is behind its front.
			if (seen.inFrame && seen.depthM > camera.frontM * 0.5)
				return { atS: atS[k]!, alongM: (support.lengthM * step) / 60 };
		}
	}
	return null;
}

/** What a set-up needs, said before anybody lifts it. */
export function setUpWords(support: RailSupport): readonly string[] {
	const slope = degFromRad(support.inclineRad);
	return [
		support.stance === 'hung'
			? 'The camera hangs under the carriage: turn its picture over, and tie it to the carriage as well.'
			: 'The camera stands on the carriage, the right way up.',
		Math.abs(slope) > 85
			? 'The rail stands on end: its low end stop is on, and the carriage is locked whenever nobody holds it.'
			: Math.abs(slope) > 1
				? `The rail rises by ${slope.toFixed(0)}°: lock the carriage before you let go, start from the low end.`
				: 'The rail is level along its length.',
		'Level across at both ends: put the vial across the rail, not along it.',
		...(support.startM[2] > 1.8
			? ['It is higher than a head: a safety bond on rail, carriage and camera, and nobody under it.']
			: []),
		...(support.reachM !== 0 ? ['The extension carries the camera past the carriage: the far support is clamped.'] : [])
	];
}
