import { degFromRad, mmFromM } from '@poise/core';
import type { RecipeDetail, SettingName } from './model';
import { settingNames } from './model';

/** One thing that is otherwise than in a recipe, and why it is, where that can be told. */
export interface Difference {
	readonly what: string;
	readonly then: string;
	readonly today: string;
	readonly why: string | null;
}

const whole = (value: number) => String(Math.round(value * 10) / 10).replace('-', '−');
const focal = (metres: number) => `${whole(mmFromM(metres))} mm`;

/**
 * What differs between a recipe and how things stand today, the settings first; on another gimbal they mean something else and are
 * left out.
 */
export function differences(then: RecipeDetail, today: RecipeDetail, sameGimbal = true): Difference[] {
	const lens =
		Math.abs(today.focalM / then.focalM - 1) > 0.02
			? today.focalM > then.focalM
				? 'the lens is longer'
				: 'the lens is shorter'
			: null;
	const load =
		Math.abs(today.inertiaKgM2 / then.inertiaKgM2 - 1) > 0.03
			? today.inertiaKgM2 > then.inertiaKgM2
				? 'the payload is harder to turn'
				: 'the payload is easier to turn'
			: null;
	const shot = then.shotId === today.shotId ? null : 'the shot is another';
	const why = (name: SettingName) => (name === 'stiffness' ? (load ?? shot ?? lens) : (shot ?? lens ?? load));
	const found: Difference[] = (sameGimbal ? settingNames : []).flatMap((name) => {
		const [a, b] = [then.settings[then.axis][name], today.settings[then.axis][name]];
		return a === b ? [] : [{ what: today.names[name], then: whole(a), today: whole(b), why: why(name) }];
	});
	const also = (what: string, a: string, b: string) => {
		if (a !== b) found.push({ what, then: a, today: b, why: null });
	};
	also('Mode', then.modeName, today.modeName);
	also('Lens', focal(then.focalM), focal(today.focalM));
	also('Shot', then.shotName, today.shotName);
	also('Posture', then.posture, today.posture);
	also('People', String(then.people), String(today.people));
	also('Lag', `${whole(degFromRad(then.figures.lagRad))}°`, `${whole(degFromRad(today.figures.lagRad))}°`);
	also('Shake', `${whole(then.figures.shakeShare * 100)} %`, `${whole(today.figures.shakeShare * 100)} %`);
	return found;
}

/** The differences of settings as one sentence: "follow 35 → 42, because the lens is longer". */
export function differenceWords(found: readonly Difference[]): string {
	if (found.length === 0) return 'Nothing differs from today';
	return found
		.slice(0, 4)
		.map(
			({ what, then, today, why }) =>
				`${what.toLowerCase()} ${then} → ${today}${why === null ? '' : `, because ${why}`}`
		)
		.join('; ');
}
