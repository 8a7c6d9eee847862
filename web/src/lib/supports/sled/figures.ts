/* eslint-disable max-lines -- everything that is worked out from one setting, each from the one before. */
import {
	correctSled,
	cureSled,
	estimateSled,
	noSledCorrection,
	radFromDeg,
	type Sled,
	type SledCorrection,
	type SledCure,
	type SledDoubt,
	type SledEstimate,
	type SledLook,
	type SledPlane,
	sledPlanes,
	sledReport,
	type SledReport,
	type Vec3
} from '@poise/core';
import type { SledBenchState, SledGeometry, SledItem, SledSeen, SledSetting } from './model';
import { leanToleranceRad } from './advice';
import { cameraId, gimbalTravel, rangesFrom, sledOf } from './standing';

export interface MountedBody {
	readonly id: string;
	readonly body: { readonly massKg: number; readonly cgM: Vec3 };
	readonly sigmaM: Vec3;
}

/** Near enough to shoot on: half a millimetre, or what leans the post by two degrees where that is less; what a thumb can time. */
const widestBandM = 0.0005;
/** No knob is set finer. */
const finestBandM = 0.0001;
const forgivenLeanRad = radFromDeg(2);
const staticBandOf = ({ dropHeightM }: Pick<SledReport, 'dropHeightM'>): number =>
	Math.max(finestBandM, Math.min(widestBandM, dropHeightM * Math.tan(forgivenLeanRad)));
export const dropBandS = 0.15;

/** What may move to cure a spin, when a weight may be added. */
export const weightMover = 'weight';

/** How sure an item's centre is. */
const itemSigmaM = (item: SledItem): Vec3 =>
	item.sigmaM ?? [item.sizeM[0] / 20, item.sizeM[1] / 20, item.sizeM[2] / 20];

/** How wrong the drawing may be, from how sure the centres of its parts are. */
function doubtOf(geometry: SledGeometry, payload: readonly MountedBody[], sled: Sled): SledDoubt {
	const { cgM } = sledReport({ sled });
	const known = [
		...payload.map(({ body, sigmaM }) => ({ massKg: body.massKg, sigmaM, z: null })),
		...geometry.items.map((item) => ({
			massKg: item.massKg * (item.pair === true ? 2 : 1),
			sigmaM: itemSigmaM(item),
			z: item.atM[2] - cgM[2]
		}))
	];
	const root = (axis: 0 | 1 | 2) =>
		Math.max(1e-4, Math.hypot(...known.map(({ massKg, sigmaM }) => massKg * sigmaM[axis])));
	// The camera's own centre brings its product along; what is left is that of the parts on the post.
	const product = Math.hypot(...known.map(({ massKg, sigmaM, z }) => (z === null ? 0 : massKg * sigmaM[0] * z)));
	const own = 0.08 * payload.reduce((sum, { body, sigmaM }) => sum + body.massKg * sigmaM[0], 0);
	return { firstMomentKgM: [root(0), root(1), root(2)], productKgM2: Math.max(1e-4, Math.hypot(product, own)) };
}

/** Seen only as a side: about this lean, and no surer than this. */
const wayLeanRad = radFromDeg(9);
const waySigmaRad = radFromDeg(6);
const holdsSigmaRad = radFromDeg(1.5);
/** A turn counted by eye. */
const rateShare = 0.1;

const lookOf = (sled: Sled, seen: SledSeen): SledLook => {
	const { plane } = seen;
	if (seen.kind === 'way')
		return {
			kind: 'rest',
			plane,
			sled,
			leanRad: seen.way * wayLeanRad,
			sigmaRad: seen.way === 0 ? holdsSigmaRad : waySigmaRad
		};
	if (seen.kind === 'rest') return { kind: 'rest', plane, sled, leanRad: seen.leanRad, sigmaRad: seen.sigmaRad };
	if (seen.kind === 'drop') return { kind: 'drop', plane, sled, dropTimeS: seen.dropTimeS, sigmaS: seen.sigmaS };
	return {
		kind: 'spin',
		plane,
		sled,
		leanRad: seen.leanRad,
		sigmaRad: seen.sigmaRad,
		spinRadPerS: seen.spinRadPerS,
		spinSigmaRadPerS: rateShare * seen.spinRadPerS
	};
};

