import { type CounterweightChoice, movingWeight } from '@poise/core';
import type { CraneGeometry, CraneSetting } from './model';
import { choicesFor } from './figures';
import { settableTrim, targetOf } from './slip';
import { armOf, hungKg, type MountedBody, noseU, pullsOutM } from './standing';

/** One length of the arm, and what balances it. */
export interface GrownRow {
	readonly id: string;
	/** The last section that is on. */
	readonly section: string;
	readonly setting: CraneSetting;
	readonly reachM: number;
	readonly choice: CounterweightChoice;
	/** Plates and trim as they are to be set. */
	readonly target: CraneSetting;
	/** What stays at the nose with these, kg. */
	readonly leftKg: number;
	/** Where the trim alone would stand with the plates that hang now. */
	readonly trimUM: number;
	readonly trimReaches: boolean;
	/** Where the plates that hang now would stand, were they let move and the trim not; null: none hang. */
	readonly platesUM: number | null;
}

export interface Grown {
	readonly what: 'pulled' | 'sections';
	readonly rows: readonly GrownRow[];
	/** Back for every metre out, from the shortest to the longest: of the trim, and of the plates. */
	readonly trimPerM: number;
	readonly platesPerM: number | null;
	readonly trimTravelM: number;
}

const steps = 6;

/** Settings of one arm by length: pulled out step by step, or with one section more each time. */
function lengths(geometry: CraneGeometry, setting: CraneSetting, what: Grown['what']): CraneSetting[] {
	const most = pullsOutM(geometry, setting.fitted);
	if (what === 'pulled')
		return Array.from({ length: steps + 1 }, (_, index) => ({ ...setting, pulledOutM: (most * index) / steps }));
	return geometry.sections.map((_, index) => ({
		...setting,
		fitted: geometry.sections.slice(0, index + 1).map(({ id }) => id),
		pulledOutM: 0
	}));
}

/** The same arm at several lengths: plates and trim for each, and how a moving weight keeps up with it. */
export function grownArm(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	noseBiasKg: number,
	what: Grown['what']
): Grown {
	const settings = lengths(geometry, setting, what);
	const moment = (each: CraneSetting) =>
		armOf(geometry, each, payload).parts.reduce((sum, { massKg, uM }) => sum + massKg * uM, 0);
	const wantedUKgM = settings.map((each) => noseBiasKg * noseU(geometry, each));
	const plateKg = hungKg(geometry, setting.hung);
	const trim = movingWeight({
		othersUKgM: settings.map((each) => moment(each) - geometry.trim.massKg * each.trimU),
		wantedUKgM,
		// A crane without a trim weight has nothing that moves: a gram would have to go for miles.
		massKg: Math.max(geometry.trim.massKg, 0.001),
		rangeU: geometry.trim.rangeU
	});
	const plates =
		plateKg === 0
			? null
			: movingWeight({
					othersUKgM: settings.map((each) => moment(each) - plateKg * geometry.hanger.uM),
					wantedUKgM,
					massKg: plateKg,
					rangeU: [-geometry.rear.lengthM, 0]
				});
	const rows = settings.map((each, index): GrownRow => {
		const [choice] = choicesFor(geometry, each, payload, noseBiasKg, 1) as [CounterweightChoice];
		const target = targetOf(geometry, each, choice);
		const reachM = noseU(geometry, each);
		return {
			id: `${what}${index}`,
			section: geometry.sections[each.fitted.length - 1]?.label ?? '',
			setting: each,
			reachM,
			choice,
			target,
			leftKg: (moment(target) - noseBiasKg * reachM) / reachM,
			trimUM: trim.places[index]!.uM,
			trimReaches: trim.places[index]!.within,
			platesUM: plates?.places[index]?.uM ?? null
		};
	});
	const [first, last] = [rows[0]!, rows[rows.length - 1]!];
	const grows = last.reachM - first.reachM;
	const rate = (from: number, to: number) => (grows === 0 ? 0 : (from - to) / grows);
	return {
		what,
		rows,
		trimPerM: rate(first.trimUM, last.trimUM),
		platesPerM: plates === null ? null : rate(plates.places[0]!.uM, plates.places[rows.length - 1]!.uM),
		trimTravelM: trim.travelM
	};
}

/** The longest stretch of lengths that the trim follows by itself, from the first on that it reaches; null: none. */
export function trimFollows(rows: readonly GrownRow[]): readonly [GrownRow, GrownRow] | null {
	const first = rows.findIndex(({ trimReaches }) => trimReaches);
	if (first === -1) return null;
	let last = first;
	while (rows[last + 1]?.trimReaches) last += 1;
	return [rows[first]!, rows[last]!];
}

/** The setting of a row with the plates that hang and the trim that follows. */
export const withTrimOnly = (geometry: CraneGeometry, row: GrownRow): CraneSetting => ({
	...row.setting,
	trimU: settableTrim(geometry, row.trimUM)
});
