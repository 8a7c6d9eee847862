import { degFromRad, mmFromM } from '@poise/core';
import type { OwnScaleSheet, OwnSettings, SettingName, Wishes } from './model';
import { settingNames } from './model';

/** Degrees to what an eye can tell: tenths below ten, whole above. */
export function degrees(radians: number): string {
	const size = Math.abs(degFromRad(radians));
	return `${size < 9.95 ? size.toFixed(1).replace(/\.0$/, '') : size.toFixed(0)}°`;
}
export const seconds = (value: number): string => `${value < 9.95 ? value.toFixed(1) : value.toFixed(0)} s`;
/** Of a frame's width: a tenth of a per cent is what an eye sees on a large screen. */
export const percent = (share: number): string => `${(share * 100).toFixed(share < 0.0995 ? 1 : 0)} %`;
export const focalWords = (focalM: number): string => `${Number(mmFromM(focalM).toFixed(1))} mm`;
/** A figure of a gimbal's own scale, as its menu shows it. */
export const ownFigure = (value: number): string => String(Number(value.toFixed(2))).replace('-', '−');

export const wishWords: Readonly<
	Record<keyof Wishes, { readonly name: string; readonly show: (value: number) => string }>
> = {
	lagRad: { name: 'behind the hand', show: degrees },
	settleS: { name: 'settles in', show: seconds },
	overshootRad: { name: 'swings past', show: degrees },
	shakeShare: { name: 'shakes on screen', show: percent }
};

/** What is to be changed on the gimbal: the menu's name and the figure, in the order of its settings. */
export function changes(scales: Readonly<Record<SettingName, OwnScaleSheet>>, now: OwnSettings, aim: OwnSettings) {
	return settingNames
		.filter((name) => now[name] !== aim[name])
		.map((name) => ({ name, menu: scales[name].name, from: ownFigure(now[name]), to: ownFigure(aim[name]) }));
}