/** What counts of all that was seen: of this very build, nothing struck out, and nothing while the drawing is believed. */
export const countedSeen = (
	{ seen, believeDrawing }: Pick<SledBenchState, 'seen' | 'believeDrawing'>,
	payloadVersion: number
): readonly SledSeen[] =>
	believeDrawing === true ? [] : seen.filter((each) => each.payloadVersion === payloadVersion && each.struck !== true);

/** What all that was seen of this payload on this sled says it has wrong. */
export function estimateFromSeen(
	geometry: SledGeometry,
	payload: readonly MountedBody[],
	seen: readonly SledSeen[]
): SledEstimate | null {
	const latest = seen[seen.length - 1];
	if (latest === undefined) return null;
	const looks = seen.map((each) => lookOf(sledOf(geometry, each.setting, payload), each));
	const doubt = doubtOf(geometry, payload, sledOf(geometry, latest.setting, payload));
	return estimateSled({ looks, doubt, carrierId: cameraId });
}

/** Let go upright in both planes, dropped in the wanted time, spun true: each with everything as it stands now. */
interface SledSeenRight {
	readonly upright: boolean;
	readonly drop: boolean;
	readonly spin: boolean;
}

/** Seen to stand within this of upright; an eye is no better. */
const uprightRad = radFromDeg(3);
/** A spin is seen to about this at best. */
const spunTrueRad = radFromDeg(1.5);

/** The last look of each kind in each plane counts; one at another setting says nothing of this one. */
function seenRight(
	{
		setting,
		seen = [],
		dropTimeS
	}: { readonly setting: SledSetting; readonly seen?: readonly SledSeen[]; readonly dropTimeS: number },
	toleranceRad: number
): SledSeenRight {
	const here = seen.filter((each) => sameSetting(each.setting, setting));
	const last = (plane: SledPlane, ...kinds: SledSeen['kind'][]) =>
		here.findLast((each) => each.plane === plane && kinds.includes(each.kind));
	const upright = (plane: SledPlane) => {
		const look = last(plane, 'way', 'rest');
		return look?.kind === 'way' ? look.way === 0 : look?.kind === 'rest' && Math.abs(look.leanRad) <= uprightRad;
	};
	const drop = last('fore', 'drop');
	const spun = (plane: SledPlane) => {
		const look = last(plane, 'spin');
		return look?.kind === 'spin' && Math.abs(look.leanRad) <= Math.max(toleranceRad, spunTrueRad);
	};
	return {
		upright: sledPlanes.every(upright),
		drop: drop?.kind === 'drop' && Math.abs(drop.dropTimeS - dropTimeS) <= dropBandS,
		spin: sledPlanes.every(spun)
	};
}

/** Nothing on it was moved in between. */
function sameSetting(a: SledSetting, b: SledSetting): boolean {
	const same = (x: number, y: number) => Math.abs(x - y) <= 0.0003;
	return (
		same(a.gimbalM, b.gimbalM) &&
		same(a.pulledOutM, b.pulledOutM) &&
		same(a.coarseForeM + a.fineForeM, b.coarseForeM + b.fineForeM) &&
		same(a.fineSideM, b.fineSideM) &&
		JSON.stringify(a.weights) === JSON.stringify(b.weights) &&
		Object.entries(b.items).every(([id, at]) => {
			const was = a.items[id];
			return (
				was !== undefined &&
				same(was.foreM, at.foreM) &&
				same(was.sideM, at.sideM) &&
				same(was.upM, at.upM) &&
				same(was.tiltRad, at.tiltRad)
			);
		})
	);
}

/** Everything the bench shows of one setting. */
export interface SledFigures {
	readonly massKg: number;
	readonly payloadKg: number;
	/** As it truly is, as far as is known. */
	readonly sled: Sled;
	readonly report: SledReport;
	readonly toleranceRad: number;
	/** How far off counts as standing upright, either way. */
	readonly staticBandM: number;
	readonly staticGood: boolean;
	readonly dropGood: boolean;
	readonly spinGood: boolean;
	/** As computed, with what was seen reckoned in: static, drop and spin all right. */
	readonly placed: boolean;
	/** What was seen to be right with everything standing as it stands. */
	readonly seen: SledSeenRight;
	/** As computed, and seen in all three. */
	readonly poised: boolean;
	/** What was seen does not fit together: one of the looks is wrong, and with it what is reckoned. */
	readonly clash: boolean;
	/** The ways to make all of it right, best first; the last leaves everything but plate and gimbal. */
	readonly cures: readonly SledCure[];
	/** The one the slip speaks of. */
	readonly cure: SledCure;
	readonly correction: SledCorrection;
	readonly fit: 'within' | 'tooLight' | 'tooHeavy';
}

