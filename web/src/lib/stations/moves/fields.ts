/* eslint-disable max-lines -- one row a figure of a move, by what it is a figure of. */
import type { Limit } from '$lib/model/limits';
import { headLimits } from '$lib/model/head';
import { allowed } from '$lib/sheet/units/allowed';
import type { Quantity } from '$lib/sheet/units/display';
import { axisWords } from './axes';
import { axisAt, changedKnot, movedWithRest, restedAt, timeRoom } from './knots';
import { leastLegS, moveLimits } from './limits';
import { type Axis, headAxes, type Knot, type Move } from './model';
import { lensFields } from './lensFields';
import type { MoveField } from './moveField';
import { axesOf } from './path';
import { limitsOf } from './figures';
import { pictureSign } from './supports/stance';
import { turnLabel } from '$lib/model/turns';

const field = (
	id: string,
	label: string,
	value: number,
	quantity: Quantity,
	limit: Limit,
	put: (value: number) => Move,
	printed = false
): MoveField => ({ id, label, value, quantity, check: allowed(limit, quantity), put, printed });

/** Of the knot in hand: its time, its rest, and where every axis stands. */
export function knotFields(move: Move, knot: Knot): MoveField[] {
	const [from, to] = timeRoom(move, knot.id);
	const before = move.knots[move.knots.findIndex(({ id }) => id === knot.id) - 1];
	const at = (value: number): string | null =>
		value < from - 1e-9
			? `Not before ${from} s: the knot before it and its rest come first.`
			: value > to + 1e-9
				? `Not after ${Number(to.toFixed(2))} s: the next knot comes ${leastLegS} s later at the earliest.`
				: null;
	const ranges = limitsOf(move);
	const motors = move.head.kind === 'motors' || move.head.kind === 'gimbal';
	const picture = pictureSign(move.support);
	const off = (axis: Axis) =>
		(motors && move.aim === 'subject' && (axis === 'panRad' || axis === 'tiltRad')) ||
		(move.focus === 'subject' && axis === 'focusM');
	const axes: Axis[] = [
		...axesOf(move),
		...headAxes.filter((axis) => axis !== 'rollRad' || ranges.rollRad !== undefined)
	];
	return [
		{
			id: 'knot-time',
			label: 'at',
			value: knot.tS,
			quantity: 'time',
			check: at,
			put: (tS) => changedKnot(move, knot.id, { tS })
		},
		...(before === undefined
			? []
			: [
					field(
						'knot-leg',
						`leg from ${before.name}`,
						knot.tS - before.tS - before.dwellS,
						'time',
						{ least: leastLegS, most: moveLimits.time.most, why: '' },
						(legS) => movedWithRest(move, knot.id, before.tS + before.dwellS + legS)
					)
				]),
		...lensFields(move, knot),
		field('knot-rest', 'rests for', knot.dwellS, 'time', moveLimits.dwell, (dwellS) => restedAt(move, knot.id, dwellS)),
		...axes.map((axis): MoveField => {
			const { words, quantity, limit } = axisWords[axis];
			if (off(axis)) {
				const key = axis as keyof Knot['off'];
				const bounds = axis === 'focusM' ? moveLimits.offFocus : moveLimits.turn;
				const sign = axis === 'focusM' ? 1 : picture;
				const label = turnLabel(axis) ?? words;
				return field(
					`knot-off-${axis}`,
					`${label}, off the subject`,
					sign * knot.off[key] || 0,
					quantity,
					bounds,
					(value) => changedKnot(move, knot.id, { off: { ...knot.off, [key]: sign * value } })
				);
			}
			const range = ranges[axis]?.range;
			const label = turnLabel(axis);
			// What is typed is what the camera does: up and to the left are more than 0, also on a head that is hung.
			const sign = label === null ? 1 : picture;
			const [least, most] = range === undefined ? [limit.least, limit.most] : range;
			const kept: Limit = sign === 1 ? { least, most, why: limit.why } : { least: -most, most: -least, why: limit.why };
			return field(
				`knot-${axis}`,
				label ?? words,
				sign * (knot.values[axis] ?? 0) || 0,
				quantity,
				kept,
				(value) => axisAt(move, knot.id, axis, sign * value),
				axis === 'focalM'
			);
		})
	];
}

