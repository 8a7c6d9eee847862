import { degFromRad } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import type { LiveHead, LivePose } from '$lib/model/liveHead';
import type { UnitSystem } from '$lib/model/person';
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
/** Where an axis stands, as a hand reads it. */
export function placeWords(axis: string, at: number, units: UnitSystem): string {
	if (axis.endsWith('Rad')) return `${degFromRad(at).toFixed(0)}°`;
	if (axis.endsWith('M')) return together(showDistance(at, units));
	return `${Math.round(at * 100)} %`;
}
/** Why a press did not arm, and what to do. */
const whyWords: Readonly<Record<string, string>> = {
	stopAll: 'Everything is stopped. Clear it first.',
	held: 'Somebody else holds it.',
	linkUnknown: 'Its link is not known well enough yet. Wait two seconds, then press again.',
	linkSlow:
		'The link is too slow to hold safely: more than a tenth of a second there and back. Come nearer, or use a cable.',
	watchNotAllowed: 'It moves only while somebody holds.',
	notReady: 'It is not ready.',
	lost: 'The hold was lost and the head rests. Press again.',
	noAnswer: 'The head did not answer. Press again.'
};
export const refusedWords = (why: string): string => whyWords[why] ?? 'It does not hold. Press again.';
const troubleWords: Readonly<Record<string, string>> = {
	away: 'It was not heard and has stopped by itself. It goes on from where it stands.',
	braked: 'It braked by itself. It goes on from where it stands.',
	noWay: 'That way cannot be reckoned for this head. Choose another.',
	offPath: 'It does not stand where the move begins. Send it to the start first.',
	beyondEnds: 'That move goes past a soft end of this head. Widen its ends, or change the move.'
};
export const troubleOf = (trouble: string | null): string | null =>
	trouble === null ? null : (troubleWords[trouble] ?? null);

export const seconds = (s: number): string => `${s.toFixed(1)} s`;
export const called = ({ number, name }: Pick<HeadSeen, 'number' | 'name'>): string =>
	number === null ? name : `head ${number}`;

/** The pose it stands at, by where its axes are; null: none of its own. */
export function standsAt(
	head: HeadSeen,
	{ heads, poses }: { readonly heads: readonly LiveHead[]; readonly poses: readonly LivePose[] }
): string | null {
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
	return found?.name ?? null;
}

/** What it does, on its strip. */
export function doing(head: HeadSeen, standing: string | null): { readonly words: string; readonly what: string } {
	const { task, phase, link } = head;
	if (link === 'away') return { words: 'away', what: 'not heard' };
	if (link === 'other') return { words: 'another desk’s', what: '' };
	if (link === 'free' || link === 'claiming') return { words: 'free', what: 'to be claimed' };
	if (head.stuckAxis !== null) return { words: 'stuck:', what: axisWords(head.stuckAxis) };
	if (task !== null && task.phase !== 'done') {
		const leg = task.legs[task.leg] ?? task.name;
		if (task.watchedFor !== null) return { words: 'loops', what: `${task.name}, lap ${task.lap}` };
		if (task.phase === 'runs') return { words: task.resting ? 'rests at' : 'on its way to', what: leg };
		if (task.phase === 'stopped') return { words: 'stopped on its way to', what: leg };
		return { words: 'next:', what: leg };
	}
	if (phase === 'armed') return { words: 'held', what: 'by the stick' };
	return standing === null ? { words: 'stands', what: '' } : { words: 'stands at', what: standing };
}
/** How far on its way, 0 to 1; null: on none. */
export function shareOf({ task }: HeadSeen): number | null {
	if (task === null) return null;
	if (task.phase === 'done') return 1;
	if (task.durationS === null || task.durationS === 0) return 0;
	return Math.min(1, Math.max(0, task.atS / task.durationS));
}
