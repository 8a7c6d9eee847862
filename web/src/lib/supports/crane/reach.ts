import { cranePose } from '@poise/core';
import type { CraneGeometry, CraneRoom, CraneSetting } from './model';
import { craneFlex, headSign, type MountedBody, reachOf } from './standing';

/** Half of a camera with its hood, round the lens; and the room that a hand leaves beside a moving thing. */
const aroundLensM = 0.2;
export const aroundM = 0.3;

interface ReachSample {
	readonly boomRad: number;
	readonly lensM: readonly [out: number, up: number];
	/** Lowest and highest of what the nose carries, and how far out it goes. */
	readonly lowestM: number;
	readonly highestM: number;
	readonly outM: number;
	readonly tailHighM: number;
	readonly tailLowM: number;
}

export interface RoomFinding {
	readonly what: 'ceiling' | 'wall' | 'rows' | 'floor' | 'line';
	/** Least distance over the boom range; negative: it strikes. */
	readonly clearM: number;
	/** What is asked, with what gives. */
	readonly wantedM: number;
	readonly atBoomRad: number;
	/** Booms that keep the room's distance; null: none does. */
	readonly keep: readonly [number, number] | null;
}

export interface Reach {
	readonly samples: readonly ReachSample[];
	readonly lensLowM: number;
	readonly lensHighM: number;
	/** Nobody stands within this of the pivot while it moves: nose side, and tail side. */
	readonly keepOutM: number;
	readonly tailM: number;
	readonly findings: readonly RoomFinding[];
	/** Booms that keep from all of it at once; null: none does. */
	readonly keep: readonly [number, number] | null;
}

const steps = 120;

/** What a crane reaches over its boom range, all the way round, and how near that comes to what stands about it. */
export function reachAround(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	room: CraneRoom
): Reach {
	const reach = reachOf(geometry, setting, payload);
	const [low, high] = geometry.boomRangeRad;
	const samples = Array.from({ length: steps + 1 }, (_, index): ReachSample => {
		const boomRad = index === steps ? high : low + ((high - low) * index) / steps;
		const { noseM, lensM, tailM } = cranePose({
			reach,
			pivotM: [0, 0, setting.pivotHeightM],
			swingRad: 0,
			boomRad
		});
		const hung = headSign(geometry) < 0;
		return {
			boomRad,
			lensM: [lensM[0], lensM[2]],
			lowestM: Math.min(
				noseM[2] - geometry.tubeAcrossM,
				lensM[2] - aroundLensM,
				hung ? lensM[2] - aroundLensM : Infinity
			),
			highestM: Math.max(noseM[2] + geometry.tubeAcrossM, lensM[2] + aroundLensM),
			outM: Math.max(noseM[0], lensM[0] + aroundLensM),
			tailHighM: tailM[2] + geometry.tubeAcrossM,
			tailLowM: tailM[2] - 0.3
		};
	});
	const gives = craneFlex(geometry, setting).m;
	const outM = Math.max(...samples.map((each) => each.outM));
	const tailM = geometry.rear.lengthM + 0.25;
	/** The longest run of booms, without a break, that is clear. */
	const longest = (clear: (each: ReachSample) => boolean): readonly [number, number] | null => {
		let [best, run]: [ReachSample[], ReachSample[]] = [[], []];
		for (const each of samples) {
			run = clear(each) ? [...run, each] : [];
			if (run.length > best.length) best = run;
		}
		return best.length === 0 ? null : [best[0]!.boomRad, best[best.length - 1]!.boomRad];
	};
	const rules: { readonly clearOf: (each: ReachSample) => number; readonly keepM: number }[] = [];
	const finding = (what: RoomFinding['what'], clearOf: (each: ReachSample) => number, askedM: number): RoomFinding => {
		const keepM = askedM + gives;
		rules.push({ clearOf, keepM });
		const worst = samples.reduce((least, each) => (clearOf(each) < clearOf(least) ? each : least));
		return {
			what,
			clearM: clearOf(worst),
			wantedM: keepM,
			atBoomRad: worst.boomRad,
			keep: longest((each) => clearOf(each) >= keepM)
		};
	};
	/** Over the rows the arm itself hangs lowest where they begin, when it points up. */
	const overRows = (each: ReachSample, fromM: number) =>
		Math.min(
			each.lowestM,
			setting.pivotHeightM + Math.min(fromM, each.outM) * Math.tan(each.boomRad) - geometry.tubeAcrossM
		);
	const { ceilingM, wallM, rowsFromM, headsM, lineM } = room;
	const findings = [
		finding('floor', (each) => Math.min(each.lowestM, each.tailLowM), 0.05),
		...(ceilingM === null
			? []
			: [finding('ceiling', (each) => ceilingM - Math.max(each.highestM, each.tailHighM), aroundM)]),
		...(wallM === null ? [] : [finding('wall', (each) => wallM - each.outM, aroundM)]),
		...(rowsFromM === null
			? []
			: [
					finding(
						'rows',
						// Short of the rows it passes over nobody.
						(each) =>
							each.outM < rowsFromM
								? Math.max(each.lowestM - headsM, rowsFromM - each.outM)
								: overRows(each, rowsFromM) - headsM,
						aroundM
					)
				]),
		...(lineM === null ? [] : [finding('line', (each) => lineM - Math.max(each.highestM, each.tailHighM), 10)])
	];
	return {
		samples,
		lensLowM: Math.min(...samples.map(({ lensM }) => lensM[1])),
		lensHighM: Math.max(...samples.map(({ lensM }) => lensM[1])),
		keepOutM: outM + 0.5,
		tailM,
		findings,
		keep: longest((each) => rules.every(({ clearOf, keepM }) => clearOf(each) >= keepM))
	};
}