export const cureId = (cure: SledCure): string =>
	cure.kind === 'move' ? cure.id : cure.kind === 'addMass' ? `at ${cure.placeId}` : 'leave';

export function sledFigures(
	sled: { readonly geometry: SledGeometry; readonly leastPayloadKg: number; readonly greatestPayloadKg: number },
	payload: readonly MountedBody[],
	state: Pick<SledBenchState, 'setting' | 'dropTimeS' | 'shots' | 'movers' | 'cureId'> & {
		/** What counts of what was seen; absent: nothing was. */
		readonly seen?: readonly SledSeen[];
	},
	estimate: SledEstimate | null
): SledFigures {
	const { geometry } = sled;
	const { setting } = state;
	const correction = estimate?.correction ?? noSledCorrection;
	const standing = correctSled({ sled: sledOf(geometry, setting, payload), correction, carrierId: cameraId });
	const report = sledReport({ sled: standing });
	const toleranceRad = leanToleranceRad(state.shots);
	const { staticOffsetM, dropTimeS, dynamic } = report;
	const staticBandM = staticBandOf(report);
	const staticGood = Math.max(Math.abs(staticOffsetM.fore), Math.abs(staticOffsetM.side)) <= staticBandM;
	const dropGood = dropTimeS.fore !== null && Math.abs(dropTimeS.fore - state.dropTimeS) <= dropBandS;
	const spinGood = Math.max(Math.abs(dynamic.foreLeanRad), Math.abs(dynamic.sideLeanRad)) <= toleranceRad;
	const seen = seenRight(state, toleranceRad);
	const known = new Set(geometry.items.map(({ id }) => id));
	const cures = cureSled({
		sled: standing,
		dropTimeS: state.dropTimeS,
		plateId: cameraId,
		movers: state.movers.filter((id) => known.has(id)),
		places: state.movers.includes(weightMover) ? geometry.places : [],
		ranges: rangesFrom(geometry, setting),
		gimbalRangeM: gimbalTravel(geometry, setting.pulledOutM),
		toleranceRad
	});
	const leave = cures[cures.length - 1] as SledCure;
	const chosen = cures.find((each) => cureId(each) === state.cureId) ?? (cures[0] as SledCure);
	const payloadKg = payload.reduce((sum, { body }) => sum + body.massKg, 0);
	return {
		massKg: report.massKg,
		payloadKg,
		sled: standing,
		report,
		toleranceRad,
		staticBandM,
		staticGood,
		dropGood,
		spinGood,
		placed: staticGood && dropGood && spinGood,
		seen,
		poised: staticGood && dropGood && spinGood && seen.upright && seen.drop && seen.spin,
		clash: estimate?.looksClash ?? false,
		cures,
		cure: spinGood && Math.abs(leave.foreLeanRad) <= toleranceRad && state.cureId == null ? leave : chosen,
		correction,
		fit: payloadKg < sled.leastPayloadKg ? 'tooLight' : payloadKg > sled.greatestPayloadKg ? 'tooHeavy' : 'within'
	};
}

/** A setting nearest to what a hand can set: half millimetres by scale, quarter turns by knob. */
export function settable(geometry: SledGeometry, setting: SledSetting): SledSetting {
	const { foreMPerTurn, sideMPerTurn } = geometry.stage;
	const to = (value: number, step: number) => Math.round(value / step) * step;
	return {
		...setting,
		gimbalM: to(setting.gimbalM, 0.0005),
		fineForeM: to(setting.fineForeM, foreMPerTurn / 4),
		fineSideM: to(setting.fineSideM, sideMPerTurn / 4),
		items: Object.fromEntries(
			Object.entries(setting.items).map(([id, at]) => [
				id,
				{ ...at, foreM: to(at.foreM, 0.0005), sideM: to(at.sideM, 0.0005), upM: to(at.upM, 0.0005) }
			])
		)
	};
}
