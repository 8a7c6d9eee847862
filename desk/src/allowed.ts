import type { FromPage } from './messages';

/** What somebody has to be allowed to for a word of theirs to be heeded. Which role may what, the application says. */
export type DeskVerb = 'see' | 'stop' | 'drive' | 'record' | 'claim' | 'clear' | 'lead';

const verbs: Readonly<Record<FromPage['type'], DeskVerb>> = {
	// Looking, and how far a page is from a head.
	hello: 'see',
	many: 'see',
	beat: 'see',
	// Letting go, and stopping, are refused to nobody.
	release: 'see',
	unask: 'see',
	stopAll: 'stop',
	clear: 'clear',
	take: 'drive',
	askFor: 'drive',
	give: 'drive',
	keep: 'drive',
	drop: 'drive',
	ask: 'drive',
	grant: 'drive',
	stick: 'drive',
	shape: 'drive',
	standBy: 'drive',
	watch: 'drive',
	pace: 'drive',
	keepAdded: 'drive',
	lead: 'lead',
	record: 'record',
	blink: 'claim',
	claim: 'claim',
	confirm: 'claim',
	unclaim: 'claim'
};
export const verbOf = ({ type }: Pick<FromPage, 'type'>): DeskVerb => verbs[type];

const sorry = 'Your role in this crew does not allow that. Ask who leads it.';
/** What whoever waits for an answer is told instead; null: nobody waits. */
export function refusalOf(message: FromPage) {
	if (message.type === 'ask')
		return { type: 'refused', head: message.head, press: message.press, why: 'notAllowed' } as const;
	if (message.type === 'claim' || message.type === 'confirm')
		return { type: 'claimed', head: message.head, ok: false, words: sorry } as const;
	return null;
}
