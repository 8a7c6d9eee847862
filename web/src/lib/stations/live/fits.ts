import { radFromDeg } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import type { LiveHead, LivePlace } from '$lib/model/liveHead';
import type { LiveMove, MoveStand } from '$lib/model/liveMove';
import type { UnitSystem } from '$lib/model/person';
import { turnWords } from '$lib/model/turns';
import { showDistance, together } from '$lib/sheet/units/display';
import { axisWords } from './words';

/** What differs between how a move was planned and how a head stands. */
export interface Difference {
	readonly key: 'walk' | 'mount' | 'hung' | 'axes' | 'place' | 'height' | 'heading' | 'arm' | 'venue';
	readonly words: string;
	/** Somebody may take it on by name; what nobody can, is not run on this head. */
	readonly acceptable: boolean;
}
/** Less than this is no difference: a hand sets a stand up no better. */
const [placeM, headingRad, armM] = [0.05, radFromDeg(1), 0.02] as const;

const kindOf: Readonly<Record<LivePlace['stands'], MoveStand['kind']>> = {
	stand: 'fixed',
	ceiling: 'fixed',
	wall: 'fixed',
	rail: 'rail',
	arm: 'arm'
};
const kindWords: Readonly<Record<MoveStand['kind'], string>> = {
	fixed: 'on a stand',
	rail: 'on a rail',
	arm: 'on an arm',
	walk: 'by hand'
};
const turned = (rad: number): number => Math.atan2(Math.sin(rad), Math.cos(rad));

/** Everything in which a head stands otherwise than a move has it: an empty list is a head that the move was planned for. */
export function differences(
	move: LiveMove,
	kept: LiveHead,
	head: Pick<HeadSeen, 'axes'>,
	units: UnitSystem
): readonly Difference[] {
	const { stand } = move;
	const { place } = kept.settings;
	const found: Difference[] = [];
	const put = (key: Difference['key'], words: string, acceptable: boolean) => found.push({ key, words, acceptable });
	const far = (m: number) => together(showDistance(m, units));
	if (stand.kind === 'walk' || stand.atM === null) {
		put('walk', 'It is a walk with the camera in hands: no head runs it.', false);
		return found;
	}
	if (stand.kind !== kindOf[place.stands])
		put(
			'mount',
			`It was planned ${kindWords[stand.kind]}, and this head is ${kindWords[kindOf[place.stands]]}.`,
			false
		);
	if (stand.hung !== (place.stands === 'ceiling'))
		put(
			'hung',
			stand.hung
				? 'It was planned for a head that hangs upside down, and this one does not.'
				: 'It was planned for a head that stands upright, and this one hangs upside down.',
			false
		);
	const missing = Object.keys(move.keys[0]?.values ?? {}).filter((axis) => head.axes[axis] === undefined);
	if (missing.length > 0)
		put(
			'axes',
			`This head has no ${missing.map((axis) => (axis === 'trackM' ? 'rail' : axisWords(axis))).join(', no ')}.`,
			false
		);
	if (move.venueId !== null && kept.venueId !== null && move.venueId !== kept.venueId)
		put('venue', 'It was planned for another venue.', true);
	const [x, y, z] = place.atM.map((value, k) => value - stand.atM![k]!) as [number, number, number];
	const aside = Math.hypot(x, y);
	if (!(aside <= placeM)) put('place', `It stands ${far(aside)} from where the move has it.`, true);
	if (!(Math.abs(z) <= placeM))
		put('height', `It stands ${far(Math.abs(z))} ${z > 0 ? 'higher' : 'lower'} than planned.`, true);
	// Of a rail two things point: where it runs, and where pan 0 looks.
	const runs = turned(place.headingRad - stand.headingRad);
	const looks = stand.kind === 'rail' ? turned(place.looksRad - stand.headingRad) : runs;
	if (!(Math.abs(runs) <= headingRad))
		put('heading', `It points ${turnWords('panRad', runs, 1)} of where the move has it.`, true);
	else if (!(Math.abs(looks) <= headingRad))
		put('heading', `Its pan 0 looks ${turnWords('panRad', looks, 1)} of where the move has it.`, true);
	if (stand.armM !== null && kindOf[place.stands] === 'arm' && !(Math.abs(place.armM - stand.armM) <= armM))
		put(
			'arm',
			`Its arm is ${far(Math.abs(place.armM - stand.armM))} ${place.armM > stand.armM ? 'longer' : 'shorter'} than planned.`,
			true
		);
	return found;
}
