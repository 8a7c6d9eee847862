import { kindOf } from '../registry';
import type { LoggedBalance } from '$lib/model/balance';

/** How a logged balance stood, in the words of bench and day line. */
export const stoodWords = ({ placed, poised, struck }: Pick<LoggedBalance, 'placed' | 'poised' | 'struck'>): string =>
	struck ? 'struck out' : poised ? 'poised' : placed ? 'as computed' : 'not in place';

/** The same in a sentence, of a support of that kind. */
export function stoodSentence({ placed, poised }: Pick<LoggedBalance, 'placed' | 'poised'>, kind: string): string {
	const [seen, unseen] = kindOf(kind)?.seen ?? [
		'It was let go and seen to hold.',
		'It was in place as computed; nobody let it go.'
	];
	return poised ? seen : placed ? unseen : 'It was not in place.';
}
