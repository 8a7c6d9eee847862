import type { LoggedBalance } from '$lib/model/balance';

/** How a logged balance stood, in the words of bench and day line. */
export const stoodWords = ({ placed, poised, struck }: Pick<LoggedBalance, 'placed' | 'poised' | 'struck'>): string =>
	struck ? 'struck out' : poised ? 'poised' : placed ? 'as computed' : 'not in place';

/** The same in a sentence. */
export const stoodSentence = ({ placed, poised }: Pick<LoggedBalance, 'placed' | 'poised'>): string =>
	poised
		? 'It was let go and seen to hold.'
		: placed
			? 'It was in place as computed; nobody let it go.'
			: 'It was not in place.';
