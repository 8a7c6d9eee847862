import type { Carrying } from '$lib/model/carrying';
import { placed } from './knots';
import type { DrawnCamera } from '$lib/model/drawnCamera';
import type { Head } from '$lib/model/head';
import type { ArmSupport, Knot, Move, MoveCamera, MoveSupport, RailSupport } from './model';
import { axesOf } from './path';
import { clamped } from './supports/contract';
import { limitsOf } from './figures';
import { type MovePattern, movePatterns } from './patterns';

interface Carrier {
	readonly id: string;
	readonly name: string;
	readonly carrying: Carrying;
}

/** What of the shelf a move is begun with; null: as a pattern has it. */
export interface Begun {
	readonly carrier: Carrier | null;
	readonly head: Pick<Head, 'id' | 'name' | 'head'> | null;
	readonly camera: DrawnCamera | null;
}

/** The pattern that stands as the carrier does; with a head alone, one that stands still. */
export const patternFor = ({ carrier }: Pick<Begun, 'carrier'>): MovePattern =>
	movePatterns.find(
		({ id }) => id === (carrier === null ? 'tripod' : carrier.carrying.kind === 'arm' ? 'crane' : 'slider')
	)!;

/** A fresh move on what of the shelf it is begun with. */
export function begunWith(move: Move, { carrier, head, camera }: Begun): Move {
	const headed = head === null ? move : withHead(move, head);
	const carried = carrier === null ? headed : standingOn(headed, carrier);
	return camera === null ? carried : { ...carried, camera: withPayload(carried.camera, camera) };
}

/** Turned by a head of the shelf, by its own figures. */
export const withHead = (move: Move, { id, name, head }: Pick<Head, 'id' | 'name' | 'head'>): Move => ({
	...move,
	head: { ...move.head, gearId: id, gearName: name, figures: head }
});

/** A support of the shelf where the move stands now, with its own figures. */
export function standingOn(move: Move, { id, name, carrying }: Carrier): Move {
	const was = move.support;
	const at = placeOf(was);
	const gear = { gearId: id, gearName: name };
	if (carrying.kind === 'rail') {
		const before: RailSupport | null = was.kind === 'rail' ? was : null;
		const support: RailSupport = {
			kind: 'rail',
			what: 'slider',
			givesM: carrying.givesM,
			...gear,
			startM: before?.startM ?? [at[0] - carrying.lengthM / 2, at[1], 1.1],
			headingRad: before?.headingRad ?? 0,
			inclineRad: carrying.inclineRad,
			stance: carrying.hung ? 'hung' : 'up',
			lengthM: carrying.lengthM,
			travelM: carrying.travelM,
			maxRate: carrying.drive?.maxRate ?? 0.3,
			maxAccel: carrying.drive?.maxAccel ?? 0.4,
			reachM: carrying.reachM,
			plateM: Math.max(0.02, carrying.plateM + 0.06),
			railKg: carrying.railKg,
			carriageKg: carrying.carriageKg,
			supportsM: carrying.supportsM,
			clampsDown: carrying.clampsDown,
			supportBearsN: carrying.supportBearsN,
			clampHoldsNm: carrying.clampHoldsNm,
			holdsN: carrying.holdsN
		};
		return settledOn({ ...move, support });
	}
	const before: ArmSupport | null = was.kind === 'arm' ? was : null;
	const standing = carrying.standing?.venueId === move.venueId ? carrying.standing : null;
	const support: ArmSupport = {
		kind: 'arm',
		givesM: carrying.givesM,
		...gear,
		pivotM: [
			standing?.atM[0] ?? before?.pivotM[0] ?? at[0],
			standing?.atM[1] ?? before?.pivotM[1] ?? at[1],
			carrying.pivotHeightM
		],
		headingRad: standing?.headingRad ?? before?.headingRad ?? 0,
		armM: carrying.armM,
		tailM: carrying.tailM,
		tubeM: carrying.tubeM,
		noseToCentreM: carrying.noseToCentreM,
		keptLevel: carrying.keptLevel,
		hung: carrying.hung,
		swing: {
			range: carrying.swingStops ?? [-Math.PI, Math.PI],
			maxRate: before?.swing.maxRate ?? 0.6,
			maxAccel: before?.swing.maxAccel ?? 0.5
		},
		boom: {
			range: carrying.boomRange,
			maxRate: before?.boom.maxRate ?? 0.45,
			maxAccel: before?.boom.maxAccel ?? 0.45
		},
		extension: null,
		track: null
	};
	const figures = {
		...move.head.figures,
		pan: { ...move.head.figures.pan, ...carrying.headPan },
		tilt: { ...move.head.figures.tilt, ...carrying.headTilt }
	};
	// A head of the shelf keeps its own word.
	const head = move.head.gearId === null ? { ...move.head, figures } : move.head;
	return settledOn({ ...move, support, head });
}

/** Another payload: what it weighs, and where its drawing has its lens. What was measured was another payload's. */
export const withPayload = (camera: MoveCamera, { name, massKg, lensM }: DrawnCamera): MoveCamera => ({
	...camera,
	name,
	massKg,
	lens: lensM === null ? null : { atM: lensM, from: 'drawing' }
});

/** On a pattern's support, where the move stands now. */
export function standingOnPattern(move: Move, patternId: string): Move {
	const pattern = movePatterns.find(({ id }) => id === patternId);
	if (pattern === undefined) return move;
	const [x, y] = placeOf(move.support);
	const next = settledOn({
		...move,
		support: pattern.support([x, y]),
		head: { ...move.head, kind: pattern.head.kind }
	});
	if (pattern.knots.length !== next.knots.length) return next;
	// The same number of knots: the pattern's own places, which lie in its ranges.
	return {
		...next,
		knots: next.knots.map((knot, k): Knot => ({
			...knot,
			values: { ...knot.values, ...walked(next, pattern.knots[k]![2], [x, y]) }
		}))
	};
}
const walked = (move: Move, values: Partial<Knot['values']>, [x, y]: readonly [number, number]) =>
	move.support.kind === 'walk'
		? { ...values, eastM: x + (values.eastM ?? 0), northM: y + (values.northM ?? 0) }
		: values;

function placeOf(support: MoveSupport): readonly [number, number] {
	switch (support.kind) {
		case 'fixed':
			return [support.atM[0], support.atM[1]];
		case 'rail':
			return [support.startM[0], support.startM[1]];
		case 'arm':
			return [support.pivotM[0], support.pivotM[1]];
		case 'walk':
			return [4, 3];
	}
}

/** Every knot on the axes that there are now, within what they can do. */
function settledOn(move: Move): Move {
	const ranges = limitsOf(move);
	const kind = move.head.kind === 'bar' && move.support.kind !== 'rail' ? 'motors' : move.head.kind;
	return {
		...move,
		head: { ...move.head, kind },
		ranBackwards: null,
		ticked: [],
		tickedPath: '',
		knots: move.knots.map((knot) => {
			const values = placed(move, knot.values);
			const kept = Object.fromEntries(
				axesOf(move).map((axis) => {
					const range = ranges[axis]?.range;
					const value = knot.values[axis] ?? (range === undefined ? 0 : Math.max(range[0], Math.min(range[1], 0)));
					return [axis, range === undefined ? value : clamped(value, range)];
				})
			);
			return { ...knot, values: { ...values, ...kept } };
		})
	};
}
