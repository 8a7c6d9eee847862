/** The one-thumb timer: press while the sled is held level, let go with the sled, tap as the post passes vertical. */
export type DropTimer =
	| { readonly phase: 'ready'; readonly word: string | null }
	| { readonly phase: 'held'; readonly sinceS: number }
	| { readonly phase: 'falling'; readonly sinceS: number };

export interface TimerEvent {
	readonly kind: 'down' | 'up' | 'cancel' | 'tick';
	readonly atS: number;
}

export const readyTimer: DropTimer = { phase: 'ready', word: null };

/** A shorter press is a tap gone astray, not a sled being held. */
const leastHoldS = 0.25;
/** No sled falls sooner; a finger bounces. */
const leastFallS = 0.3;
const mostFallS = 15;

/** The timer after an event, and the time of a run that it ended. */
export function stepTimer(
	timer: DropTimer,
	{ kind, atS }: TimerEvent
): { readonly timer: DropTimer; readonly runS: number | null } {
	const now = (next: DropTimer, runS: number | null = null) => ({ timer: next, runS });
	if (kind === 'cancel') return now(timer.phase === 'ready' ? timer : readyTimer);
	if (timer.phase === 'ready') return now(kind === 'down' ? { phase: 'held', sinceS: atS } : timer);
	const goneS = atS - timer.sinceS;
	if (timer.phase === 'held') {
		if (kind !== 'up') return now(timer);
		return goneS < leastHoldS
			? now({ phase: 'ready', word: 'Too short: keep the thumb down while the post lies level, then let both go.' })
			: now({ phase: 'falling', sinceS: atS });
	}
	if (kind === 'down' && goneS >= leastFallS) return now(readyTimer, goneS);
	if (kind === 'tick' && goneS > mostFallS)
		return now({ phase: 'ready', word: 'Nobody tapped. Once more, from level.' });
	return now(timer);
}
