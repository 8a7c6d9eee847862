import { checksFor } from '../input';
import { bandCentre } from './bandCentre';
import { bandPosterior } from './bandPosterior';
import type { Observation, Tried } from './tried';

type Range = readonly [least: number, greatest: number];

export interface Nudge {
	/** Where to try next; once `done`, the middle of the holding band. */
	readonly positionM: number;
	readonly done: boolean;
	/** Between these the holding band must lie, as far as is known. */
	readonly bracketM: Range;
	/** Between these lies the lower edge of the holding band, and the upper. */
	readonly lowerEdgeM: Range;
	readonly upperEdgeM: Range;
	/** Not all observations can be true; the bracket holds every reading of them that contradicts fewest. */
	readonly contradictory: boolean;
	/** Those of the history, by their index, that are wrong together more likely than not; none while it is open which are. */
	readonly doubted: readonly number[];
	/** How likely the band's middle is within the tolerance of where it is reckoned, by the looks and what was foretold. */
	readonly sure: number;
	/** The band lies beyond this end of the slide. */
	readonly outOfTravel: 'least' | 'greatest' | null;
	/** Where the band's middle is reckoned to lie, past the travel too, with one standard deviation; null without `prior`. */
	readonly reckoned: { readonly centreM: number; readonly sigmaM: number } | null;
}

/**
 * The next position to try along one slide, from what the axis did at those tried before, and when to stop.
 *
 * Positions in metres along the slide. Friction makes a band of positions that hold; below it the axis falls to the
 * slide's negative side, above it to the positive. `rangeM` is the travel, which is never left. A look may be wrong, one in ten:
 * every middle and width of the band is weighed by all of them together (`bandPosterior`), and `done` comes when the middle of what
 * lies in the travel is known to ± `toleranceM` with nine chances in ten or a little more; then `positionM` is that middle. No one look is
 * believed for good, and which of them are doubted is said.
 * `firstStepM` is how far from the first position the middle may well be; past it the way gone about doubles while nothing changes. An
 * empty history starts at mid-travel. Throws `PhysicsInputError` for a position outside the range or steps that are not more than 0.
 *
 * Until it is done the next position is where a look tells most of the middle: the information that its three answers share with it.
 *
 * `bandM`, where the friction is known to about a quarter, is the half width of the holding band: then one edge tells where
 * the middle is.
 *
 * `prior` is where the middle is foretold, as mean and one standard deviation in metres. The next position is then that of
 * {@link bandCentre}: a look that agrees with the foretold leaves it, or draws it inside what the look admits; one that does
 * not moves on by as much as the foretold is unsure, further each time.
 *
 * @example
 * nextNudge({
 *   history: [{ positionM: 0, observation: 'falls+' }, { positionM: -0.01, observation: 'falls-' }],
 *   rangeM: [-0.05, 0.05],
 *   toleranceM: 0.001,
 *   firstStepM: 0.01
 * }).doubted; // []
 */
export function nextNudge(input: {
	readonly history: readonly Tried[];
	readonly rangeM: Range;
	readonly toleranceM: number;
	readonly firstStepM: number;
	readonly bandM?: number;
	readonly prior?: { readonly meanM: number; readonly sigmaM: number };
}): Nudge {
	const check = checksFor('nextNudge');
	const rangeM = check.range('rangeM', input.rangeM);
	const toleranceM = check.positive('toleranceM', input.toleranceM);
	const firstStepM = check.positive('firstStepM', input.firstStepM);
	if (!Array.isArray(input.history)) check.fail('history', 'must be a list of what was tried', input.history);
	input.history.forEach(({ positionM, observation }, index) => {
		const at = check.number(`history[${index}].positionM`, positionM);
		if (at < rangeM[0] || at > rangeM[1]) check.fail(`history[${index}].positionM`, 'must lie in the range', at);
		if (observation !== 'falls+' && observation !== 'falls-' && observation !== 'holds')
			check.fail(`history[${index}].observation`, "must be 'falls+', 'falls-' or 'holds'", observation);
	});

	const bandM = input.bandM === undefined ? 0 : check.atLeastZero('bandM', input.bandM);

	const reckoned =
		input.prior === undefined
			? null
			: bandCentre({
					history: input.history,
					prior: input.prior,
					fallsBeyondM: bandM * (1 - bandSlack),
					holdsWithinM: Math.max(bandM * (1 + bandSlack), toleranceM)
				});
	const known = { ...readHistory(input.history, rangeM), reckoned };
	const first = input.history[0]?.positionM ?? (rangeM[0] + rangeM[1]) / 2;
	const posterior = bandPosterior(input.history, {
		...{ rangeM, toleranceM, bandM: bandM > 0 ? bandM : null },
		centreM: input.prior?.meanM ?? first,
		scaleM: input.prior === undefined ? firstStepM : Math.max(input.prior.sigmaM, toleranceM / 2)
	});
	const { targetM, sure, beyond, doubted } = posterior;
	const outOfTravel = beyond.least > sureEnough ? 'least' : beyond.greatest > sureEnough ? 'greatest' : null;
	const said = { ...known, outOfTravel, sure, doubted } as const;
	if (outOfTravel !== null) return { ...said, positionM: outOfTravel === 'least' ? rangeM[0] : rangeM[1], done: false };
	if (input.history.length > 0 && sure > sureEnough) return { ...said, positionM: targetM, done: true };
	if (input.history.length === 0 && reckoned === null)
		return { ...said, positionM: (rangeM[0] + rangeM[1]) / 2, done: false };
	if (reckoned !== null)
		return { ...said, positionM: Math.min(rangeM[1], Math.max(rangeM[0], reckoned.centreM)), done: false };
	return { ...said, positionM: posterior.mostTellingM, done: false };
}

/** No end is believed before it is as likely as this. */
const sureEnough = 0.92;

/** A friction torque written in a gimbal's profile is good to about this share. */
const bandSlack = 0.25;

/** The best placements of the two edges among the tried positions, as stretches that hold each edge. */
function readHistory(history: readonly Tried[], rangeM: Range) {
	const positions = [...new Set(history.map(({ positionM }) => positionM))].sort((a, b) => a - b);
	const count = positions.length;
	const votes = positions.map((position) => {
		const here = history.filter(({ positionM }) => positionM === position);
		const against = (expected: Observation) => here.filter(({ observation }) => observation !== expected).length;
		return { below: against('falls-'), inside: against('holds'), above: against('falls+') };
	});
	// Lower edge after `i` positions, upper edge after `j`: before i it falls to −, between it holds, after j it falls to +.
	let fewest = Infinity;
	let best: (readonly [i: number, j: number])[] = [];
	for (let i = 0; i <= count; i += 1)
		for (let j = i; j <= count; j += 1) {
			const cost = votes.reduce(
				(sum, { below, inside, above }, k) => sum + (k < i ? below : k < j ? inside : above),
				0
			);
			if (cost < fewest) [fewest, best] = [cost, []];
			if (cost === fewest) best.push([i, j]);
		}
	const edge = (index: number) => (index < 0 ? rangeM[0] : index >= count ? rangeM[1] : (positions[index] as number));
	const stretch = (cells: readonly number[]): Range => [edge(Math.min(...cells) - 1), edge(Math.max(...cells))];
	const lowerEdgeM = stretch(best.map(([i]) => i));
	const upperEdgeM = stretch(best.map(([, j]) => j));
	return {
		bracketM: [lowerEdgeM[0], upperEdgeM[1]] as const,
		lowerEdgeM,
		upperEdgeM,
		contradictory: fewest > 0 && fewest < Infinity
	};
}
