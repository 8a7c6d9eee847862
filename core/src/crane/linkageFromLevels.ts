import { checksFor } from '../input';
import { checkLinkage, levelLinkage, type LinkageGeometry } from './levelLinkage';

/** What the level on the nose showed at one boom: nose-up positive, with whatever the head itself is tilted by. */
export interface LevelReading {
	readonly boomRad: number;
	readonly tiltRad: number;
}

type LinkageFault = 'rod' | 'pivotUp' | 'none';

export interface LinkageFinding {
	/** The one thing that explains the readings best. */
	readonly fault: LinkageFault;
	/** Of the true linkage less the drawn, metres: rod longer, or rear pivot higher. */
	readonly byM: number;
	/** What either alone would have to be, and what it leaves unexplained (root mean square, rad). */
	readonly rod: { readonly byM: number; readonly leftRad: number };
	readonly pivotUp: { readonly byM: number; readonly leftRad: number };
	/** As drawn, with the head's own tilt taken off. */
	readonly asDrawnLeftRad: number;
	/** The two explain them alike: another reading at another boom tells them apart. */
	readonly unsure: boolean;
}

/** A pocket level or a phone is good to about this. */
const usualSigmaRad = (0.15 * Math.PI) / 180;

/**
 * What measured levels at two or three booms say is wrong with a levelling linkage: the rod too long or short, or its rear
 * pivot too high or low.
 *
 * Each candidate alone is fitted, with the head's own constant tilt free, by Gauss–Newton within a tenth of the arm. Readings
 * at two booms carry one figure, so two candidates may explain them alike, and `unsure` says so. Throws `PhysicsInputError` for
 * fewer than two readings at different booms or a linkage without sense.
 *
 * @example
 * const drawn = { armM: 2.6, linkM: 0.18, rearPivotM: [0, 0.18], rodM: 2.6 };
 * const tilt = (boomRad) => levelLinkage({ ...drawn, rodM: 2.59, boomRad: [boomRad] }).tiltErrorRad[0];
 * linkageFromLevels({ ...drawn, readings: [-0.6, 0, 0.6].map((boomRad) => ({ boomRad, tiltRad: tilt(boomRad) })) }).byM; // -0.01
 */
export function linkageFromLevels(
	input: LinkageGeometry & { readonly readings: readonly LevelReading[]; readonly sigmaRad?: number }
): LinkageFinding {
	const check = checksFor('linkageFromLevels');
	checkLinkage('linkageFromLevels', input);
	const readings = check.list('readings', input.readings);
	readings.forEach(({ boomRad, tiltRad }, index) => {
		check.number(`readings[${index}].boomRad`, boomRad);
		check.number(`readings[${index}].tiltRad`, tiltRad);
	});
	const booms = readings.map(({ boomRad }) => boomRad);
	if (Math.max(...booms) - Math.min(...booms) < 0.02) check.fail('readings', 'must be at different booms', booms);
	const sigmaRad = check.positive('sigmaRad', input.sigmaRad ?? usualSigmaRad);

	/** Root mean square of the readings less the linkage's own, with their common mean taken off. */
	const misses = (geometry: LinkageGeometry): number[] | null => {
		let errors: readonly (number | null)[];
		try {
			errors = levelLinkage({ ...geometry, boomRad: booms }).tiltErrorRad;
		} catch {
			return null;
		}
		if (errors.some((error) => error === null)) return null;
		const off = readings.map(({ tiltRad }, index) => tiltRad - errors[index]!);
		const mean = off.reduce((sum, each) => sum + each, 0) / off.length;
		return off.map((each) => each - mean);
	};
	const rms = (all: readonly number[]) => Math.sqrt(all.reduce((sum, each) => sum + each * each, 0) / all.length);
	const fit = (moved: (byM: number) => LinkageGeometry) => {
		const widest = input.armM / 10;
		let byM = 0;
		let now = misses(moved(0)) ?? readings.map(({ tiltRad }) => tiltRad);
		for (let round = 0; round < 40; round += 1) {
			const step = 1e-6;
			const [plus, minus] = [misses(moved(byM + step)), misses(moved(byM - step))];
			if (plus === null || minus === null) break;
			const slope = plus.map((each, index) => (each - minus[index]!) / (2 * step));
			const steep = slope.reduce((sum, each) => sum + each * each, 0);
			if (steep === 0) break;
			let change = -slope.reduce((sum, each, index) => sum + each * now[index]!, 0) / steep;
			let tried: number[] | null = null;
			for (let halving = 0; halving < 20; halving += 1, change /= 2) {
				if (Math.abs(byM + change) > widest) continue;
				tried = misses(moved(byM + change));
				if (tried !== null && rms(tried) <= rms(now)) break;
			}
			if (tried === null || rms(tried) > rms(now)) break;
			byM += change;
			now = tried;
			if (Math.abs(change) < 1e-12) break;
		}
		return { byM, leftRad: rms(now) };
	};
	const rod = fit((byM) => ({ ...input, rodM: input.rodM + byM }));
	const pivotUp = fit((byM) => ({ ...input, rearPivotM: [input.rearPivotM[0], input.rearPivotM[1] + byM] }));
	const asDrawnLeftRad = rms(misses(input) ?? readings.map(({ tiltRad }) => tiltRad));
	const fault = asDrawnLeftRad <= sigmaRad ? 'none' : rod.leftRad <= pivotUp.leftRad ? 'rod' : 'pivotUp';
	return {
		fault,
		byM: fault === 'none' ? 0 : fault === 'rod' ? rod.byM : pivotUp.byM,
		rod,
		pivotUp,
		asDrawnLeftRad,
		unsure: fault !== 'none' && Math.abs(rod.leftRad - pivotUp.leftRad) < sigmaRad / 2
	};
}
