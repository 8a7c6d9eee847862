/*
 * The desk's own hold of one head, for somebody who watches it: asked for, answered or refused, kept up, ended. A machine of state and
 * event; it holds as a page does (`hold.ts`), and says what it says to the head.
 */
import { handOff, type Hold, type HoldEvent, holdStep } from './hold';
import type { StandingWay } from './nextHold';
import type { WordToHead } from './words';

/** As heads know the desk that holds one itself. */
export const deskHolder = 'desk';

export interface Watch {
	/** For whom it runs without a hand. */
	readonly for: string | null;
	/** Why the last one did not come, or ended by itself. */
	readonly trouble: string | null;
	/** It is to run: the head has not answered yet. */
	readonly asked: { readonly by: string; readonly way: StandingWay } | null;
	readonly hold: Hold;
}
export const noWatch = (head: string): Watch => ({ for: null, trouble: null, asked: null, hold: handOff(head) });

export type WatchEvent =
	| { readonly kind: 'wants'; readonly by: string; readonly way: StandingWay }
	/** The head is held by it: what it runs, or it lets go if nobody wants it any more. */
	| { readonly kind: 'begins' }
	| { readonly kind: 'ends' }
	| { readonly kind: 'tick' }
	/** Whom the head says that it is held by. */
	| { readonly kind: 'heard'; readonly headMs: number; readonly holder: string; readonly epoch: number | null }
	| { readonly kind: 'answered'; readonly press: number; readonly epoch: number }
	| { readonly kind: 'refused'; readonly press: number; readonly why: string };

export type WatchEffect =
	| { readonly kind: 'say'; readonly message: WordToHead }
	| { readonly kind: 'released'; readonly epoch: number }
	/** What it ran is nobody's any more. */
	| { readonly kind: 'drop' }
	| { readonly kind: 'runs'; readonly way: StandingWay };

export function watchStep(watch: Watch, event: WatchEvent, atMs: number): readonly [Watch, readonly WatchEffect[]] {
	switch (event.kind) {
		case 'wants':
			return held({ ...watch, asked: { by: event.by, way: event.way }, trouble: null }, { kind: 'press', atMs });
		case 'begins': {
			const { asked } = watch;
			if (asked === null) return held(watch, { kind: 'release', atMs });
			return [{ ...watch, asked: null, for: asked.by }, [{ kind: 'runs', way: asked.way }]];
		}
		case 'ends': {
			const over = { ...watch, for: null, asked: null };
			const { phase } = watch.hold;
			const [after, effects] =
				phase === 'asked' || phase === 'down' ? held(over, { kind: 'release', atMs }) : ([over, []] as const);
			return [after, watch.for === null ? effects : [...effects, { kind: 'drop' }]];
		}
		case 'tick': {
			const [after, effects] = held(watch, { kind: 'tick', atMs });
			if ((after.for === null && after.asked === null) || after.hold.phase !== 'ended') return [after, effects];
			// It did not come, or ended by itself: it is said, and what it ran is dropped.
			return [{ ...after, trouble: after.hold.why ?? 'lost', for: null, asked: null }, [...effects, { kind: 'drop' }]];
		}
		case 'heard': {
			const { headMs, holder, epoch } = event;
			const [after, effects] = held(watch, { kind: 'heard', atMs, headMs });
			if (holder !== deskHolder && after.hold.phase !== 'down') return [after, effects];
			const [then, more] = held(after, { kind: 'holds', atMs, epoch });
			return [then, [...effects, ...more]];
		}
		case 'answered':
			return held(watch, { kind: 'offer', atMs, press: event.press, epoch: event.epoch });
		case 'refused':
			return held(watch, { kind: 'refused', atMs, press: event.press, why: event.why });
	}
}

function held(watch: Watch, event: HoldEvent): readonly [Watch, readonly WatchEffect[]] {
	const [hold, effects] = holdStep(watch.hold, event);
	const holder = deskHolder;
	return [
		{ ...watch, hold },
		effects.flatMap((effect): readonly WatchEffect[] => {
			switch (effect.kind) {
				case 'ask':
					return [{ kind: 'say', message: { type: 'ask', holder, press: effect.press, by: 'watch' } }];
				case 'grant': {
					const { epoch, sequence, issuedAtMs, echoMs } = effect;
					return [{ kind: 'say', message: { type: 'grant', holder, epoch, sequence, issuedAtMs, echoMs } }];
				}
				case 'beat': {
					const { issuedAtMs, echoMs } = effect;
					return [{ kind: 'say', message: { type: 'beat', holder, issuedAtMs, echoMs } }];
				}
				case 'release':
					return [
						{ kind: 'released', epoch: effect.epoch },
						{ kind: 'say', message: { type: 'release', holder, epoch: effect.epoch } }
					];
			}
		})
	];
}
