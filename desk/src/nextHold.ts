/*
 * What will the next hold do? One answer, for everybody who asks: every screen says it, the page sends it with the press, and the desk
 * runs it only where it comes to the same. Pure.
 */
import { leaseTimes } from '@poise/core';
import type { HeadSeen, NextSeen, TaskSeen } from './headSeen';

/** What a hold is pressed for: sent with the press. */
export type Intent =
	/** Only the stick moves it. */
	| { readonly does: 'steer' }
	/** What stands by: a way to be gone, or a ring whose ends are to be found. */
	| { readonly does: 'go' | 'ring'; readonly id: string }
	/** The way it stopped on, on or back along it. */
	| { readonly does: 'goOn' | 'back'; readonly id: string };
/** Why a press moves nothing now. */
export type Waiting =
	'noDesk' | 'stopped' | 'noHead' | 'away' | 'unclaimed' | 'looking' | 'watched' | 'linkUnknown' | 'linkSlow';
export type NextHold = { readonly does: 'nothing'; readonly why: Waiting } | Intent;

/** What a hold of this head is for, whoever presses: what stands by, or else the way it stopped on, or else the stick. */
export function intentOf({
	next,
	task
}: {
	readonly next: Pick<NextSeen, 'id' | 'kind'> | null;
	readonly task: Pick<TaskSeen, 'id' | 'phase' | 'turned'> | null;
}): Intent {
	if (next !== null) return { does: next.kind === 'ring' ? 'ring' : 'go', id: next.id };
	if (task !== null && task.phase !== 'done') return { does: task.turned ? 'back' : 'goOn', id: task.id };
	return { does: 'steer' };
}
const idOf = (intent: Intent): string | null => ('id' in intent ? intent.id : null);
export const sameIntent = (one: Intent, other: Intent): boolean => one.does === other.does && idOf(one) === idOf(other);

/** What a press by this page does now: nothing, and why; or what it is for. */
export function nextHold({
	head,
	page,
	linked,
	stoppedBy
}: {
	readonly head: HeadSeen | null;
	readonly page: string;
	/** The desk is heard. */
	readonly linked: boolean;
	readonly stoppedBy: string | null;
}): NextHold {
	const nothing = (why: Waiting): NextHold => ({ does: 'nothing', why });
	if (stoppedBy !== null) return nothing('stopped');
	if (!linked) return nothing('noDesk');
	if (head === null) return nothing('noHead');
	if (head.link === 'away') return nothing('away');
	if (head.link !== 'here') return nothing('unclaimed');
	if (head.stoppedBy !== null) return nothing('stopped');
	if (page === '' || head.driver?.page !== page) return nothing('looking');
	if (head.task !== null && head.task.watchedFor !== null) return nothing('watched');
	if (head.linkPage !== page || head.linkSamples < leaseTimes.leastSamples) return nothing('linkUnknown');
	if (head.linkTripMs > leaseTimes.mostRoundTripMs) return nothing('linkSlow');
	return intentOf(head);
}
