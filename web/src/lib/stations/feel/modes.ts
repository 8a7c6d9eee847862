import { type TurningAxis, turningAxes } from '$lib/model/turning';
import type { AxisDoes, Mode, ModeKind } from './model';

type Does = Readonly<Record<TurningAxis, AxisDoes>>;
const does = (pan: AxisDoes, tilt: AxisDoes, roll: AxisDoes): Does => ({ pan, tilt, roll });

/** Every kind of mode: what the axes do in it, and what it is good for. */
export const modeKindWords: Readonly<
	Record<ModeKind, { readonly name: string; readonly does: Does; readonly goodFor: string }>
> = {
	holds: {
		name: 'Everything holds',
		does: does('holds', 'holds', 'holds'),
		goodFor: 'Keeps pointing one way while you walk past, slide or rise'
	},
	panFollows: {
		name: 'Pan follows',
		does: does('follows', 'holds', 'holds'),
		goodFor: 'Walking with people, interviews, most of a day'
	},
	panTiltFollow: {
		name: 'Pan and tilt follow',
		does: does('follows', 'follows', 'holds'),
		goodFor: 'Stairs, somebody who sits down, looking up at a building'
	},
	allFollow: {
		name: 'All three follow',
		does: does('follows', 'follows', 'follows'),
		goodFor: 'Leaning into a turn; the horizon goes with the hand'
	},
	rollSpinsUpright: {
		name: 'Roll spins, handle upright',
		does: does('holds', 'holds', 'spins'),
		goodFor: 'A slow turn of the picture round its middle'
	},
	rollSpinsForward: {
		name: 'Roll spins, handle laid forward',
		does: does('holds', 'holds', 'spins'),
		goodFor: 'A full turn of the picture, the handle pointing where the lens does'
	},
	facesOperator: {
		name: 'Turns to face the operator',
		does: does('turns', 'follows', 'holds'),
		goodFor: 'Speaking into your own camera'
	},
	portrait: {
		name: 'Upright picture',
		does: does('follows', 'holds', 'turns'),
		goodFor: 'Portrait format; take it with the handle level and in no other way'
	},
	sport: {
		name: 'Fast follow',
		does: does('follows', 'follows', 'holds'),
		goodFor: 'Sport and whip pans: nothing is smoothed away'
	},
	motionLapse: {
		name: 'Motion time-lapse',
		does: does('turns', 'turns', 'holds'),
		goodFor: 'From one pose to another in an hour, on a stand'
	}
};

export const doesWords: Readonly<Record<AxisDoes, string>> = {
	follows: 'follows the hand',
	holds: 'keeps where it points',
	spins: 'spins while told to',
	turns: 'is turned by the gimbal'
};

const need: Partial<Record<ModeKind, readonly TurningAxis[]>> = {
	panFollows: ['pan'],
	panTiltFollow: ['pan', 'tilt'],
	allFollow: ['pan', 'tilt', 'roll'],
	rollSpinsUpright: ['roll', 'pan'],
	rollSpinsForward: ['roll', 'pan'],
	facesOperator: ['pan'],
	portrait: ['roll'],
	sport: ['pan', 'tilt'],
	motionLapse: ['pan']
};

/** Why a gimbal with these motors has no such mode, in words for the field; null: it may. */
export function whyNoMode(kind: ModeKind, motors: readonly TurningAxis[]): string | null {
	const missing = (need[kind] ?? []).filter((axis) => !motors.includes(axis));
	if (missing.length === 0) return null;
	const spins = kind === 'rollSpinsUpright' || kind === 'rollSpinsForward';
	return `This gimbal has no ${missing.join(' and no ')} motor, so it cannot ${spins ? 'spin' : 'do this'}. Take another mode.`;
}

interface Reach {
	readonly kind: ModeKind;
	readonly control: string;
	readonly presses: number;
	readonly held?: boolean;
	readonly from?: ModeKind;
}
interface ModePattern {
	readonly key: string;
	readonly words: string;
	readonly reaches: readonly Reach[];
	readonly starts: ModeKind;
	readonly resets: string;
	readonly byHand: string;
	readonly calibration: string;
	readonly stick: string;
	readonly wheel: string;
}
const button = 'the mode button';
const pullIt = 'Pull the camera there with a finger, keep it a second, let go: it keeps that angle.';

