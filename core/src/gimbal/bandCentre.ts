import { checksFor } from '../input';
import type { Tried } from './tried';

/** A look that says the wrong thing: about one in fifty. */
const wrongLook = 0.02;
/** The foretold follows Student's law with two degrees of freedom; this share of a standard deviation is its scale, which gives both laws the same middle half. */
const scaleShare = 0.826;

/**
 * Where the middle of a holding band lies, from where it was foretold and from what was seen since, looks oldest first.
 *
 * Positions in metres along the slide, not bounded by its travel. `fallsBeyondM` is how far at least the middle lies from
 * where the axis fell, `holdsWithinM` how far at most from where it held; both at least 0. Returns the reckoned middle and
 * one standard deviation. Throws `PhysicsInputError` for a figure that is not finite or a deviation that is not more than 0.
 *
 * The foretold counts as Student's t with ν = 2, `F(t) = ½ (1 + t/√(2 + t²))`: near its middle like a Gaussian, with tails
 * so long that looks win however wrong it was, and every further fall the same way moves on by more. A look leaves what it
 * admits and keeps a fiftieth of the rest, in case it was wrong.
 *
 * The answer is not the law's median throughout. A look that agrees with the answer so far only draws it to the nearest
 * point that the look admits: a projection on a half line or a stretch, which is never further from any truth in it. A fall
 * that the answer contradicts says that the foretold is wrong, or its band: the answer is as far out as the foretold admits
 * (two standard deviations), then twice as far each time, until something bounds it on both sides; then it is the median of
 * all that is known.
 *
 * @example
 * // Foretold at 36 mm; at 50 mm the positive side falls, as it should: the foretold stands.
 * const look = { positionM: 0.05, observation: 'falls+' };
 * bandCentre({ history: [look], prior: { meanM: 0.036, sigmaM: 0.002 }, fallsBeyondM: 0.001, holdsWithinM: 0.002 }).centreM; // 0.036
 */
export function bandCentre(input: {
	readonly history: readonly Tried[];
	readonly prior: { readonly meanM: number; readonly sigmaM: number };
	readonly fallsBeyondM: number;
	readonly holdsWithinM: number;
}): { readonly centreM: number; readonly sigmaM: number } {
	const check = checksFor('bandCentre');
	const { history } = input;
	const prior = {
		meanM: check.number('prior.meanM', input.prior.meanM),
		sigmaM: check.positive('prior.sigmaM', input.prior.sigmaM)
	};
	const fallsBeyondM = check.atLeastZero('fallsBeyondM', input.fallsBeyondM);
	const holdsWithinM = check.atLeastZero('holdsWithinM', input.holdsWithinM);
	history.forEach(({ positionM }, index) => check.number(`history[${index}].positionM`, positionM));
	const admitted = history.map((tried) => admits(tried, fallsBeyondM, holdsWithinM));
	let centreM = prior.meanM;
	history.forEach(({ positionM, observation }, index) => {
		const [least, greatest] = admitted[index] as Stretch;
		const agrees =
			observation === 'holds'
				? centreM >= least && centreM <= greatest
				: // A fall within the band that is believed about the answer says that one of the two is wrong.
					observation === 'falls+'
					? centreM <= positionM - fallsBeyondM
					: centreM >= positionM + fallsBeyondM;
		if (agrees) centreM = Math.min(greatest, Math.max(least, centreM));
		else
			centreM =
				stepOut(history.slice(0, index + 1), prior) ?? quantile(piecesOf(admitted.slice(0, index + 1), prior), 0.5);
	});
	const pieces = piecesOf(admitted, prior);
	return { centreM, sigmaM: (quantile(pieces, 0.84) - quantile(pieces, 0.16)) / 2 };
}

/** What a foretold place admits: so many of its standard deviations to either side. */
const admitsSigmas = 2;

/**
 * Every look fell to one side, and the last against what was reckoned: as far as the foretold admits to the other side, and where it has fallen
 * there too, twice as far each time. Null: something bounds it on both sides, and the law says where between.
 */
function stepOut(history: readonly Tried[], { meanM, sigmaM }: { meanM: number; sigmaM: number }): number | null {
	const side = history[history.length - 1]!.observation;
	if (side === 'holds' || history.some(({ observation }) => observation !== side)) return null;
	const to = side === 'falls+' ? -1 : 1;
	const gone = Math.max(0, ...history.map(({ positionM }) => to * (positionM - meanM)));
	const first = admitsSigmas * sigmaM;
	return meanM + to * (gone < first / 2 ? first : 2 * gone);
}

type Stretch = readonly [least: number, greatest: number];

/** Where the middle may lie after a look. */
function admits({ positionM, observation }: Tried, fallsBeyondM: number, holdsWithinM: number): Stretch {
	if (observation === 'holds') return [positionM - holdsWithinM, positionM + holdsWithinM];
	return observation === 'falls+' ? [-Infinity, positionM - fallsBeyondM] : [positionM + fallsBeyondM, Infinity];
}

interface Piece {
	readonly from: number;
	readonly to: number;
	readonly weight: number;
	readonly prior: { readonly meanM: number; readonly scaleM: number };
}

/** Between the ends of what looks admit the law is the foretold one, times a constant. */
function piecesOf(admitted: readonly Stretch[], { meanM, sigmaM }: { meanM: number; sigmaM: number }): Piece[] {
	const prior = { meanM, scaleM: sigmaM * scaleShare };
	const ends = [...new Set(admitted.flat().filter(Number.isFinite))].sort((a, b) => a - b);
	const all = [-Infinity, ...ends, Infinity];
	return all.slice(1).map((to, index) => {
		const from = all[index] as number;
		const inside = ([least, greatest]: Stretch) => least <= from && to <= greatest;
		const believed = admitted.reduce((share, each) => share * (inside(each) ? 1 - wrongLook : wrongLook), 1);
		return { from, to, prior, weight: believed * (below(prior, to) - below(prior, from)) };
	});
}

const below = ({ meanM, scaleM }: Piece['prior'], at: number): number => {
	const t = (at - meanM) / scaleM;
	return Number.isFinite(t) ? (1 + t / Math.sqrt(2 + t * t)) / 2 : t > 0 ? 1 : 0;
};
const above = ({ meanM, scaleM }: Piece['prior'], share: number): number => {
	const twice = 2 * share - 1;
	return meanM + scaleM * twice * Math.sqrt(2 / (1 - twice * twice));
};

function quantile(pieces: readonly Piece[], share: number): number {
	let wanted = share * pieces.reduce((sum, { weight }) => sum + weight, 0);
	for (const { from, to, weight, prior } of pieces) {
		if (wanted > weight) {
			wanted -= weight;
			continue;
		}
		const [start, end] = [below(prior, from), below(prior, to)];
		const at = above(prior, start + (end - start) * (weight > 0 ? wanted / weight : 0.5));
		return Math.min(to, Math.max(from, at));
	}
	return pieces[pieces.length - 1]?.from ?? 0;
}
