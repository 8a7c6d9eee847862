import { degFromRad } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import { intentOf } from '@poise/desk/nextHold';
import type { LiveHead, LivePose } from '$lib/model/liveHead';
import type { UnitSystem } from '$lib/model/person';
import { type PictureSign, turnWords } from '$lib/model/turns';
import { showDistance, together } from '$lib/sheet/units/display';

const axisNames: Readonly<Record<string, string>> = {
	trackM: 'along the rail',
	swingRad: 'swing',
	boomRad: 'boom',
	panRad: 'pan',
	tiltRad: 'tilt',
	rollRad: 'roll',
	focus: 'focus',
	zoom: 'zoom',
	iris: 'iris'
};
export const axisWords = (axis: string): string => axisNames[axis] ?? axis;
/** Where an axis stands, as a hand reads it: of pan and tilt where the camera looks, hung or not. */
export function lookWords(axis: string, at: number, units: UnitSystem, sign: PictureSign): string {
	return turnWords(axis, at, sign) ?? placeWords(axis, at, units);
}
/** An axis's own figure, as its motor has it; and how far something goes. */
export function placeWords(axis: string, at: number, units: UnitSystem): string {
	if (axis.endsWith('Rad')) return `${degFromRad(at).toFixed(0)}°`;
	if (axis.endsWith('M')) return together(showDistance(at, units));
	return `${Math.round(at * 100)} %`;
}
/** Why a press did not arm, and what to do. */
const whyWords: Readonly<Record<string, string>> = {
	stopAll: 'Everything is stopped. Clear it first.',
	held: 'Somebody else holds it.',
	changed: 'What it would do had changed when it was pressed: nothing moved. Read it, then press again.',
	linkUnknown: 'Its link is not known well enough yet. Wait two seconds, then press again.',
	linkSlow:
		'The link is too slow to hold safely: more than a tenth of a second there and back. Come nearer, or use a cable.',
	watchNotAllowed: 'It moves only while somebody holds.',
	notAllowed: 'Your role in this crew does not allow that. Ask who leads it.',
	notReady: 'It is not ready.',
	lost: 'The hold was lost and the head rests. Press again.',
	noAnswer: 'The head did not answer. Press again.'
};
export const refusedWords = (why: string): string => whyWords[why] ?? 'It does not hold. Press again.';
/** Why a programme does not run watched, or does no more. */
const watchWords: Readonly<Record<string, string>> = {
	stopAll: 'everything is stopped',
	held: 'somebody holds it',
	linkUnknown: 'the desk does not know its link well enough yet: wait two seconds, then run it again',
	linkSlow: 'the desk’s link to it is too slow, more than a tenth of a second there and back: use a cable',
	watchNotAllowed: 'on its sheet it moves only while somebody holds, or the head has not heard yet that it may',
	changed: 'what stands by had changed: read it, then run it again',
	lost: 'the desk’s link to it was lost for a moment; it rests, and what it ran is dropped',
	noAnswer: 'the head did not answer: run it again'
};
export const watchTroubleOf = (why: string | null): string | null =>
	why === null ? null : `It does not run watched: ${watchWords[why] ?? 'the head refused it'}.`;
/** Why the desk could not watch it now; null: by all that is known, it could. */
export function unwatchable({
	watchSamples,
	watchTripMs
}: Pick<HeadSeen, 'watchSamples' | 'watchTripMs'>): string | null {
	if (watchSamples === 0) return null;
	if (watchSamples < 20) return 'The desk is getting to know its link; it can be watched in two seconds.';
	return watchTripMs > 100 ? `It cannot run watched: ${watchWords.linkSlow}.` : null;
}
/** Of a hundred words of ten seconds so few came: the hold will be lost often. */
const poorSamples = 70;
/** What its cable means for a hold, before it is pressed; null: nothing. `knownS`: for so long this page has spoken with it. */
export function cableWords(head: HeadSeen, page: string, knownS: number): string | null {
	if (head.linkPage !== page || head.phase === 'armed') return null;
	if (head.linkSamples >= 20 && head.linkTripMs > 100)
		return `Its link is slow: ${Math.round(head.linkTripMs)} ms there and back, and more than 100 hold nothing. Come nearer, or use a cable.`;
	if (knownS > 11 && head.linkSamples < poorSamples)
		return `Its link is poor: of 100 words ${Math.min(100, head.linkSamples)} came. It will let go by itself now and then, and rest. Come nearer, or use another cable.`;
	return null;
}
const troubleWords: Readonly<Record<string, string>> = {
	away: 'It was not heard for a moment and has stopped by itself. Its way is dropped: choose again.',
	braked: 'The hold was lost: it braked by itself. It goes on from where it stands.',
	noWay: 'That way cannot be reckoned for this head. Choose another.',
	offPath: 'It does not stand where the move begins. Send it to the start first.',
	beyondEnds: 'That move goes past a soft end of this head. Widen its ends, or change the move.'
};
export const troubleOf = (trouble: string | null): string | null =>
	trouble === null ? null : (troubleWords[trouble] ?? null);

