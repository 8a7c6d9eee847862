import { checksFor } from '../input';

/**
 * What a charge indicator's lit steps say: share of the charge, and seconds left.
 *
 * `fromShares` are the shares at which each step comes on, rising, the first at least 0, each less than 1 (four even steps:
 * 0, 0.25, 0.5, 0.75); `lit` is how many are on, 0 to all of them. `fullRunTimeS` is the run time from full to empty,
 * `marginShare` the charge left unused. Throws `PhysicsInputError` for steps that do not rise or a count that is not whole.
 *
 * With `lit` steps on, the charge lies between where the last lit one came on and where the next would; `seconds` is the
 * stretch of run time down to the margin, its least end first.
 *
 * @example
 * chargeFromIndicator({ fromShares: [0, 0.25, 0.5, 0.75], lit: 2, fullRunTimeS: 6000, marginShare: 0.1 }).seconds[0]; // 900
 */
export function chargeFromIndicator(input: {
	readonly fromShares: readonly number[];
	readonly lit: number;
	readonly fullRunTimeS: number;
	readonly marginShare: number;
}): { readonly shares: readonly [number, number]; readonly seconds: readonly [number, number] } {
	const check = checksFor('chargeFromIndicator');
	const fromShares = check.list('fromShares', input.fromShares);
	fromShares.forEach((share, index) => {
		const before = fromShares[index - 1] ?? -Infinity;
		check.atLeastZero(`fromShares[${index}]`, share);
		if (share >= 1) check.fail(`fromShares[${index}]`, 'must be less than 1', share);
		if (share <= before) check.fail(`fromShares[${index}]`, 'must be more than the step before it', share);
	});
	const lit = check.atLeastZero('lit', input.lit);
	if (!Number.isInteger(lit) || lit > fromShares.length)
		check.fail('lit', `must be a whole number up to ${fromShares.length}`, lit);
	const fullRunTimeS = check.positive('fullRunTimeS', input.fullRunTimeS);
	const marginShare = check.atLeastZero('marginShare', input.marginShare);
	const least = lit === 0 ? 0 : (fromShares[lit - 1] as number);
	const greatest = lit === fromShares.length ? 1 : (fromShares[lit] as number);
	const left = (share: number) => Math.max(0, share - marginShare) * fullRunTimeS;
	return { shares: [least, greatest], seconds: [left(least), left(greatest)] };
}
