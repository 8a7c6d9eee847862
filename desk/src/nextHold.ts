/*
 * What will the next hold do? One answer, for everybody who asks: every screen says it, the page sends it with the press, and the desk
 * runs it only where it comes to the same. Pure.
 */
import { type Intent, intentOf, leaseTimes } from '@poise/core';
import type { HeadSeen } from './headSeen';

export { type Intent, intentOf, sameIntent } from '@poise/core';

/** Why a press moves nothing now. */
export type Waiting =
	'noDesk' | 'stopped' | 'noHead' | 'away' | 'unclaimed' | 'looking' | 'watched' | 'linkUnknown' | 'linkSlow';
export type NextHold = { readonly does: 'nothing'; readonly why: Waiting } | Intent;

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
