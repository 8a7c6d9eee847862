import { type Mount, reachAxes, type Vec3 } from '@poise/core';
import { flexOf } from '$lib/model/flex';
import { standingId } from '$lib/places/clearance';
import type { ArmSupport, Values } from '../model';
import { apart, clamped, type Reached, type SupportOfMove } from './contract';
import { groundUnder, lyingUnder, platformsUnder } from './standing';

type CraneMount = Extract<Mount, { kind: 'crane' }>;
const mountOf = (arm: ArmSupport): CraneMount => ({
	kind: 'crane',
	pivotM: arm.pivotM,
	headingRad: arm.headingRad,
	armM: arm.armM,
	noseToCentreM: arm.noseToCentreM,
	keptLevel: arm.keptLevel,
	headBase: { headingRad: 0, tiltRad: 0, rollRad: arm.hung ? Math.PI : 0 },
	...(arm.track === null ? {} : { track: { headingRad: arm.track.headingRad, inclineRad: 0 } })
});
const alongTrack = ({ track }: ArmSupport): Vec3 =>
	track === null ? [0, 0, 0] : [Math.cos(track.headingRad), Math.sin(track.headingRad), 0];
const pivotAt = (arm: ArmSupport, trackM: number): Vec3 => {
	const way = alongTrack(arm);
	return [arm.pivotM[0] + way[0] * trackM, arm.pivotM[1] + way[1] * trackM, arm.pivotM[2]];
};
const inArm = (arm: ArmSupport, { swingRad = 0, boomRad = 0 }: Partial<Values>): Vec3 => {
	const heading = arm.headingRad + swingRad;
	return [Math.cos(boomRad) * Math.cos(heading), Math.cos(boomRad) * Math.sin(heading), Math.sin(boomRad)];
};
const along = (from: Vec3, way: Vec3, u: number): Vec3 => [
	from[0] + u * way[0],
	from[1] + u * way[1],
	from[2] + u * way[2]
];

/** Where the head comes to at these places. */
function centreAt(arm: ArmSupport, values: Partial<Values>): Vec3 {
	const pivot = pivotAt(arm, values.trackM ?? 0);
	const heading = arm.headingRad + (values.swingRad ?? 0);
	const boom = values.boomRad ?? 0;
	const reach = arm.armM + (values.extensionM ?? 0);
	const [forward, up] = arm.noseToCentreM;
	const [cb, sb] = [Math.cos(boom), Math.sin(boom)];
	const [out, rise] = arm.keptLevel
		? [reach * cb + forward, reach * sb + up]
		: [(reach + forward) * cb - up * sb, (reach + forward) * sb + up * cb];
	return [pivot[0] + out * Math.cos(heading), pivot[1] + out * Math.sin(heading), pivot[2] + rise];
}

/** An angle as near to another as whole turns bring it. */
const near = (angle: number, to: number) => angle + 2 * Math.PI * Math.round((to - angle) / (2 * Math.PI));

function reachFrom(arm: ArmSupport, from: Partial<Values>, toM: Vec3, trackM: number): Reached {
	const pivotM = pivotAt(arm, trackM);
	const there = reachAxes({ mount: { ...mountOf(arm), pivotM }, centreM: toM });
	const swing = near(there.swingRad ?? 0, from.swingRad ?? 0);
	const values = {
		swingRad: clamped(swing, arm.swing.range),
		boomRad: clamped(there.boomRad ?? 0, arm.boom.range),
		...(arm.extension === null ? {} : { extensionM: clamped(there.extensionM ?? 0, arm.extension.range) }),
		...(arm.track === null ? {} : { trackM })
	};
	const missM = apart(centreAt(arm, values), toM);
	const why =
		missM < 1e-4
			? null
			: Math.abs(swing - values.swingRad) > 1e-6
				? 'The swing stops before it.'
				: Math.abs((there.boomRad ?? 0) - values.boomRad) > 1e-6
					? 'The boom ends before it.'
					: (there.extensionM ?? 0) > (values.extensionM ?? 0)
						? 'The arm is too short.'
						: 'The arm is too long for it.';
	return { values, missM, why };
}

const columnM = 0.08;
/** Half the width of a base's track, and how far it goes on past the travel. */
const [gaugeM, pastM] = [0.45, 0.6] as const;
/** Its two rails, on their ground; none: it stands. */
function strokesOfTrack(arm: ArmSupport, groundM: number): readonly (readonly [Vec3, Vec3])[] {
	const { track } = arm;
	if (track === null) return [];
	const way = alongTrack(arm);
	return [-gaugeM, gaugeM].map((aside) => {
		const foot: Vec3 = [arm.pivotM[0] - aside * way[1], arm.pivotM[1] + aside * way[0], groundM + 0.05];
		return [along(foot, way, track.range[0] - pastM), along(foot, way, track.range[1] + pastM)];
	});
}