export const seconds = (s: number): string => `${s.toFixed(1)} s`;
export const called = ({ number, name }: Pick<HeadSeen, 'number' | 'name'>): string =>
	number === null ? name : `head ${number}`;

/** Its way is neither gone nor given up: where it stands is on that way. */
const underway = ({ task }: HeadSeen): boolean => task !== null && task.phase !== 'done';

/** The pose it stands at, by where its axes are; null: none of its own, or it is on its way. */
export function poseAt(
	head: HeadSeen,
	{ heads, poses }: { readonly heads: readonly LiveHead[]; readonly poses: readonly LivePose[] }
): LivePose | null {
	if (underway(head)) return null;
	const kept = heads.find(({ boxId }) => boxId === head.id);
	const near = (axis: string, value: number) => {
		const range = head.axes[axis]?.range;
		if (range === undefined || !head.ready.includes(axis)) return true;
		return Math.abs((head.at[axis] ?? Infinity) - value) < 0.004 * (range[1] - range[0]);
	};
	const found = poses.find(
		({ headId, values }) =>
			headId === kept?.id &&
			Object.keys(values).some((axis) => head.ready.includes(axis)) &&
			Object.entries(values).every(([axis, value]) => near(axis, value))
	);
	return found ?? null;
}
export const standsAt = (...of: Parameters<typeof poseAt>): string | null => poseAt(...of)?.name ?? null;

/** What it does, and what its next hold will do, on its strip: by the same answer as the headline. */
export function doing(
	head: HeadSeen,
	standing: string | null
): { readonly words: string; readonly what: string; readonly next: string } {
	const { task, phase, link } = head;
	const none = { next: '' };
	if (link === 'away') return { words: 'away', what: 'not heard', ...none };
	if (link === 'other') return { words: 'another desk’s', what: '', ...none };
	if (link === 'free' || link === 'claiming') return { words: 'free', what: 'to be claimed', ...none };
	const intent = intentOf(head);
	const next =
		intent.does === 'go'
			? `next: ${head.next?.name ?? ''}`
			: intent.does === 'ring'
				? `next: ends of the ${axisWords(head.next?.name ?? '')}`
				: '';
	if (head.stuckAxis !== null) return { words: 'stuck:', what: axisWords(head.stuckAxis), next };
	if (task !== null && task.phase !== 'done') {
		const leg = task.legs[task.leg] ?? task.name;
		if (task.watchedFor !== null) return { words: 'loops', what: `${task.name}, lap ${task.lap}`, ...none };
		if (task.phase === 'stopped')
			return { words: task.turned ? 'stopped, to go back on its way to' : 'stopped on its way to', what: leg, next };
		return { words: task.resting ? 'rests at' : task.turned ? 'back on its way to' : 'on its way to', what: leg, next };
	}
	const found = head.next?.kind === 'ring' ? (head.found[head.next.name] ?? 0) : 0;
	if (phase === 'armed' && found > 0)
		return { words: 'finds its ends:', what: `${Math.round(found * 100)} %`, ...none };
	if (phase === 'armed') return { words: 'held', what: 'by the stick', next };
	return standing === null ? { words: 'stands', what: '', next } : { words: 'stands at', what: standing, next };
}
/** How far on its way, 0 to 1; null: on none. */
export function shareOf({ task }: HeadSeen): number | null {
	if (task === null) return null;
	if (task.phase === 'done') return 1;
	if (task.durationS === null || task.durationS === 0) return 0;
	return Math.min(1, Math.max(0, task.atS / task.durationS));
}
