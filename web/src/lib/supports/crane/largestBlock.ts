/** So many rows from one on, and which columns of them. */
export interface Run {
	readonly from: number;
	readonly length: number;
	readonly low: number;
	readonly high: number;
}

/** The largest block whose cells all hold; `round`: the last row is the first one's neighbour. */
export function largestBlock(holds: readonly (readonly boolean[])[], round: boolean): Run | null {
	const [count, wide] = [holds.length, holds[0]?.length ?? 0];
	/** For each column: how many rows up to this one hold without a break. */
	const run = new Array<number>(wide).fill(0);
	let best: Run | null = null;
	let most = 0;
	for (let row = 0; row < (round ? 2 * count : count); row += 1) {
		for (let column = 0; column < wide; column += 1)
			run[column] = holds[row % count]![column] ? Math.min(count, run[column]! + 1) : 0;
		for (let low = 0; low < wide; low += 1) {
			let length = Infinity;
			for (let high = low; high < wide && run[high]! > 0; high += 1) {
				length = Math.min(length, run[high]!);
				const cells = length * (high - low + 1);
				if (cells <= most) continue;
				most = cells;
				best = { from: (row + 1 - length) % count, length, low, high };
			}
		}
	}
	return best;
}