/** Of what carries the head. */
export function supportFields(move: Move): MoveField[] {
	const { support } = move;
	const put = (next: object): Move => ({ ...move, support: { ...support, ...next } as Move['support'] });
	const place = (id: string, label: string, at: readonly [number, number, number], key: string): MoveField[] =>
		(['across', 'up the plan', 'above the floor'] as const).map((words, k) =>
			field(
				`${id}-${k}`,
				`${label} ${words}`.trim(),
				at[k]!,
				'distance',
				k === 2 ? moveLimits.height : moveLimits.place,
				(value) => put({ [key]: at.map((each, index) => (index === k ? value : each)) })
			)
		);
	const heading = (headingRad: number) =>
		field('heading', 'points to', headingRad, 'angle', moveLimits.heading, (value) => put({ headingRad: value }));
	switch (support.kind) {
		case 'fixed':
			return [...place('foot', '', support.atM, 'atM'), heading(support.headingRad)];
		case 'rail':
			return [
				...place('start', '', support.startM, 'startM'),
				heading(support.headingRad),
				field('incline', 'rises by', support.inclineRad, 'angle', moveLimits.incline, (inclineRad) =>
					put({ inclineRad })
				),
				field('length', 'rail, end to end', support.lengthM, 'distance', moveLimits.rail, (lengthM) =>
					put({ lengthM })
				),
				...([0, 1] as const).map((k): MoveField => ({
					id: `travel-${k}`,
					label: k === 0 ? 'travel from' : 'to',
					value: support.travelM[k],
					quantity: 'distance',
					check: (value) =>
						allowed(moveLimits.along, 'distance')(value) ??
						(k === 0
							? value < support.travelM[1] - 0.01
								? null
								: 'Less than where the travel ends: a rail of no length goes nowhere.'
							: value > support.travelM[0] + 0.01
								? null
								: 'More than where the travel begins: a rail of no length goes nowhere.'),
					put: (value) => put({ travelM: k === 0 ? [value, support.travelM[1]] : [support.travelM[0], value] })
				})),
				field('rail-speed', 'carriage, at most', support.maxRate, 'slow', moveLimits.speed, (maxRate) =>
					put({ maxRate })
				),
				field('rail-accel', 'gains a second', support.maxAccel, 'slow', moveLimits.accel, (maxAccel) =>
					put({ maxAccel })
				),
				field('reach', 'extension past the carriage', support.reachM, 'distance', moveLimits.reach, (reachM) =>
					put({ reachM })
				),
				field('plate', 'head off the rail', support.plateM, 'distance', moveLimits.offset, (plateM) => put({ plateM }))
			];
		case 'arm': {
			const pulled = (key: 'extension' | 'track', label: string): MoveField[] => {
				const own = support[key];
				if (own === null) return [];
				const { range } = own;
				return [
					...([0, 1] as const).map((k): MoveField => ({
						id: `${key}-${k}`,
						label: k === 0 ? `${label} from` : `${label} to`,
						value: range[k],
						quantity: 'distance',
						check: (value) =>
							allowed(moveLimits.along, 'distance')(value) ??
							((k === 0 ? value < range[1] : value > range[0]) ? null : 'The one before the other.'),
						put: (value) => put({ [key]: { ...own, range: k === 0 ? [value, range[1]] : [range[0], value] } })
					})),
					field(`${key}-speed`, `${label}, at most`, own.maxRate, 'slow', moveLimits.speed, (maxRate) =>
						put({ [key]: { ...own, maxRate } })
					),
					field(`${key}-accel`, `${label} gains a second`, own.maxAccel, 'slow', moveLimits.accel, (maxAccel) =>
						put({ [key]: { ...own, maxAccel } })
					)
				];
			};
			const axis = (key: 'swing' | 'boom', label: string): MoveField[] => [
				...([0, 1] as const).map((k): MoveField => ({
					id: `${key}-${k}`,
					label: k === 0 ? `${label} from` : `${label} to`,
					value: support[key].range[k],
					quantity: 'angle',
					check: (value) =>
						allowed(key === 'boom' ? moveLimits.incline : moveLimits.turn, 'angle')(value) ??
						((k === 0 ? value < support[key].range[1] : value > support[key].range[0])
							? null
							: 'The one before the other.'),
					put: (value) =>
						put({
							[key]: {
								...support[key],
								range: k === 0 ? [value, support[key].range[1]] : [support[key].range[0], value]
							}
						})
				})),
				field(`${key}-speed`, `${label}, at most`, support[key].maxRate, 'turnRate', moveLimits.rate, (maxRate) =>
					put({ [key]: { ...support[key], maxRate } })
				),
				field(
					`${key}-accel`,
					`${label} gains a second`,
					support[key].maxAccel,
					'turnRate',
					moveLimits.accel,
					(maxAccel) => put({ [key]: { ...support[key], maxAccel } })
				)
			];
			return [
				...place('pivot', 'pivot', support.pivotM, 'pivotM'),
				heading(support.headingRad),
				field('arm', 'arm, pivot to nose', support.armM, 'distance', moveLimits.arm, (armM) => put({ armM })),
				field('tail', 'tail', support.tailM, 'distance', moveLimits.tail, (tailM) => put({ tailM })),
				...axis('swing', 'swing'),
				...axis('boom', 'boom'),
				...pulled('extension', 'reach'),
				...pulled('track', 'track')
			];
		}
		case 'walk':
			return [
				field('walk-speed', 'pace, at most', support.maxRate, 'speed', moveLimits.speed, (maxRate) => put({ maxRate }))
			];
	}
}

