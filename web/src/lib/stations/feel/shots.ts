import { radFromDeg, type WalkSine } from '@poise/core';
import type { TurningAxis } from '$lib/model/turning';
import type { GestureKey, Shot, ShotList, Wishes } from './model';

const deg = radFromDeg;

/** What a hand does with the handle, and what it is called. */
export const gestureWords: Readonly<
	Record<
		GestureKey,
		{ readonly name: string; readonly what: string; readonly axis: TurningAxis; readonly lastsS: number }
	>
> = {
	quarterTurn: { name: 'Quarter turn', what: 'A quarter turn in 0.8 s, then stop', axis: 'pan', lastsS: 4 },
	stop: { name: 'Stop', what: 'A steady pan of 45° a second that ends at once', axis: 'pan', lastsS: 5 },
	whipPan: { name: 'Whip pan', what: '120° in a third of a second', axis: 'pan', lastsS: 3.5 },
	slowPan: { name: 'Slow pan', what: '10° a second for six seconds', axis: 'pan', lastsS: 9 },
	walk: { name: 'Walk', what: 'Walking at a good pace', axis: 'pan', lastsS: 8 },
	stairs: { name: 'Stairs', what: 'Down a flight of stairs', axis: 'pan', lastsS: 8 },
	procession: { name: 'Procession', what: 'Slow steps, as before an altar', axis: 'pan', lastsS: 8 },
	standing: { name: 'Standing', what: 'Standing still, breathing', axis: 'pan', lastsS: 8 },
	tiltDown: { name: 'Tilt down', what: '40° down in 1.2 s, then stop', axis: 'tilt', lastsS: 4.5 }
};

/**
 * What steps do to a handle: bounce, sway and heel strike, how far each moves it and how far it turns it. Amplitudes of a
 * practised walk with bent knees; a stiff one has twice of them.
 */
export const walkOf: Readonly<Record<GestureKey, readonly Required<WalkSine>[]>> = (() => {
	const steps = (bounceM: number, swayM: number, heelM: number, turnRad: number, hz = 1.8): Required<WalkSine>[] => [
		{ amplitudeM: bounceM, frequencyHz: hz, turnRad: turnRad / 2, phaseRad: 0 },
		{ amplitudeM: swayM, frequencyHz: hz / 2, turnRad, phaseRad: 1 },
		{ amplitudeM: heelM, frequencyHz: 8, turnRad: turnRad / 12, phaseRad: 2 }
	];
	const walk = steps(0.018, 0.012, 0.0012, deg(2.5));
	const still = steps(0.001, 0.0015, 0.0001, deg(0.4), 0.6);
	return {
		quarterTurn: still,
		stop: still,
		whipPan: still,
		slowPan: still,
		walk,
		stairs: steps(0.035, 0.018, 0.003, deg(4), 1.9),
		procession: steps(0.009, 0.014, 0.0005, deg(2), 1.1),
		standing: still,
		tiltDown: still
	};
})();
export const isWalk = (key: GestureKey): boolean =>
	key === 'walk' || key === 'stairs' || key === 'procession' || key === 'standing';

interface Asked {
	readonly lag?: number;
	readonly settle?: number;
	readonly overshoot?: number;
	readonly shake?: number;
}
const shot = (
	id: string,
	name: string,
	gesture: GestureKey,
	walk: GestureKey,
	panDeg: number,
	{ lag, settle, overshoot, shake }: Asked
): Shot => ({
	id,
	name,
	gesture,
	walk,
	panRadPerS: deg(panDeg),
	wanted: {
		lagRad: lag === undefined ? null : deg(lag),
		settleS: settle ?? null,
		overshootRad: overshoot === undefined ? null : deg(overshoot),
		shakeShare: shake === undefined ? null : shake / 100
	}
});

/** The shots that every crew has; their wishes are middling ones, and a crew may write its own. */
export const usualShots: readonly Shot[] = [
	shot('interview', 'Interview hold', 'standing', 'standing', 8, { settle: 3, overshoot: 1, shake: 0.4 }),
	shot('walkBehind', 'Walk behind', 'walk', 'walk', 30, { lag: 22, settle: 2, overshoot: 3, shake: 1.5 }),
	shot('procession', 'Procession', 'procession', 'procession', 12, { lag: 20, settle: 3, overshoot: 1, shake: 1 }),
	shot('whipPan', 'Whip pan', 'whipPan', 'standing', 120, { lag: 45, settle: 0.8, overshoot: 4 }),
	shot('sport', 'Sport', 'quarterTurn', 'walk', 90, { lag: 25, settle: 1, overshoot: 6, shake: 4 }),
	shot('lowPass', 'Low pass', 'slowPan', 'walk', 20, { lag: 18, settle: 2.5, overshoot: 1, shake: 1.2 }),
	shot('orbit', 'Orbit', 'stop', 'walk', 36, { lag: 12, settle: 1.5, overshoot: 2, shake: 1.5 }),
	shot('carWindow', 'Car window', 'slowPan', 'stairs', 6, { lag: 25, settle: 4, overshoot: 1, shake: 2 })
];

/** The lens that a shot's wishes for angles are meant with: 35 mm before a sensor of 36 mm. */
const meantWith = 0.035 / 0.036;

/** What a shot asks with a lens on: what may be off in the picture stays the same, so a longer lens allows less of an angle. */
export function wantedWith(
	{ wanted }: Pick<Shot, 'wanted'>,
	{ focalM, sensorWidthM }: { readonly focalM: number; readonly sensorWidthM: number }
): Wishes {
	const times = meantWith / (focalM / sensorWidthM);
	const less = (angle: number | null) => (angle === null ? null : angle * times);
	return { ...wanted, lagRad: less(wanted.lagRad), overshootRad: less(wanted.overshootRad) };
}

export const noShots: ShotList = { own: [], day: [] };
export const allShots = ({ own }: Pick<ShotList, 'own'>): readonly Shot[] => [...usualShots, ...own];
/** The shot of that id; one that was deleted meanwhile is the first of the usual ones. */
export const shotOf = (list: Pick<ShotList, 'own'>, id: string): Shot =>
	allShots(list).find((each) => each.id === id) ?? (usualShots[0] as Shot);
