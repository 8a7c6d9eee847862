import { checksFor } from '../input';

export type OwnScaleLaw = 'linear' | 'log';

/** A scale of a gimbal's own, 0 to 100 say, in a real unit: two settings and what is between them. */
export interface OwnScale {
	readonly law: OwnScaleLaw;
	readonly least: { readonly setting: number; readonly value: number };
	readonly greatest: { readonly setting: number; readonly value: number };
}

/** The ends of a scale, checked; the values in the order of the settings. */
function read(call: string, { law, least, greatest }: OwnScale) {
	const check = checksFor(call);
	if (law !== 'linear' && law !== 'log') check.fail('scale.law', 'must be linear or log', law);
	const from = check.number('scale.least.setting', least.setting);
	const to = check.number('scale.greatest.setting', greatest.setting);
	if (from === to) check.fail('scale.greatest.setting', 'must not be the least setting', to);
	const low = check.atLeastZero('scale.least.value', least.value);
	const high = check.atLeastZero('scale.greatest.value', greatest.value);
	if (law === 'log') {
		check.positive('scale.least.value', low);
		check.positive('scale.greatest.value', high);
	}
	return { check, from, to, low, high };
}

/**
 * The real value at a setting of a scale, in the unit of its ends. Beyond the ends the law goes on; a linear one never
 * below 0. Throws `PhysicsInputError` for ends at one setting, values below 0, or 0 under the logarithmic law.
 *
 * @example
 * valueAt({ scale: { law: 'linear', least: { setting: 0, value: 0 }, greatest: { setting: 100, value: 0.5 } }, setting: 30 }).value; // 0.15
 */
export function valueAt(input: { readonly scale: OwnScale; readonly setting: number }): { readonly value: number } {
	const { check, from, to, low, high } = read('valueAt', input.scale);
	const share = (check.number('setting', input.setting) - from) / (to - from);
	return {
		value: input.scale.law === 'linear' ? Math.max(0, low + (high - low) * share) : low ** (1 - share) * high ** share
	};
}

/**
 * The setting of a scale that has a real value: the inverse of {@link valueAt}. Kept to the ends of the scale, `within` false
 * where the value lies beyond them; a scale whose ends have one value says its least setting. Throws as {@link valueAt} does, and for a
 * value below 0.
 *
 * @example
 * settingFor({ scale: { law: 'log', least: { setting: 0, value: 1 }, greatest: { setting: 100, value: 9 } }, value: 3 }).setting; // 50
 */
export function settingFor(input: { readonly scale: OwnScale; readonly value: number }): {
	readonly setting: number;
	readonly within: boolean;
} {
	const { check, from, to, low, high } = read('settingFor', input.scale);
	const value = check.atLeastZero('value', input.value);
	if (low === high) return { setting: from, within: value === low };
	const share =
		input.scale.law === 'linear'
			? (value - low) / (high - low)
			: value === 0
				? low < high
					? -Infinity
					: Infinity
				: Math.log(value / low) / Math.log(high / low);
	const slack = 1e-9;
	const kept = Math.min(1, Math.max(0, share));
	return { setting: from + (to - from) * kept, within: share >= -slack && share <= 1 + slack };
}
