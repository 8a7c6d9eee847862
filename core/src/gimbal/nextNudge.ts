import { checksFor } from '../input';
import { bandCentre } from './bandCentre';
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
	/** Some observation contradicts the others; the bracket holds every reading of them that contradicts fewest. */
	readonly contradictory: boolean;
	/** The band lies beyond this end of the slide. */
	readonly outOfTravel: 'least' | 'greatest' | null;
	/** Where the band's middle is reckoned to lie, past the travel too, with one standard deviation; null without `prior`. */
	readonly reckoned: { readonly centreM: number; readonly sigmaM: number } | null;
}

/**
 * The next position to try along one slide, from what the axis did at those tried before, and when to stop.
 *
 * Positions in metres along the slide. Friction makes a band of positions that hold; below it the axis falls to the
 * slide's negative side, above it to the positive. `rangeM` is the travel, which is never left. `done` comes when both
 * edges of the band are known to ± `toleranceM`; then `positionM` is the band's middle. `firstStepM` is the
 * first move away from a position when only one side is known; the way gone doubles while nothing changes. An empty history starts
 * at mid-travel. Throws `PhysicsInputError` for a position outside the range or steps that are not more than 0.
 *
 * `bandM`, where the friction is known to about a quarter, is the half width of the holding band. Then one edge tells where
 * the middle is, every look narrows a single stretch, and `done` comes when the middle is known to ± `toleranceM`. Looks
 * that do not fit that band are treated as if it were not known.
 *
 * `prior` is where the middle is foretold, as mean and one standard deviation in metres. The next position is then that of
 * {@link bandCentre}: a look that agrees with the foretold leaves it, or draws it inside what the look admits; one that does
 * not moves on by as much as the foretold is unsure, further each time. Whether the search is done, or out of travel, hangs
 * on the looks alone.
 *
 * Every way to place the two edges between the tried positions is scored by how many observations it contradicts, and the
 * bracket is the union of the best. With consistent observations that is plain bracketing; one wrong observation costs a
 * wider bracket for a while and is outvoted by the next ones, never believed for good.
 *
 * @example
 * nextNudge({
 *   history: [{ positionM: 0, observation: 'falls+' }, { positionM: -0.01, observation: 'falls-' }],
 *   rangeM: [-0.05, 0.05],
 *   toleranceM: 0.001,
 *   firstStepM: 0.01
 * }).positionM; // -0.005
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
	const told = bandM > 0 && !known.contradictory ? withBand(input.history, bandM, toleranceM, rangeM) : null;
	if (told !== null && known.outOfTravel === null && (told.done || reckoned === null)) return { ...known, ...told };
	const { lowerEdgeM, upperEdgeM, outOfTravel } = known;
	const [lowerGap, upperGap] = [lowerEdgeM[1] - lowerEdgeM[0], upperEdgeM[1] - upperEdgeM[0]];
	if (outOfTravel !== null)
		return { ...known, positionM: outOfTravel === 'least' ? rangeM[0] : rangeM[1], done: false };
	if (input.history.length > 0 && Math.max(lowerGap, upperGap) <= 2 * toleranceM) {
		const doubtful = doubtfulEnd(known.bracketM, input.history);
		if (doubtful !== null) return { ...known, positionM: doubtful, done: false };
		return { ...known, positionM: (middle(lowerEdgeM) + middle(upperEdgeM)) / 2, done: true };
	}
	if (reckoned !== null)
		return { ...known, positionM: Math.min(rangeM[1], Math.max(rangeM[0], reckoned.centreM)), done: false };
	const probe = lowerGap >= upperGap ? lowerEdgeM : upperEdgeM;
	return { ...known, positionM: probeIn(probe, input.history, rangeM, firstStepM), done: false };
}

/** A friction torque written in a gimbal's profile is good to about this share. */
const bandSlack = 0.25;

/** With the band's half width known every look bounds its middle; null until it is bounded on both sides. */
function withBand(history: readonly Tried[], bandM: number, toleranceM: number, rangeM: Range) {
	const [narrow, wide] = [bandM * (1 - bandSlack), bandM * (1 + bandSlack)];
	let [least, greatest] = [-Infinity, Infinity];
	for (const { positionM, observation } of history) {
		if (observation !== 'falls-') greatest = Math.min(greatest, positionM + (observation === 'holds' ? wide : -narrow));
		if (observation !== 'falls+') least = Math.max(least, positionM - (observation === 'holds' ? wide : -narrow));
	}
	const width = greatest - least;
	if (!(width >= 0) || !Number.isFinite(width)) return null;
	const centre = (least + greatest) / 2;
	const inside = (positionM: number) => Math.min(rangeM[1], Math.max(rangeM[0], positionM));
	if (width <= 2 * toleranceM) return { positionM: inside(centre), done: true };
	// A wide stretch is cut in three by its middle; a narrow one in two by a look one band aside, away from the last.
	if (width > 3 * bandM) return { positionM: inside(centre), done: false };
	const last = history[history.length - 1] as Tried;
	const aside = [centre - bandM, centre + bandM].sort(
		(a, b) => Math.abs(a - last.positionM) - Math.abs(b - last.positionM)
	);
	const fresh = aside.map(inside).find((at) => history.every(({ positionM }) => Math.abs(positionM - at) > 1e-6));
	return fresh === undefined ? null : { positionM: fresh, done: false };
}

const middle = ([least, greatest]: Range) => (least + greatest) / 2;

/**
 * A bracket that closes without the axis ever having held is either a bearing without friction or one wrong look. Each of
 * its ends is looked at a second time before it is believed; null when there is no need.
 */
function doubtfulEnd(bracketM: Range, history: readonly Tried[]): number | null {
	if (history.some(({ observation }) => observation === 'holds')) return null;
	const looks = (end: number) => history.filter(({ positionM }) => positionM === end).length;
	return bracketM.find((end) => looks(end) === 1) ?? null;
}

/** Where to look inside a stretch that holds an edge: its middle, or one step in from the end that was really tried. */
function probeIn(stretch: Range, history: readonly Tried[], rangeM: Range, firstStepM: number): number {
	const tried = new Set(history.map(({ positionM }) => positionM));
	const [leastTried, greatestTried] = [tried.has(stretch[0]), tried.has(stretch[1])];
	if (leastTried === greatestTried) return middle(stretch);
	// Only one end was tried: the other is the end of the travel. The way gone doubles with each try on this side.
	const outermost = greatestTried ? Math.max(...tried) : Math.min(...tried);
	const inner = greatestTried ? stretch[1] : stretch[0];
	const gone = Math.abs(outermost - inner);
	const stepM = Math.max(firstStepM, gone);
	const wanted = greatestTried ? inner - stepM : inner + stepM;
	return Math.min(rangeM[1], Math.max(rangeM[0], wanted));
}

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
	const beyond = (cell: number, end: number) =>
		best.every(([i, j]) => i === cell && j === cell) && positions.includes(end);
	return {
		bracketM: [lowerEdgeM[0], upperEdgeM[1]] as const,
		lowerEdgeM,
		upperEdgeM,
		contradictory: fewest > 0 && fewest < Infinity,
		outOfTravel:
			count === 0
				? null
				: beyond(0, rangeM[0])
					? ('least' as const)
					: beyond(count, rangeM[1])
						? ('greatest' as const)
						: null
	};
}
