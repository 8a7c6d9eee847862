import { type Mount, reachAxes, type Vec3 } from '@poise/core';
import { flexOf } from '$lib/model/flex';
import { standingId } from '$lib/places/clearance';
import type { VenuePlan } from '$lib/model/venue';
import type { RailSupport, Values } from '../model';
import { clamped, type SupportOfMove } from './contract';
import { baseOf, stanceCautions } from './stance';
import { lyingUnder, platformsUnder, standing } from './standing';

const along = ({ headingRad, inclineRad }: Pick<RailSupport, 'headingRad' | 'inclineRad'>): Vec3 => [
	Math.cos(inclineRad) * Math.cos(headingRad),
	Math.cos(inclineRad) * Math.sin(headingRad),
	Math.sin(inclineRad)
];
const plus = (a: Vec3, b: Vec3, share: number): Vec3 => [a[0] + share * b[0], a[1] + share * b[1], a[2] + share * b[2]];

/** Where the head is with the carriage at 0: an extension carries it further along. */
const mountOf = (rail: RailSupport): Extract<Mount, { kind: 'track' }> => ({
	kind: 'track',
	startM: plus(rail.startM, along(rail), rail.reachM),
	headingRad: rail.headingRad,
	inclineRad: rail.inclineRad,
	base: baseOf(rail.stance, rail.headingRad)
});
/** From the head down to the rail's middle line: square to the rail, towards the floor for a head that stands on it. */
function toRail(rail: RailSupport): Vec3 {
	const [h, i] = [rail.headingRad, rail.inclineRad];
	const square: Vec3 = [-Math.sin(i) * Math.cos(h), -Math.sin(i) * Math.sin(h), Math.cos(i)];
	const way = rail.stance === 'hung' ? rail.plateM : -rail.plateM;
	return [square[0] * way, square[1] * way, square[2] * way];
}
/** The rail's two ends. Its first end lies where the travel begins, less the half that the carriage needs. */
export function railEnds(rail: RailSupport): readonly [Vec3, Vec3] {
	const middle = (rail.travelM[0] + rail.travelM[1]) / 2;
	const foot = plus(rail.startM, toRail(rail), 1);
	return [plus(foot, along(rail), middle - rail.lengthM / 2), plus(foot, along(rail), middle + rail.lengthM / 2)];
}

type Tried = NonNullable<ReturnType<SupportOfMove<RailSupport>['moving']>>;
/** Half a track's width, and of its wheels; a dolly's platform, so far either way along it. */
const [gaugeM, railRadiusM, platformM] = [0.31, 0.05, 0.4] as const;

/** The two rails on their ground stand; the platform over them, and what stands on it, goes along. */
function dolly(support: RailSupport, plan: VenuePlan | null, mount: Tried['mount']): Tried {
	const [fromM, toM] = railEnds(support);
	const way = along(support);
	const across: Vec3 = [-Math.sin(support.headingRad), Math.cos(support.headingRad), 0];
	const underM = Math.min(fromM[2], toM[2]) - railRadiusM;
	const but = lyingUnder(plan, underM);
	const carriage = plus(support.startM, toRail(support), 1);
	const over = (u: number): Vec3 => {
		const [x, y, z] = plus(carriage, way, u);
		return [x, y, z + gaugeM];
	};
	return {
		mount,
		on: [],
		bodies: [
			{ id: 'dolly', on: 'base', fromM: over(-platformM), toM: over(platformM), radiusM: gaugeM, but },
			{ id: 'column', on: 'base', fromM: over(0), toM: plus(support.startM, way, support.reachM), radiusM: 0.06, but }
		],
		standing: [-gaugeM, gaugeM].map((aside, k) => ({
			...{ id: standingId('rail', k), on: 'room', radiusM: railRadiusM, but },
			...{ fromM: plus(fromM, across, aside), toM: plus(toM, across, aside) }
		}))
	};
}
/** The rail, which is tried as if it moved; the carriage and what it carries; its stands, where it lies on some. */
function slider(support: RailSupport, plan: VenuePlan | null, mount: Tried['mount']): Tried {
	const [fromM, toM] = railEnds(support);
	const way = along(support);
	const carriage = plus(support.startM, toRail(support), 1);
	const head = plus(support.startM, way, support.reachM);
	// Overhead, upright or clamped it stands on nothing that is known.
	const onStands = support.stance === 'up' && !support.clampsDown && Math.abs(support.inclineRad) < Math.PI / 3;
	const feet = onStands ? support.supportsM.map((u) => plus(fromM, way, u)) : [];
	return {
		mount,
		on: platformsUnder(plan, feet),
		bodies: [
			{ id: 'rail', on: 'room', fromM, toM, radiusM: 0.04 },
			{ id: 'carriage', on: 'base', fromM: carriage, toM: head, radiusM: 0.05 }
		],
		standing: feet.map((at, k) => standing(plan, ['stand', k], at, [at[0], at[1]], 0.03))
	};
}

