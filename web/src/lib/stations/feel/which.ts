import type { ModeKind, Posture, Shot } from './model';

export const postureWords: Readonly<Record<Posture, string>> = {
	upright: 'Upright',
	underslung: 'Upside down',
	onItsSide: 'On its side',
	low: 'Low, held by a handle'
};
export const peopleWords: Readonly<Record<1 | 2 | 3, string>> = {
	1: 'One person',
	2: 'Holder and head operator',
	3: 'Holder, head operator and focus'
};

/** A way to work a shot: mode, what turns the camera, who does what, and why. */
export interface Advice {
	readonly mode: ModeKind;
	readonly turnsBy: 'wrist' | 'stick';
	/** Three lines: the mode and what turns it, who does what, why. */
	readonly who: string;
	readonly why: string;
}

const still = new Set(['standing']);
const quick = new Set(['whipPan', 'quarterTurn']);

/** Which mode for a shot, in a posture, with so many people: the default first, and the other school where there is one. */
export function adviceFor(
	shot: Pick<Shot, 'id' | 'gesture' | 'walk'>,
	posture: Posture,
	people: 1 | 2 | 3
): readonly [Advice, Advice | null] {
	const focus = people === 3 ? 'The third pulls focus on a wireless wheel and calls the marks. ' : '';
	if (people > 1) {
		const quickly = quick.has(shot.gesture);
		return [
			{
				mode: 'holds',
				turnsBy: 'stick',
				who: `The holder carries it and walks the line; the head operator turns pan and tilt with the stick or the grip. ${focus}`.trim(),
				why: 'With everything holding, nothing of the holder’s wrists comes through: the framing is the head operator’s alone.'
			},
			{
				mode: quickly ? 'sport' : 'panFollows',
				turnsBy: 'wrist',
				who: `The holder frames with the wrists; the head operator corrects tilt and roll. ${focus}`.trim(),
				why: quickly
					? 'A whip is one decision: whoever makes it had better hold the handle.'
					: 'The holder is nearer to what happens; one will instead of two.'
			}
		];
	}
	const posed =
		posture === 'underslung'
			? 'Upside down the stick’s left and right may be swapped: try it before the shot. '
			: posture === 'onItsSide'
				? 'On its side pan and roll have changed places: keep the roll within its stops. '
				: posture === 'low'
					? 'Low down you see the screen from above: frame wide and let it hold its tilt. '
					: '';
	if (still.has(shot.gesture))
		return [
			{
				mode: 'holds',
				turnsBy: 'stick',
				who: `${posed}You hold it and nudge the frame with the stick.`,
				why: 'An interview wants a frame that stays when you shift your weight.'
			},
			{
				mode: 'panFollows',
				turnsBy: 'wrist',
				who: `${posed}You hold it and turn with the wrist.`,
				why: 'When people move about, turning is quicker than a stick; a wide dead band keeps it still between.'
			}
		];
	if (quick.has(shot.gesture))
		return [
			{
				mode: 'sport',
				turnsBy: 'wrist',
				who: `${posed}You whip it with both hands and stop your own arms: the camera stops after you.`,
				why: 'Nothing smoothed away, so it is there when you are.'
			},
			{
				mode: 'panFollows',
				turnsBy: 'wrist',
				who: `${posed}You whip slower, and it is sped up afterwards.`,
				why: 'Where the motors cannot do it at speed, a slower whip sped up looks the same without the overshoot.'
			}
		];
	if (shot.gesture === 'tiltDown')
		return [
			{
				mode: 'panTiltFollow',
				turnsBy: 'wrist',
				who: `${posed}You tip the handle; the camera goes with it.`,
				why: 'A tilt with the wrist starts and stops as softly as you do.'
			},
			{
				mode: 'panFollows',
				turnsBy: 'stick',
				who: `${posed}You tilt with the stick.`,
				why: 'Even speed from end to end, and the handle stays upright.'
			}
		];
	if (shot.id === 'carWindow' || shot.gesture === 'stairs' || shot.walk === 'stairs')
		return [
			{
				mode: 'holds',
				turnsBy: 'stick',
				who: `${posed}You brace yourself, not the gimbal, and steer with the stick.`,
				why: 'What the ground does to you must not turn the camera; here every turn of the handle is an accident.'
			},
			{
				mode: 'panTiltFollow',
				turnsBy: 'wrist',
				who: `${posed}You steer with the wrist, slow and wide.`,
				why: 'Where the way bends more than it shakes, following saves a hand.'
			}
		];
	return [
		{
			mode: 'panFollows',
			turnsBy: 'wrist',
			who: `${posed}You walk and turn with your whole body; the wrist only finishes the turn.`,
			why: 'Tilt and roll hold, so steps do not nod the picture; pan goes where you go.'
		},
		{
			mode: 'allFollow',
			turnsBy: 'wrist',
			who: `${posed}You lean into the bends as if you flew it.`,
			why: 'The horizon goes with the hand, which looks alive in sport and dance, and seasick elsewhere.'
		}
	];
}

export const turnsByWords = { wrist: 'turned with the wrist', stick: 'turned with the stick' } as const;

/** How a gimbal wakes up, where people disagree: the default and the two others, each with its reason. */
export const startSchools: readonly { readonly kind: ModeKind; readonly why: string }[] = [
	{ kind: 'panFollows', why: 'Most of a day is walking with people.' },
	{ kind: 'allFollow', why: 'Everything goes with the hand, so nothing surprises a beginner.' },
	{ kind: 'holds', why: 'Nothing moves until somebody decides.' }
];