/** Of what turns the camera. */
export function headFields(move: Move): MoveField[] {
	const { head } = move;
	const { figures } = head;
	const put = (next: Partial<Move['head']>): Move => ({ ...move, head: { ...head, ...next } });
	const axis = (key: 'pan' | 'tilt', label: string): MoveField[] => [
		field(`${key}-speed`, `${label}, at most`, figures[key].maxRate, 'turnRate', headLimits.rate, (maxRate) =>
			put({ figures: { ...figures, [key]: { ...figures[key], maxRate } } })
		),
		field(`${key}-accel`, `${label} gains a second`, figures[key].maxAccel, 'turnRate', headLimits.accel, (maxAccel) =>
			put({ figures: { ...figures, [key]: { ...figures[key], maxAccel } } })
		)
	];
	if (head.kind === 'ball') return [];
	if (head.kind === 'bar')
		return [
			field('crank', 'crank', head.bar.crankM, 'length', moveLimits.crank, (crankM) =>
				put({ bar: { ...head.bar, crankM } })
			),
			field('bar-distance', 'subject off the rail', head.bar.distanceM, 'distance', moveLimits.rail, (distanceM) =>
				put({ bar: { ...head.bar, distanceM } })
			)
		];
	return [
		...axis('pan', 'pan'),
		...axis('tilt', 'tilt'),
		field('follow-lag', 'its own tracking is late by', head.followLagS, 'time', moveLimits.lag, (followLagS) =>
			put({ followLagS })
		)
	];
}

/** Of camera and lens. */
export function cameraFields(move: Move): MoveField[] {
	const { camera } = move;
	const put = (next: Partial<Move['camera']>): Move => ({ ...move, camera: { ...camera, ...next } });
	return [
		field('camera-mass', 'camera and lens weigh', camera.massKg, 'mass', moveLimits.mass, (massKg) => put({ massKg })),
		field('camera-back', 'behind the axes', camera.backM, 'length', moveLimits.body, (backM) => put({ backM })),
		field('camera-front', 'before the axes', camera.frontM, 'length', moveLimits.body, (frontM) => put({ frontM })),
		field('camera-round', 'round its middle line', camera.radiusM, 'length', moveLimits.body, (radiusM) =>
			put({ radiusM })
		),
		field(
			'sensor-width',
			'sensor, across',
			camera.sensorWidthM,
			'length',
			moveLimits.sensor,
			(sensorWidthM) => put({ sensorWidthM }),
			true
		),
		field(
			'sensor-height',
			'sensor, upright',
			camera.sensorHeightM,
			'length',
			moveLimits.sensor,
			(sensorHeightM) => put({ sensorHeightM }),
			true
		),
		field('f-number', 'stop, f/', camera.fNumber, 'count', moveLimits.fNumber, (fNumber) => put({ fNumber })),
		field('closest', 'closest focus', camera.closestM, 'distance', moveLimits.closest, (closestM) => put({ closestM })),
		...([0, 1] as const).flatMap((k): MoveField[] => {
			const { zoomM } = camera;
			if (zoomM === null) return [];
			return [
				{
					id: `zoom-${k}`,
					label: k === 0 ? 'zoom from' : 'zoom to',
					value: zoomM[k],
					quantity: 'length',
					printed: true,
					check: (value) =>
						allowed(moveLimits.focal, 'length')(value) ??
						((k === 0 ? value < zoomM[1] : value > zoomM[0]) ? null : 'Wide before long.'),
					put: (value) => put({ zoomM: k === 0 ? [value, zoomM[1]] : [zoomM[0], value] })
				}
			];
		})
	];
}

/** Of the subject. */
export function subjectFields(move: Move): MoveField[] {
	const { subject } = move;
	const put = (next: Partial<Move['subject']>): Move => ({ ...move, subject: { ...subject, ...next } });
	return [
		...(['across', 'up the plan', 'above the floor'] as const).map((words, k) =>
			field(
				`subject-${k}`,
				words,
				subject.atM[k]!,
				'distance',
				k === 2 ? moveLimits.height : moveLimits.place,
				(value) =>
					put({
						atM: subject.atM.map((each, index) => (index === k ? value : each)) as unknown as Move['subject']['atM']
					})
			)
		),
		field('subject-tall', 'as tall as', subject.tallM, 'distance', moveLimits.tall, (tallM) => put({ tallM }))
	];
}
