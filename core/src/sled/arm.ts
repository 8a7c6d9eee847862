import { checksFor } from '../input';

/** A lift setting that was found right for a load. */
export interface LiftPoint {
	readonly loadKg: number;
	/** Turns, marks or whatever the section's own adjustment counts. */
	readonly setting: number;
}

export interface ArmSection {
	readonly id: string;
	/** What this section lifts beside the sled: the sections beyond it, gimbal, fittings. */
	readonly beyondKg: number;
	readonly points: readonly [LiftPoint, LiftPoint];
}

export interface ArmLift {
	/** Where the load lies in the arm's range: 0 at its least, 1 at its greatest. */
	readonly share: number;
	readonly fits: 'within' | 'tooLight' | 'tooHeavy';
	readonly sections: readonly {
		readonly id: string;
		readonly liftedKg: number;
		readonly setting: number;
		/** The load lies outside the two known points, by so much of their distance; 0: between them. */
		readonly beyondPoints: number;
	}[];
}

/**
 * Lift settings of an arm's sections for a load, each from two settings known to be right.
 *
 * `loadKg` hangs on the arm (sled and gimbal); `rangeKg` is what its maker allows. A point's load is what hung on the arm
 * then, as `loadKg` is. With every section's own setting right, each stands level and they share the lift. Throws
 * `PhysicsInputError` for loads that are not positive, a range the wrong way round, or two points at one load.
 *
 * Straight line through the two points: a spring's lift is linear in its preload.
 *
 * @example
 * armLift({ loadKg: 12, rangeKg: [8, 18], sections: [
 *   { id: 'lower', beyondKg: 0.8, points: [{ loadKg: 10, setting: 6 }, { loadKg: 14, setting: 14 }] }] }).sections[0].setting; // 10
 */
export function armLift(input: {
	readonly loadKg: number;
	readonly rangeKg: readonly [number, number];
	readonly sections: readonly ArmSection[];
}): ArmLift {
	const check = checksFor('armLift');
	const loadKg = check.positive('loadKg', input.loadKg);
	const [least, greatest] = check.range('rangeKg', input.rangeKg);
	if (least === greatest) check.fail('rangeKg', 'must have some width', input.rangeKg);
	const sections = check.list('sections', input.sections).map(({ id, beyondKg, points }, index) => {
		const at = (which: 0 | 1) => ({
			loadKg: check.positive(`sections[${index}].points[${which}].loadKg`, points[which].loadKg),
			setting: check.number(`sections[${index}].points[${which}].setting`, points[which].setting)
		});
		const [a, b] = [at(0), at(1)];
		if (a.loadKg === b.loadKg)
			check.fail(`sections[${index}].points[1].loadKg`, 'must be another load than the first', b.loadKg);
		const along = (loadKg - a.loadKg) / (b.loadKg - a.loadKg);
		return {
			id,
			liftedKg: loadKg + check.atLeastZero(`sections[${index}].beyondKg`, beyondKg),
			setting: a.setting + along * (b.setting - a.setting),
			beyondPoints: Math.max(0, -along, along - 1)
		};
	});
	return {
		share: (loadKg - least) / (greatest - least),
		fits: loadKg < least ? 'tooLight' : loadKg > greatest ? 'tooHeavy' : 'within',
		sections
	};
}

/** Where a worn rig wanders when the hand lets it float: seen by the operator, arm at rest before the hip. */
export type Drift = 'away' | 'into' | 'left' | 'right' | 'stays';

export interface SocketSetup {
	/** The side of the vest the arm hangs on. */
	readonly armSide: 'right' | 'left';
	/** Worn turned about: the gimbal is carried behind or the block is mounted mirrored, so both screws work the other way. */
	readonly reversed: boolean;
}

export interface SocketTurn {
	readonly screw: 'inOut' | 'side' | null;
	/** Which way the arm's post must lean at the top: towards or away from the body, or to a side as the operator sees it. */
	readonly leanPost: 'back' | 'forward' | 'left' | 'right' | null;
	/** Whether that is more threads showing or fewer. */
	readonly threads: 'more' | 'fewer' | null;
}

/**
 * Which of the socket block's two screws cures a drift, and which way.
 *
 * A gimbal floats downhill: the arm's post leans the way it wanders, so the post's top must lean the other way. The `inOut` screw
 * leans it in the plane from the body outwards, more threads leaning it **back** to the body on a right-sided arm; the `side`
 * screw leans it across, more threads leaning it **left**. A left-sided block is the mirror image: its side screw works the other
 * way; a reversed one works the other way in both.
 *
 * @example
 * socketTurn({ drift: 'stays', setup: { armSide: 'right', reversed: false } }).screw === null ? 1 : 0; // 1
 */
export function socketTurn(input: { readonly drift: Drift; readonly setup: SocketSetup }): SocketTurn {
	const { drift, setup } = input;
	if (drift === 'stays') return { screw: null, leanPost: null, threads: null };
	const screw = drift === 'away' || drift === 'into' ? 'inOut' : 'side';
	const leanPost = ({ away: 'back', into: 'forward', left: 'right', right: 'left' } as const)[drift];
	const straight = leanPost === 'back' || leanPost === 'left';
	const mirrored = (screw === 'side' && setup.armSide === 'left') !== setup.reversed;
	return { screw, leanPost, threads: straight !== mirrored ? 'more' : 'fewer' };
}
