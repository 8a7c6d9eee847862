import { degFromRad, mmFromM, mFromMm, radFromDeg, stickRate, zoomRate } from '@poise/core';
import { isWithin } from '$lib/model/limits';
import { feelLimits, most } from './limits';
import type { StickSetting } from './model';

export const freshStick: StickSetting = {
	deadZone: 0.08,
	expo: 0.6,
	maxRateRadPerS: radFromDeg(60),
	widthsPerS: 0.4,
	focalsM: [0.018, 0.024, 0.035, 0.05, 0.085, 0.135],
	gripRatio: 1,
	gripAxes: { pan: true, tilt: true, roll: false },
	gripRecentre: 'A long press of the grip’s button while the head looks ahead.'
};

/** How fast a deflection turns the head with a lens on, rad/s: the curve up to what the lens allows. */
export function stickAt(
	{ deadZone, expo, maxRateRadPerS, widthsPerS }: StickSetting,
	deflection: number,
	lens: { readonly focalM: number; readonly sensorWidthM: number }
): number {
	const { rateRadPerS: top } = zoomRate({ maxRateRadPerS, widthsPerS, ...lens });
	return stickRate({ deflection, deadZone, expo, maxRateRadPerS: top }).rateRadPerS;
}

/** The top speed for every lens in the bag. */
export const topSpeeds = ({ focalsM, maxRateRadPerS, widthsPerS }: StickSetting, sensorWidthM: number) =>
	focalsM.map((focalM) => {
		const { rateRadPerS } = zoomRate({ maxRateRadPerS, widthsPerS, focalM, sensorWidthM });
		return { focalM, rateRadPerS, byPicture: rateRadPerS < maxRateRadPerS };
	});

/** The shape that is written into files, so that a later one can read an older. */
const shape = 1;

const rounded = (value: number, digits = 6) => Number(value.toFixed(digits));

/** As JSON for other programs: names with their units. */
export const stickToJson = (stick: StickSetting): string =>
	JSON.stringify(
		{
			what: 'stick',
			shape,
			deadZone: rounded(stick.deadZone),
			curve: rounded(stick.expo),
			topDegPerS: rounded(degFromRad(stick.maxRateRadPerS)),
			pictureWidthsPerS: rounded(stick.widthsPerS),
			focalMm: stick.focalsM.map((focal) => rounded(mmFromM(focal), 3)),
			gripRatio: rounded(stick.gripRatio),
			gripAxes: stick.gripAxes,
			gripRecentre: stick.gripRecentre
		},
		null,
		'\t'
	);

const csvText = (text: string) => `"${text.replaceAll('"', '""')}"`;
/** As a table of name and value, one a line. */
export const stickToCsv = (stick: StickSetting): string =>
	[
		'name,value',
		`shape,${shape}`,
		`deadZone,${rounded(stick.deadZone)}`,
		`curve,${rounded(stick.expo)}`,
		`topDegPerS,${rounded(degFromRad(stick.maxRateRadPerS))}`,
		`pictureWidthsPerS,${rounded(stick.widthsPerS)}`,
		`focalMm,${stick.focalsM.map((focal) => rounded(mmFromM(focal), 3)).join(' ')}`,
		`gripRatio,${rounded(stick.gripRatio)}`,
		`gripAxes,${(['pan', 'tilt', 'roll'] as const).filter((axis) => stick.gripAxes[axis]).join(' ')}`,
		`gripRecentre,${csvText(stick.gripRecentre)}`
	].join('\r\n') + '\r\n';

/** A file read back: JSON or CSV as written above. What cannot be taken is said in words, and nothing is changed. */
export function stickFrom(text: string): { readonly stick: StickSetting } | { readonly problem: string } {
	const told = text.trimStart().startsWith('{') ? fromJson(text) : fromCsv(text);
	if (typeof told === 'string') return { problem: told };
	if (Number(told.shape) !== shape)
		return { problem: 'This file was not written as a stick of Poise, or by a newer one.' };
	const figure = (name: string): number => (told[name] === undefined || told[name] === '' ? NaN : Number(told[name]));
	const list = (value: unknown): unknown[] =>
		Array.isArray(value)
			? value
			: String(value ?? '')
					.split(' ')
					.filter((each) => each !== '');
	const focalsM = list(told.focalMm).map((each) => mFromMm(Number(each)));
	const axes = told.gripAxes;
	const on = (axis: string) =>
		typeof axes === 'object' && axes !== null
			? (axes as Record<string, unknown>)[axis] === true
			: list(axes).includes(axis);
	const stick: StickSetting = {
		deadZone: figure('deadZone'),
		expo: figure('curve'),
		maxRateRadPerS: radFromDeg(figure('topDegPerS')),
		widthsPerS: figure('pictureWidthsPerS'),
		focalsM,
		gripRatio: figure('gripRatio'),
		gripAxes: { pan: on('pan'), tilt: on('tilt'), roll: on('roll') },
		gripRecentre: String(told.gripRecentre ?? '').slice(0, 300)
	};
	const wrong = [
		isWithin(feelLimits.deadZone, stick.deadZone) ? '' : 'the dead zone',
		isWithin(feelLimits.expo, stick.expo) ? '' : 'the curve',
		isWithin(feelLimits.rate, stick.maxRateRadPerS) ? '' : 'the top speed',
		isWithin(feelLimits.widthsPerS, stick.widthsPerS) ? '' : 'the picture’s speed',
		focalsM.length >= 1 && focalsM.length <= most.focals && focalsM.every((focal) => isWithin(feelLimits.focal, focal))
			? ''
			: 'the focal lengths',
		isWithin(feelLimits.gripRatio, stick.gripRatio) ? '' : 'the grip’s ratio'
	].filter((each) => each !== '');
	return wrong.length === 0
		? { stick }
		: { problem: `This file was not taken: ${wrong.join(', ')} cannot be read or lie out of range.` };
}
type Told = Record<string, unknown>;
function fromJson(text: string): Told | string {
	try {
		return JSON.parse(text) as Told;
	} catch {
		return 'This file is no readable JSON.';
	}
}
function fromCsv(text: string): Told | string {
	const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
	if (lines[0]?.trim() !== 'name,value') return 'This file is neither JSON nor a table that begins with “name,value”.';
	return Object.fromEntries(
		lines.slice(1, 40).map((line) => {
			const at = line.indexOf(',');
			const value = line.slice(at + 1);
			const quoted = /^"([\s\S]*)"$/.exec(value);
			return [line.slice(0, at), quoted === null ? value : (quoted[1] as string).replaceAll('""', '"')];
		})
	);
}
