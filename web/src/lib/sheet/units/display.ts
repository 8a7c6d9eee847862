/* eslint-disable max-lines -- one table of quantities: how each is typed, shown and read back belongs together. */
import {
	celsiusFromFahrenheit,
	degFromRad,
	fahrenheitFromCelsius,
	lbfFromN,
	lbfFtFromNm,
	lbIn2FromKgM2,
	m2FromSqFt,
	mphFromMPerS,
	mPerSFromMph,
	nFromLbf,
	nmFromLbfFt,
	nmFromOzfIn,
	ozFromKg,
	ozfInFromNm,
	sqFtFromM2,
	gFromKg,
	inFromM,
	kgFromG,
	kgFromLb,
	kgFromOz,
	lbFromKg,
	ftFromM,
	mFromCm,
	mFromFt,
	mFromIn,
	mFromMm,
	mmFromM,
	radFromDeg
} from '@poise/core';
import type { UnitSystem } from '$lib/model/person';

/** A figure and its unit, kept apart so that they can be set in different type. */
export interface Shown {
	readonly figure: string;
	readonly unit: string;
}

export const together = ({ figure, unit }: Shown): string => `${figure} ${unit}`;

/** The same words with every figure held to its unit, for large type that breaks into lines. */
export const unbroken = (words: string): string =>
	words
		// "1 × 10 kg" stays together, and so does every figure with its unit.
		.replace(/(\d) × (\d)/g, '$1\u00a0×\u00a0$2')
		.replace(/([\d½¼¾]) (mm|m|in|ft|g|kg|lb|oz|%|turns?|°|s|W|h|min)\b/g, '$1\u00a0$2');

/**
 * Words that were written down in one person's units, in another's: "back 14 mm" as "back 0.55 in". Figures in front of a unit
 * are converted, all else stays; scales that are read as printed name no unit and stay too.
 */
export function inUnits(words: string, units: UnitSystem): string {
	const [known, shown] = units === 'imperial' ? [fromMetric, toImperial] : [fromImperial, toMetric];
	const number = '(\\d+(?:\\.\\d+)?)';
	const pattern = new RegExp(
		`(?:${number}( to ))?${number}[ \u00a0](${Object.keys(known).join('|')})(?![\\w·/²³])`,
		'g'
	);
	return words.replace(pattern, (_, low: string | undefined, to: string | undefined, high: string, unit: string) => {
		const read = known[unit] ?? same;
		const told = shown(read(Number(high)), unit);
		return low === undefined ? together(told) : `${shown(read(Number(low)), unit).figure}${to}${together(told)}`;
	});
}
const fromMetric: Readonly<Record<string, (value: number) => number>> = { mm: mFromMm, kg: same, g: kgFromG, m: same };
const fromImperial: Readonly<Record<string, (value: number) => number>> = {
	in: mFromIn,
	lb: kgFromLb,
	oz: kgFromOz,
	ft: mFromFt
};
const toImperial = (si: number, unit: string): Shown =>
	unit === 'mm' ? showLength(si, 'imperial') : unit === 'm' ? showDistance(si, 'imperial') : showMass(si, 'imperial');
const toMetric = (si: number, unit: string): Shown =>
	unit === 'in' ? showLength(si, 'metric') : unit === 'ft' ? showDistance(si, 'metric') : showMass(si, 'metric');

/** Lengths as a hand can set them: whole millimetres, halves below 10; hundredths of an inch. Size only, no sign. */
export function showLength(metres: number, units: UnitSystem): Shown {
	const size = Math.abs(metres);
	// No hand reads hundredths of an inch along a yard.
	if (units === 'imperial') return { figure: plain(inFromM(size), inFromM(size) < 19.95 ? 2 : 1, true), unit: 'in' };
	const mm = mmFromM(size);
	return { figure: mm < 9.75 ? plain(Math.round(mm * 2) / 2, 1) : plain(mm, 0), unit: 'mm' };
}