/** A crane, a jib, a telescopic arm on a track. */
export const arm: SupportOfMove<ArmSupport> = {
	words: 'Crane, jib or telescopic arm',
	axes: ({ track, swing, boom, extension }) => ({
		...(track === null ? {} : { trackM: track }),
		swingRad: swing,
		boomRad: boom,
		...(extension === null ? {} : { extensionM: extension })
	}),
	mount: mountOf,
	moving: (support, plan) => {
		const [x, y, z] = support.pivotM;
		const groundM = groundUnder(plan, support.pivotM, z);
		const but = lyingUnder(plan, groundM);
		const tracks = strokesOfTrack(support, groundM);
		const column = { fromM: [x, y, groundM + columnM] as Vec3, toM: support.pivotM, radiusM: columnM, but };
		return {
			mount: mountOf(support),
			on: platformsUnder(plan, [support.pivotM]),
			bodies: [
				{ id: 'arm', on: 'arm', tailM: support.tailM, radiusM: support.tubeM / 2 },
				{ id: 'head', on: 'head', radiusM: 0.12 },
				...(support.track === null ? [] : [{ id: 'column', on: 'base' as const, ...column }])
			],
			standing: [
				...(support.track === null ? [{ id: standingId('column'), on: 'room' as const, ...column }] : []),
				...tracks.map(([fromM, toM], k) => ({
					id: standingId('rail', k),
					on: 'room' as const,
					fromM,
					toM,
					radiusM: 0.05,
					but
				}))
			]
		};
	},
	gives: ({ givesM, armM, extension, noseToCentreM }) =>
		flexOf(givesM, {
			by: 'arm',
			reachM: armM + Math.max(0, extension?.range[1] ?? 0) + Math.max(0, noseToCentreM[0])
		}),
	reach: (support, from, toM) => {
		const stays = from.trackM ?? 0;
		const byArm = reachFrom(support, from, toM, stays);
		if (byArm.missM < 1e-4 || support.track === null) return byArm;
		// What the arm cannot do, the track may.
		const way = alongTrack(support);
		const short = centreAt(support, { ...from, ...byArm.values });
		const more = (toM[0] - short[0]) * way[0] + (toM[1] - short[1]) * way[1];
		const both = reachFrom(support, from, toM, clamped(stays + more, support.track.range));
		return both.missM < byArm.missM ? both : byArm;
	},
	reachByBase: (support, from, toM) => {
		if (support.track === null) return null;
		const way = alongTrack(support);
		const here = centreAt(support, from);
		const wanted = (from.trackM ?? 0) + (toM[0] - here[0]) * way[0] + (toM[1] - here[1]) * way[1];
		const trackM = clamped(wanted, support.track.range);
		const missM = apart(centreAt(support, { ...from, trackM }), toM);
		return {
			values: { trackM },
			missM,
			why: missM < 1e-4 ? null : trackM === wanted ? 'It lies off the track.' : 'The track ends before it.'
		};
	},
	strokes: (support, values) => {
		const pivot = pivotAt(support, values.trackM ?? 0);
		const way = inArm(support, values);
		const nose = along(pivot, way, support.armM + (values.extensionM ?? 0));
		const track = support.track;
		return [
			...(track === null
				? []
				: [
						{
							as: 'rail' as const,
							fromM: along([support.pivotM[0], support.pivotM[1], 0], alongTrack(support), track.range[0] - pastM),
							toM: along([support.pivotM[0], support.pivotM[1], 0], alongTrack(support), track.range[1] + pastM),
							thickM: 2 * gaugeM
						}
					]),
			{ as: 'column', fromM: [pivot[0], pivot[1], 0], toM: pivot, thickM: 2 * columnM },
			{ as: 'tail', fromM: along(pivot, way, -support.tailM), toM: pivot, thickM: support.tubeM * 1.6 },
			{ as: 'arm', fromM: pivot, toM: nose, thickM: support.tubeM },
			{ as: 'column', fromM: nose, toM: centreAt(support, values), thickM: 0.06 }
		];
	},
	placings: (support) => [
		{
			id: 'pivot',
			words: 'the base',
			atM: [support.pivotM[0], support.pivotM[1], support.pivotM[2]],
			put: (to) => ({ ...support, pivotM: to })
		}
	],
	cautions: ({ track }) => [
		'Nobody under the arm or behind its tail while it moves; a spotter at the tail.',
		'An arm whips when its load comes off: weights off first, someone holding.',
		...(track === null ? [] : ['A base on a track tips sideways with the arm across it: keep to its maker’s reach.'])
	]
};
