import type { PlateCount } from './plateStacks';

interface FewestInput {
	readonly aroundKg: number;
	readonly withinKg: number;
	readonly most: number;
	readonly mostSteps?: number;
}

/**
 * The `most` stacks of fewest plates whose mass is within `withinKg` of `aroundKg`, of equally many the nearest: fewer where there are no
 * more. Null where it takes more than `mostSteps`, which says nothing of whether there are any.
 *
 * For 0, 1, 2 … plates: kinds are taken heaviest first, and a branch ends where the plates still to hang weigh too much even if they
 * are the lightest left, or too little even if they are the heaviest. With two kinds left both equations are at hand, how many and how
 * heavy, so that one division tells the only counts there can be. Fewer plates are exhausted before more are tried: the first found are
 * of the fewest there are.
 */
export function fewestWithin(
	given: readonly PlateCount[],
	{ aroundKg, withinKg, most, mostSteps = Infinity }: FewestInput
): readonly (readonly number[])[] | null {
	const kinds = given
		.map((kind, at) => ({ ...kind, at }))
		.filter(({ count }) => count > 0)
		.sort((a, b) => b.massKg - a.massKg);
	const many = kinds.map((_, k) => kinds.slice(k).reduce((sum, { count }) => sum + count, 0));
	const counts = kinds.map(() => 0);
	const found: { readonly counts: readonly number[]; readonly plates: number; readonly offKg: number }[] = [];
	let steps = 0;

	/** The mass of `plates` of the kinds from `k` on, heaviest or lightest first. */
	const heaviest = (k: number, plates: number): number => {
		let [massKg, left] = [0, plates];
		for (let at = k; left > 0 && at < kinds.length; at += 1) {
			const hung = Math.min(left, kinds[at]!.count);
			massKg += hung * kinds[at]!.massKg;
			left -= hung;
		}
		return massKg;
	};
	const lightest = (k: number, plates: number): number => {
		let [massKg, left] = [0, plates];
		for (let at = kinds.length - 1; left > 0 && at >= k; at -= 1) {
			const hung = Math.min(left, kinds[at]!.count);
			massKg += hung * kinds[at]!.massKg;
			left -= hung;
		}
		return massKg;
	};
	const keep = () => {
		const massKg = kinds.reduce((sum, kind, k) => sum + counts[k]! * kind.massKg, 0);
		const offKg = Math.abs(massKg - aroundKg);
		if (offKg > withinKg) return;
		const inPlace = given.map(() => 0);
		kinds.forEach(({ at }, k) => (inPlace[at] = counts[k]!));
		found.push({ counts: inPlace, plates: counts.reduce((sum, count) => sum + count, 0), offKg });
	};
	/** Hangs `plates` of the kinds from `k` on, `wantedKg` of them; false: too many steps. */
	const hang = (k: number, plates: number, wantedKg: number): boolean => {
		steps += 1;
		if (steps > mostSteps) return false;
		const here = kinds[k]!;
		if (k === kinds.length - 1) {
			if (plates <= here.count) {
				counts[k] = plates;
				keep();
			}
			return true;
		}
		let [from, to] = [Math.max(0, plates - many[k + 1]!), Math.min(plates, here.count)];
		if (k === kinds.length - 2) {
			const apart = here.massKg - kinds[k + 1]!.massKg;
			if (apart > 0) {
				const middle = (wantedKg - plates * kinds[k + 1]!.massKg) / apart;
				// A hair wider than the window: what is just outside is left out by its own sum.
				const half = withinKg / apart + 1e-6;
				[from, to] = [Math.max(from, Math.ceil(middle - half)), Math.min(to, Math.floor(middle + half))];
			}
		}
		for (let hung = to; hung >= from; hung -= 1) {
			const [left, restKg] = [plates - hung, wantedKg - hung * here.massKg];
			// Fewer of this kind only makes what is left lighter than what is wanted of it.
			if (heaviest(k + 1, left) < restKg - withinKg) break;
			if (lightest(k + 1, left) > restKg + withinKg) continue;
			counts[k] = hung;
			if (!hang(k + 1, left, restKg)) return false;
		}
		counts[k] = 0;
		return true;
	};
	if (kinds.length === 0) return Math.abs(aroundKg) <= withinKg ? [given.map(() => 0)] : [];
	for (let plates = 0; plates <= many[0]! && found.length < most; plates += 1) {
		if (heaviest(0, plates) < aroundKg - withinKg) continue;
		if (lightest(0, plates) > aroundKg + withinKg) break;
		if (!hang(0, plates, aroundKg)) return null;
	}
	return found
		.sort((a, b) => a.plates - b.plates || a.offKg - b.offKg)
		.slice(0, most)
		.map((stack) => stack.counts);
}