/** Patterns to start from. Every word of them can be changed: no two makers agree. */
export const modePatterns: readonly ModePattern[] = [
	{
		key: 'oneButton',
		words: 'One button, one to five presses',
		reaches: [
			{ kind: 'panFollows', control: button, presses: 1 },
			{ kind: 'panTiltFollow', control: button, presses: 2 },
			{ kind: 'allFollow', control: button, presses: 3 },
			{ kind: 'facesOperator', control: button, presses: 4 },
			{ kind: 'rollSpinsUpright', control: button, presses: 5 },
			{ kind: 'holds', control: button, presses: 1, held: true }
		],
		starts: 'panFollows',
		resets: 'Switching off; a long press of the stick levels it and turns it ahead.',
		byHand: pullIt,
		calibration:
			'Stand it on something firm, level, motors warm; press the button three times and hold, hands off until it beeps.',
		stick: 'pan and tilt',
		wheel: 'focus'
	},
	{
		key: 'twoButtons',
		words: 'A trigger and a mode button',
		reaches: [
			{ kind: 'holds', control: 'the trigger', presses: 1, held: true },
			{ kind: 'sport', control: 'the trigger', presses: 2, held: true },
			{ kind: 'facesOperator', control: 'the trigger', presses: 3 },
			{ kind: 'panFollows', control: button, presses: 1 },
			{ kind: 'panTiltFollow', control: button, presses: 2 },
			{ kind: 'allFollow', control: button, presses: 3 },
			{ kind: 'portrait', control: button, presses: 4 },
			{ kind: 'rollSpinsForward', control: button, presses: 1, held: true, from: 'allFollow' }
		],
		starts: 'panFollows',
		resets: 'Two presses of the trigger let go of; switching off.',
		byHand: pullIt,
		calibration: 'On a table, level, hands off: hold both for three seconds and wait for the beep.',
		stick: 'pan and tilt',
		wheel: 'roll, or focus when a motor is fitted'
	},
	{
		key: 'touchScreen',
		words: 'A touch screen',
		reaches: [
			{ kind: 'holds', control: '“hold” on the screen', presses: 0 },
			{ kind: 'panFollows', control: '“pan” on the screen', presses: 0 },
			{ kind: 'panTiltFollow', control: '“pan + tilt” on the screen', presses: 0 },
			{ kind: 'allFollow', control: '“all” on the screen', presses: 0 },
			{ kind: 'sport', control: '“fast” on the screen', presses: 0 },
			{ kind: 'rollSpinsForward', control: '“spin” on the screen', presses: 0 },
			{ kind: 'portrait', control: '“upright” on the screen', presses: 0 },
			{ kind: 'motionLapse', control: '“time-lapse” on the screen', presses: 0 }
		],
		starts: 'panFollows',
		resets: 'The arrow that points back on the screen.',
		byHand: pullIt,
		calibration: 'Menu, then “level”: on something firm, hands off until the bar is full.',
		stick: 'pan and tilt',
		wheel: 'focus'
	}
];

/** The modes of a pattern that a gimbal with these motors can have. */
export function modesOf({ reaches, stick, wheel }: ModePattern, motors: readonly TurningAxis[]): Mode[] {
	const possible = reaches.filter(({ kind }) => whyNoMode(kind, motors) === null);
	// A mode of a pattern is called by its kind, so that it is the same one before it was ever saved.
	const has = (kind: ModeKind) => possible.some((each) => each.kind === kind);
	return possible.map(({ kind, control, presses, held = false, from }) => ({
		id: kind,
		kind,
		...modeKindWords[kind],
		control,
		presses,
		held,
		fromId: from === undefined || !has(from) ? null : from,
		stick: kind === 'rollSpinsUpright' || kind === 'rollSpinsForward' ? 'left and right: which way it spins' : stick,
		wheel
	}));
}

const times = ['', 'once', 'twice', 'three times', 'four times', 'five times'];

/** The last step to a mode: "Press the mode button twice", "Hold the trigger". */
export function reachWords({ control, presses, held }: Pick<Mode, 'control' | 'presses' | 'held'>): string {
	if (presses === 0) return `Choose ${control}`;
	if (!held) return `Press ${control} ${times[presses] ?? `${presses} times`}`;
	return presses === 1 ? `Hold ${control}` : `Press ${control} ${times[presses]} and keep the last one down`;
}

/**
 * Every step from the mode it is in to another, in the order in which they are done; empty when it is there already, null
 * when no way leads there. A mode that lasts while something is held is left by letting go.
 */
export function wayTo(modes: readonly Mode[], from: Mode | null, to: Mode): string[] | null {
	if (from?.id === to.id) return [];
	const steps: string[] = [];
	const seen = new Set<string>();
	let at: Mode = to;
	for (;;) {
		steps.unshift(reachWords(at));
		if (at.fromId === null || at.fromId === from?.id) break;
		const before = modes.find(({ id }) => id === at.fromId);
		if (before === undefined || seen.has(before.id)) return null;
		seen.add(at.id);
		at = before;
	}
	return from?.held === true ? [`Let go of ${from.control}`, ...steps] : steps;
}

/** The same as one sentence. */
export function wayWords(modes: readonly Mode[], from: Mode | null, to: Mode): string {
	const way = wayTo(modes, from, to);
	if (way === null) return 'No way leads there: say on its line from which mode it is reached.';
	if (way.length === 0) return 'It is in that mode already.';
	return `${way.map((step, k) => (k === 0 ? step : step.charAt(0).toLowerCase() + step.slice(1))).join(', then ')}.`;
}

/** Axes that follow in a mode, of those that have a motor. */
export const followers = (mode: Mode | null, motors: readonly TurningAxis[]): TurningAxis[] =>
	turningAxes.filter(
		(axis) => motors.includes(axis) && (mode === null ? axis === 'pan' : mode.does[axis] === 'follows')
	);
