const golden = (Math.sqrt(5) - 1) / 2;
/** Past this two neighbouring numbers are left of any stretch, and none between them. */
const mostRounds = 80;

/**
 * Where a function that falls and then rises between two places is least, to within `width`: each round asks once and leaves 0.618 of the
 * stretch. With `enough` it ends at the first place where the function is no more than that.
 */
export function leastBetween(
	of: (at: number) => number,
	[from, to]: readonly [number, number],
	width: number,
	enough = -Infinity
): number {
	let [low, high] = [from, to];
	let [one, two] = [high - golden * (high - low), low + golden * (high - low)];
	let [atOne, atTwo] = [of(one), of(two)];
	for (let round = 0; round < mostRounds && high - low > width; round += 1) {
		if (atOne <= enough) return one;
		if (atTwo <= enough) return two;
		if (atOne < atTwo) {
			[high, two, atTwo] = [two, one, atOne];
			one = high - golden * (high - low);
			atOne = of(one);
		} else {
			[low, one, atOne] = [one, two, atTwo];
			two = low + golden * (high - low);
			atTwo = of(two);
		}
	}
	return (low + high) / 2;
}