/** A place or a move along what has no scale printed on it, a rail or a post: whole millimetres, as a tape is read. */
export const showPlace = (metres: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? showLength(metres, units)
		: { figure: plain(Math.round(mmFromM(Math.abs(metres))), 0), unit: 'mm' };

/** A move on a scale: halves of a millimetre all the way, so that it agrees with the readings before and after. */
export const showMove = (metres: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? showLength(metres, units)
		: { figure: plain(Math.round(mmFromM(Math.abs(metres)) * 2) / 2, 1), unit: 'mm' };

/** Masses: grams below a kilogram, else kilograms to 10 g; pounds to a hundredth, whole ones from a hundred, ounces below a tenth of one. */
export function showMass(kilograms: number, units: UnitSystem): Shown {
	if (units === 'imperial') {
		// Below a tenth of a pound a hundredth of it says too little.
		const ounces = ozFromKg(kilograms);
		return kilograms !== 0 && Math.abs(ounces) < 1.595
			? { figure: plain(ounces, 1, true), unit: 'oz' }
			: { figure: plain(lbFromKg(kilograms), Math.abs(lbFromKg(kilograms)) < 99.95 ? 2 : 0, true), unit: 'lb' };
	}
	return kilograms < 0.9995
		? { figure: plain(gFromKg(kilograms), 0), unit: 'g' }
		: { figure: plain(kilograms, 2, true), unit: 'kg' };
}

/** How far in a room: metres, or feet, to a hundredth. */
export const showDistance = (metres: number, units: UnitSystem): Shown =>
	units === 'imperial' ? { figure: ftFromM(metres).toFixed(1), unit: 'ft' } : { figure: metres.toFixed(2), unit: 'm' };

export const showShare = (share: number | null): Shown =>
	share === null
		? { figure: '–', unit: '' }
		: { figure: share > 0 && share < 0.005 ? '<1' : plain(share * 100, 0), unit: '%' };

/** An axis of a chart: its unit, and SI values as they stand along it. */
export function axisOf(
	quantity: 'length' | 'torque' | 'inertia',
	units: UnitSystem
): { readonly unit: string; readonly of: (value: number) => number } {
	const imperial = units === 'imperial';
	if (quantity === 'length') return imperial ? { unit: 'in', of: inFromM } : { unit: 'mm', of: mmFromM };
	if (quantity === 'torque') return imperial ? { unit: 'lbf·ft', of: lbfFtFromNm } : { unit: 'N·m', of: same };
	return imperial ? { unit: 'lb·in²', of: lbIn2FromKgM2 } : { unit: 'g·m²', of: gFromKg };
}

/** A thing as one or as many: "1 block battery", "2 block batteries". */
export const inNumber = (count: number, one: string): string =>
	count === 1
		? one
		: /[^aeiou]y$/.test(one)
			? `${one.slice(0, -1)}ies`
			: /(s|x|ch|sh)$/.test(one)
				? `${one}es`
				: `${one}s`;

const quarters = ['', '¼', '½', '¾'];

/** Angles to half a degree below ten, else whole; no sign. */
export function showAngle(radians: number): Shown {
	const degrees = Math.abs(degFromRad(radians));
	return { figure: degrees < 9.75 ? plain(Math.round(degrees * 2) / 2, 1) : plain(degrees, 0), unit: '°' };
}

/** Moments of inertia in g·m² or lb·in², which keeps the figures of this trade between 0.1 and a few thousand. */
export const showInertia = (kgM2: number, units: UnitSystem): string => {
	const [value, unit] = units === 'imperial' ? [lbIn2FromKgM2(kgM2), 'lb·in²'] : [kgM2 * 1000, 'g·m²'];
	return `${Number(value.toPrecision(3))} ${unit}`;
};

/** Torques to what a hand feels: whole newton metres from ten on, tenths from one, hundredths below; size only, no sign. */
export function showTorque(newtonMetres: number, units: UnitSystem): Shown {
	const size = Math.abs(newtonMetres);
	if (units === 'metric') return { figure: roughly(size), unit: 'N·m' };
	const pounds = lbfFtFromNm(size);
	return pounds >= 1
		? { figure: roughly(pounds), unit: 'lbf·ft' }
		: { figure: roughly(ozfInFromNm(size)), unit: 'ozf·in' };
}
const roughly = (size: number): string =>
	size === 0
		? '0'
		: size < 0.005
			? '<0.01'
			: size < 0.995
				? size.toFixed(2)
				: size < 9.95
					? size.toFixed(1)
					: size.toFixed(0);

export const showForce = (newtons: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? { figure: lbfFromN(newtons).toFixed(0), unit: 'lbf' }
		: { figure: newtons.toFixed(0), unit: 'N' };
export const showSpeed = (metresPerSecond: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? { figure: plain(mphFromMPerS(metresPerSecond), 1), unit: 'mph' }
		: { figure: plain(metresPerSecond, 1), unit: 'm/s' };
/** How fast a carriage goes. */
export const showSlow = (metresPerSecond: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? { figure: plain(inFromM(metresPerSecond), 1), unit: 'in/s' }
		: { figure: plain(mmFromM(metresPerSecond), 0), unit: 'mm/s' };
/** How fast an axis turns. */
export const showTurnRate = (radPerS: number): Shown => ({
	figure: plain(degFromRad(radPerS), Math.abs(radPerS) < 0.17 ? 1 : 0),
	unit: '°/s'
});
export const showArea = (squareMetres: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? { figure: sqFtFromM2(squareMetres).toFixed(1), unit: 'ft²' }
		: { figure: squareMetres.toFixed(2), unit: 'm²' };
export const showTemperature = (celsius: number, units: UnitSystem): Shown =>
	units === 'imperial'
		? { figure: fahrenheitFromCelsius(celsius).toFixed(0), unit: '°F' }
		: { figure: celsius.toFixed(0), unit: '°C' };

/** Hours and minutes: "2 h 05 min", "45 min". */
export function showDuration(seconds: number): string {
	const minutes = Math.round(seconds / 60);
	if (minutes < 60) return `${minutes} min`;
	return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

/** Turns of a knob to the nearest quarter: "3½ turns", "¼ turn"; null where it is less than a quarter. */
export function showTurns(moveM: number, knobPitchM: number): string | null {
	const count = Math.round((Math.abs(moveM) / knobPitchM) * 4);
	if (count === 0) return null;
	const whole = Math.floor(count / 4);
	return `${whole > 0 ? whole : ''}${quarters[count % 4]} ${count > 4 ? 'turns' : 'turn'}`;
}

function plain(value: number, decimals: number, keepZeros = false): string {
	const text = value.toFixed(decimals);
	return keepZeros ? text : String(Number(text));
}

/** What a field is for, and so what may be typed in it. */
export type Quantity =
	| 'length'
	| 'distance'
	| 'mass'
	| 'angle'
	| 'time'
	| 'torque'
	| 'temperature'
	| 'speed'
	/** Of a carriage: millimetres or inches a second. */
	| 'slow'
	/** Of an axis: degrees a second. */
	| 'turnRate'
	| 'area'
	| 'force'
	| 'energy'
	| 'voltage'
	| 'current'
	| 'power'
	| 'share'
	| 'count';

/** A typed figure read, or why it cannot be. */
export type Read = { readonly value: number } | { readonly problem: string };

function same(value: number): number {
	return value;
}

const perUnit: Record<Quantity, Readonly<Record<string, (value: number) => number>>> = {
	length: { mm: mFromMm, cm: mFromCm, m: (metres) => metres, in: mFromIn, '"': mFromIn },
	distance: { m: same, cm: mFromCm, mm: mFromMm, ft: mFromFt, in: mFromIn },
	mass: { g: kgFromG, kg: (kilograms) => kilograms, lb: kgFromLb, oz: kgFromOz },
	angle: { '°': radFromDeg, deg: radFromDeg, rad: same },
	time: { s: same, min: (minutes) => minutes * 60, h: (hours) => hours * 3600 },
	torque: {
		'n·m': same,
		nm: same,
		'lbf·ft': nmFromLbfFt,
		lbfft: nmFromLbfFt,
		'ozf·in': nmFromOzfIn,
		ozfin: nmFromOzfIn
	},
	slow: { 'mm/s': mFromMm, 'cm/s': mFromCm, 'm/s': same, 'in/s': mFromIn },
	turnRate: { '°/s': radFromDeg, 'deg/s': radFromDeg, 'rad/s': same },
	speed: { 'm/s': same, ms: same, 'km/h': (kmh) => kmh / 3.6, mph: mPerSFromMph },
	area: { 'm²': same, m2: same, 'ft²': m2FromSqFt, ft2: m2FromSqFt },
	force: { n: same, lbf: nFromLbf },
	temperature: { '°c': same, c: same, '°f': celsiusFromFahrenheit, f: celsiusFromFahrenheit },
	energy: { wh: same },
	voltage: { v: same },
	current: { a: same },
	power: { w: same },
	share: { '%': (percent) => percent / 100 },
	count: { '': same }
};

/** What a bare number means, and how a value is written, for quantities that are the same in both unit systems. */
const fixedUnits: Partial<
	Record<Quantity, { readonly unit: string; readonly decimals: number; readonly shown: (value: number) => number }>
> = {
	angle: { unit: '°', decimals: 1, shown: degFromRad },
	turnRate: { unit: '°/s', decimals: 1, shown: degFromRad },
	time: { unit: 's', decimals: 2, shown: same },
	energy: { unit: 'Wh', decimals: 1, shown: same },
	voltage: { unit: 'V', decimals: 2, shown: same },
	current: { unit: 'A', decimals: 2, shown: same },
	power: { unit: 'W', decimals: 1, shown: same },
	share: { unit: '%', decimals: 0, shown: (share) => share * 100 },
	count: { unit: '', decimals: 2, shown: same }
};

/** The unit a bare number is read in. */
export const fieldUnit = (quantity: Quantity, units: UnitSystem): string =>
	fixedUnits[quantity]?.unit ?? ownUnits[quantity as keyof typeof ownUnits][units];
const ownUnits = {
	length: { metric: 'mm', imperial: 'in' },
	distance: { metric: 'm', imperial: 'ft' },
	mass: { metric: 'g', imperial: 'lb' },
	temperature: { metric: '°C', imperial: '°F' },
	speed: { metric: 'm/s', imperial: 'mph' },
	slow: { metric: 'mm/s', imperial: 'in/s' },
	area: { metric: 'm²', imperial: 'ft²' },
	force: { metric: 'N', imperial: 'lbf' },
	torque: { metric: 'N·m', imperial: 'ozf·in' }
} as const;

const examples: Partial<Record<Quantity, string>> = {
	length: '14 mm or 0.55 in',
	distance: '4.2 m or 14 ft',
	mass: '660 g or 1.45 lb',
	angle: '25 or 25°',
	time: '1.4 s',
	temperature: '18 °C or 64 °F',
	speed: '5 m/s or 11 mph',
	slow: '250 mm/s or 10 in/s',
	turnRate: '40 °/s',
	area: '1.5 m² or 16 ft²',
	force: '80 N or 18 lbf',
	share: '85 %'
};

/** `14`, `14 mm`, `1.4 cm`, `1,4`, `-3`, `1 1/2 in`, `3/8 in`: read into SI, whatever the person's own units. */
export function readQuantity(text: string, quantity: Quantity, units: UnitSystem): Read {
	const typed = text.trim().toLowerCase().replace('−', '-').replace(',', '.');
	if (typed === '') return { problem: 'Type a number.' };
	const found = /^([+-]?)(?:(\d+(?:\.\d*)?|\.\d+)|(?:(\d+)\s+)?(\d+)\/(\d+))\s*([a-z"°·%/²2]*)$/.exec(typed);
	const known = perUnit[quantity];
	if (found === null)
		return {
			problem: `“${text.trim()}” is not a number. Type one like ${examples[quantity] ?? '12'}.`
		};
	const [, sign, decimal, whole, over, under, unit] = found;
	const convert = known[unit === '' || unit === undefined ? fieldUnit(quantity, units).toLowerCase() : unit];
	if (convert === undefined)
		return { problem: `“${unit}” is not a unit known here. Use ${Object.keys(known).slice(0, 4).join(', ')}.` };
	const size = decimal !== undefined ? Number(decimal) : Number(whole ?? 0) + Number(over) / Number(under);
	if (!Number.isFinite(size)) return { problem: 'That fraction divides by nothing.' };
	return { value: convert(sign === '-' ? -size : size) };
}

/** An SI value as it stands in a field: enough digits to come back the same to a tenth of a millimetre or gram; long lengths to what a tape reads. */
export function fieldText(value: number, quantity: Quantity, units: UnitSystem): string {
	const fixed = fixedUnits[quantity];
	if (fixed !== undefined) return plain(fixed.shown(value), fixed.decimals);
	if (quantity === 'length')
		return units === 'metric'
			? plain(mmFromM(value), 1)
			: plain(inFromM(value), Math.abs(inFromM(value)) < 19.95 ? 3 : 1);
	if (quantity === 'torque') return units === 'metric' ? plain(value, 3) : plain(ozfInFromNm(value), 2);
	if (quantity === 'temperature') return plain(units === 'metric' ? value : fahrenheitFromCelsius(value), 1);
	if (quantity === 'slow') return units === 'metric' ? plain(mmFromM(value), 0) : plain(inFromM(value), 1);
	if (quantity === 'speed') return plain(units === 'metric' ? value : mphFromMPerS(value), 1);
	if (quantity === 'area') return plain(units === 'metric' ? value : sqFtFromM2(value), 2);
	if (quantity === 'force') return plain(units === 'metric' ? value : lbfFromN(value), units === 'metric' ? 0 : 1);
	if (quantity === 'distance') return plain(units === 'metric' ? value : ftFromM(value), units === 'metric' ? 3 : 2);
	return units === 'metric' ? plain(gFromKg(value), 1) : plain(lbFromKg(value), 3);
}