/** A slider, level, inclined, upright, overhead or upside down; a dolly on its track. */
export const rail: SupportOfMove<RailSupport> = {
	words: 'Slider or dolly on a track',
	axes: ({ travelM, maxRate, maxAccel }) => ({ trackM: { range: travelM, maxRate, maxAccel } }),
	mount: mountOf,
	moving: (support, plan) => {
		const mount = mountOf(support);
		return support.what === 'dolly' ? dolly(support, plan, mount) : slider(support, plan, mount);
	},
	gives: ({ givesM, what, lengthM, supportsM, reachM }) =>
		flexOf(givesM, what === 'dolly' ? { by: 'dolly' } : { by: 'rail', lengthM, supportsM, reachM }),
	reach: (support, _from, toM) => {
		const { trackM = 0, missM = 0 } = reachAxes({ mount: mountOf(support), centreM: toM });
		const kept = clamped(trackM, support.travelM);
		const off = Math.hypot(missM, trackM - kept);
		const past = Math.abs(trackM - kept) > 1e-6;
		return {
			values: { trackM: kept },
			missM: off,
			why: off < 1e-6 ? null : past ? 'The rail ends before it.' : 'It lies off the rail.'
		};
	},
	strokes: (support, values: Partial<Values>) => {
		const [fromM, toM] = railEnds(support);
		const camera = plus(mountOf(support).startM, along(support), values.trackM ?? 0);
		const carriage = plus(plus(support.startM, toRail(support), 1), along(support), values.trackM ?? 0);
		return [
			{ as: 'rail', fromM, toM, thickM: support.what === 'dolly' ? 0.62 : 0.08 },
			{ as: 'column', fromM: carriage, toM: camera, thickM: 0.06 }
		];
	},
	placings: (support) => {
		const [fromM, toM] = railEnds(support);
		const at = (end: Vec3, other: Vec3, far: boolean) => ({
			id: far ? 'far' : 'near',
			words: far ? 'the rail’s far end' : 'the rail’s start',
			atM: end,
			// It turns about its other end; its slope stays.
			put: (to: Vec3): RailSupport => {
				const [dx, dy] = far ? [to[0] - other[0], to[1] - other[1]] : [other[0] - to[0], other[1] - to[1]];
				const upright = Math.abs(Math.abs(support.inclineRad) - Math.PI / 2) < 1e-3;
				const headingRad = Math.hypot(dx, dy) < 1e-6 || upright ? support.headingRad : Math.atan2(dy, dx);
				const turned = { ...support, headingRad };
				const [start, end2] = railEnds(turned);
				const anchor = upright ? (far ? end2 : start) : far ? start : end2;
				const to2 = upright ? to : other;
				return {
					...turned,
					startM: [
						turned.startM[0] + to2[0] - anchor[0],
						turned.startM[1] + to2[1] - anchor[1],
						turned.startM[2] + (upright ? 0 : to2[2] - anchor[2])
					]
				};
			}
		});
		const middle = fromM.map((value, axis) => (value + toM[axis]!) / 2) as unknown as Vec3;
		return [
			{
				id: 'rail',
				words: 'the whole rail',
				atM: middle,
				put: (to) => ({
					...support,
					startM: support.startM.map((value, axis) => value + to[axis]! - middle[axis]!) as unknown as Vec3
				})
			},
			at(fromM, toM, false),
			at(toM, fromM, true)
		];
	},
	cautions: (support) => [
		'A carriage moves without warning: mark its way, keep fingers off the rail.',
		...stanceCautions[support.stance],
		...(Math.abs(support.inclineRad) > 0.02
			? ['On a slope the carriage runs off by itself: lock it before you let go, and level the rail across.']
			: ['Level the rail across as well as along: a rail that leans across turns the horizon as it goes.']),
		...(support.reachM !== 0
			? ['What reaches past the carriage tips the rail: clamp it down, and weigh its other end.']
			: [])
	]
};
