import type { SledRecord } from '$lib/supports/sled/model';
import type { Part } from '$lib/model/part';
import type { Payload } from '$lib/model/payload';
import type { SledBenchState, SledRig, SledSetting } from './model';
import { carriedOver, sledBuilds } from './swap';
import { settledOn, itemAt } from './standing';
import { freshSledState } from './state';
import { degFromRad, gFromKg, mmFromM } from '@poise/core';
import { namesLeft, recordParts, type TwoUp, type TwoUpLine } from '$lib/supports/log/twoUp';

/**
 * Where everything goes for the present payload on the present sled, from a logged balance: the change of the computed
 * balance, then to now, added to what was logged. Null: one of the two cannot be worked out.
 */
export function sledThenToNow(
	record: SledRecord,
	sled: SledRig,
	present: Payload,
	shelf: readonly Part[],
	wishes: Pick<SledBenchState, 'shots' | 'movers'>
): SledSetting | null {
	const logged = settledOn(sled.geometry, record.setting);
	const asked = { dropTimeS: record.dropTimeS, setting: logged, ...wishes };
	const [then] = sledBuilds(
		sled,
		[record.snapshot.payload as Payload],
		record.snapshot.parts as readonly Part[],
		asked
	);
	const [now] = sledBuilds(sled, [present], shelf, asked);
	return then === undefined || now === undefined ? null : carriedOver(sled, logged, then, now);
}

/** The bench set up as worked out, what was seen there before kept. */
export const benchSetUp = (
	sled: SledRig,
	bench: SledBenchState | null,
	record: Pick<SledRecord, 'dropTimeS'>,
	setting: SledSetting,
	words: readonly string[]
): SledBenchState => {
	const from = bench ?? { ...freshSledState(sled), dropTimeS: record.dropTimeS };
	return {
		...from,
		setting,
		slips: words.length === 0 ? from.slips : [...from.slips, words].slice(-100),
		cureId: null
	};
};

/** Settings and figures of two sled balances side by side, also of different sleds. */
export function twoUp(a: SledRecord, b: SledRecord): TwoUp {
	const mm = (label: string, of: (record: SledRecord) => number | null): TwoUpLine => {
		const read = (record: SledRecord) => {
			const value = of(record);
			return value === null ? null : Math.round(mmFromM(value) * 2) / 2;
		};
		return { label, unit: 'mm', decimals: 1, a: read(a), b: read(b) };
	};
	const figure = (
		label: string,
		unit: string,
		decimals: number,
		of: (record: SledRecord) => number | null
	): TwoUpLine => ({ label, unit, decimals, a: of(a), b: of(b) });
	const items = new Map([...a.support.geometry.items, ...b.support.geometry.items].map(({ id, label }) => [id, label]));
	const ways = [
		['foreM', 'forward'],
		['sideM', 'left'],
		['upM', 'up']
	] as const;
	const slides = [...items].flatMap(([id, label]) =>
		ways.flatMap(([field, words]) => {
			const has = ({ support }: SledRecord) =>
				support.geometry.items.some((item) => item.id === id && item[field] !== null);
			if (!has(a) && !has(b)) return [];
			return [mm(`${label}, ${words}`, (record) => (has(record) ? itemAt(record.setting, id)[field] : null))];
		})
	);
	const names = (record: SledRecord) => recordParts(record).map(({ part }) => part.name);
	return {
		lines: [
			mm('Plate, forward', ({ setting }) => setting.coarseForeM + setting.fineForeM),
			mm('Plate, left', ({ setting }) => setting.fineSideM),
			mm('Gimbal above the foot', ({ setting }) => setting.gimbalM),
			mm('Post pulled out', ({ setting }) => setting.pulledOutM),
			...slides,
			figure('Mass on the plate', 'g', 0, ({ payloadMassKg }) => gFromKg(payloadMassKg)),
			figure('Mass on the gimbal', 'g', 0, ({ figures }) => gFromKg(figures.massKg)),
			figure('Drop time', 's', 2, ({ figures }) => figures.dropForeS),
			figure('Spin leans, fore-aft', '°', 2, ({ figures }) => degFromRad(figures.foreLeanRad)),
			figure('Spin leans, side', '°', 2, ({ figures }) => degFromRad(figures.sideLeanRad)),
			figure('Pan inertia', 'g·m²', 0, ({ figures }) => figures.panInertiaKgM2 * 1000),
			figure('Slips', '', 0, ({ slips }) => slips.length)
		],
		onlyA: namesLeft(names(a), names(b)),
		onlyB: namesLeft(names(b), names(a))
	};
}
