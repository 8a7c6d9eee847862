import { degFromRad, gFromKg, mmFromM } from '@poise/core';
import { hungKg, noseU, settledOn } from './standing';
import { freshCraneState } from './state';
import { craneBuilds } from './swap';
import { plateInWords } from './slip';
import type { CraneRecord } from '$lib/supports/crane/model';
import type { UnitSystem } from '$lib/model/person';
import type { CraneBenchState, CraneRig, CraneSetting } from './model';
import type { Part } from '$lib/model/part';
import type { Payload } from '$lib/model/payload';
import { namesLeft, recordParts, type TwoUp, type TwoUpLine } from '$lib/supports/log/twoUp';

/**
 * Plates and trim for the present payload on the present crane, from a logged balance: the computed change, then to now,
 * added to the trim as it was logged; plates are whole and come from the choice. Null: one of the two cannot be worked out.
 */
export function craneThenToNow(
	record: CraneRecord,
	crane: CraneRig,
	present: Payload,
	shelf: readonly Part[]
): CraneSetting | null {
	const logged = settledOn(crane.geometry, record.setting);
	const asked = { setting: logged, noseBiasKg: record.noseBiasKg };
	const { payload, parts } = record.snapshot;
	const [then] = craneBuilds(crane, [payload as Payload], parts as readonly Part[], asked);
	const [now] = craneBuilds(crane, [present], shelf, asked);
	if (then === undefined || now === undefined) return null;
	if (JSON.stringify(then.setting) === JSON.stringify(now.setting)) return logged;
	return settledOn(crane.geometry, {
		...now.setting,
		trimU: now.setting.trimU + (logged.trimU - then.setting.trimU)
	});
}

/** The bench set up as worked out, on the ground it stood on then. */
export function craneSetUp(
	crane: CraneRig,
	bench: CraneBenchState | null,
	record: Pick<CraneRecord, 'noseBiasKg' | 'ground'>,
	setting: CraneSetting,
	words: readonly string[]
): CraneBenchState {
	const from = bench ?? { ...freshCraneState(crane.geometry), noseBiasKg: record.noseBiasKg };
	return { ...from, setting, ground: record.ground, slips: [...from.slips, words].slice(-100), choice: 0 };
}

/** Weights, trim, length and figures of two crane balances side by side, also of different cranes. */
export function twoUp(a: CraneRecord, b: CraneRecord, units: UnitSystem = 'metric'): TwoUp {
	const line = (
		label: string,
		unit: string,
		decimals: number,
		of: (record: CraneRecord) => number | null
	): TwoUpLine => ({ label, unit, decimals, a: of(a), b: of(b) });
	const kinds = [
		...new Set([...a.support.geometry.plates, ...b.support.geometry.plates].map(({ massKg }) => massKg))
	].sort((one, two) => two - one);
	const hung = (massKg: number) => (record: CraneRecord) => {
		const index = record.support.geometry.plates.findIndex((plate) => plate.massKg === massKg);
		return index === -1 ? null : (record.setting.hung[index] ?? 0);
	};
	const names = (record: CraneRecord) => recordParts(record).map(({ part }) => part.name);
	return {
		lines: [
			...kinds.map((massKg) => line(`Plates of ${plateInWords(massKg, units)}`, '', 0, hung(massKg))),
			line('Hung in all', 'g', 0, ({ support, setting }) => gFromKg(hungKg(support.geometry, setting.hung))),
			line('Trim behind the pivot', 'mm', 1, ({ setting }) => Math.round(mmFromM(-setting.trimU) * 2) / 2),
			line('On the upper line', '%', 0, ({ setting }) => setting.shareSecond * 100),
			line('Pivot to nose', 'mm', 0, ({ support, setting }) => mmFromM(noseU(support.geometry, setting))),
			line('Pivot above the floor', 'mm', 0, ({ setting }) => mmFromM(setting.pivotHeightM)),
			line('Mass under the head', 'g', 0, ({ payloadMassKg }) => gFromKg(payloadMassKg)),
			line('Nose heavy, level', 'g', 0, ({ figures }) => gFromKg(figures.noseKg)),
			line('Nose wanted', 'g', 0, ({ noseBiasKg }) => gFromKg(noseBiasKg)),
			line('Reserve against tipping', '%', 0, ({ figures }) => figures.reserve * 100),
			line('Ground slopes', '°', 1, ({ ground }) => degFromRad(ground.slopeRad)),
			line('Wind', 'm/s', 1, ({ ground }) => ground.windMPerS),
			line('Flags and sails', 'm²', 2, ({ ground }) => ground.moreAreaM2),
			line('Push', 'N', 0, ({ ground }) => ground.pushN),
			line('Ballast', 'g', 0, ({ ground }) => gFromKg(ground.ballastKg)),
			line('Slips', '', 0, ({ slips }) => slips.length)
		],
		onlyA: namesLeft(names(a), names(b)),
		onlyB: namesLeft(names(b), names(a))
	};
}
