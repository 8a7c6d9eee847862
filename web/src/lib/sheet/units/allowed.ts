import { degFromRad, gFromKg, mmFromM } from '@poise/core';
import { isWithin, type Limit } from '$lib/model/limits';
import { fieldUnit, type Quantity } from './display';

const minus = (text: string) => text.replace('-', '−');
const plain = (value: number) => minus(String(Number(value.toPrecision(4))));

/** A limit in metric words, small lengths in millimetres and small masses in grams. */
function told(value: number, quantity: Quantity): readonly [figure: string, unit: string] {
	const size = Math.abs(value);
	if (quantity === 'length') return size < 1 ? [plain(mmFromM(value)), 'mm'] : [plain(value), 'm'];
	if (quantity === 'mass') return size < 0.1 ? [plain(gFromKg(value)), 'g'] : [plain(value), 'kg'];
	if (quantity === 'slow') return size < 1 ? [plain(mmFromM(value)), 'mm/s'] : [plain(value), 'm/s'];
	if (quantity === 'turnRate') return [plain(Math.round(degFromRad(value))), '°/s'];
	if (quantity === 'angle') return [plain(Math.round(degFromRad(value))), '°'];
	if (quantity === 'share') return [plain(value * 100), '%'];
	return [plain(value), fieldUnit(quantity, 'metric')];
}
const joined = ([figure, unit]: readonly [string, string]) =>
	unit === '' ? figure : unit === '°' ? `${figure}°` : `${figure} ${unit}`;

/** What a figure may be, in a sentence. */
export function limitWords({ least, most, above }: Limit, quantity: Quantity): string {
	const high = told(most, quantity);
	if (least === -most) return `Within ${joined(high)}.`;
	if (above === true) return `More than ${least === 0 ? '0' : joined(told(least, quantity))}, up to ${joined(high)}.`;
	const low = told(least, quantity);
	const from = least === 0 || low[1] === high[1] ? low[0] : joined(low);
	return `Between ${from} and ${joined(high)}.`;
}

/** The check of a field from the table of limits: the same ends as the server's, in words. */
export const allowed =
	(limit: Limit, quantity: Quantity) =>
	(value: number): string | null =>
		isWithin(limit, value) ? null : limitWords(limit, quantity);
