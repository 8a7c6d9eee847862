import { tick } from 'svelte';

let answer: HTMLElement | null = null;

/** The slip of the page says which element holds its answer. */
export function holdAnswer(element: HTMLElement): { destroy: () => void } {
	answer = element;
	return { destroy: () => (answer = answer === element ? null : answer) };
}
/** After a press that changes what the slip says: the slip comes into view, and is read from its answer on. */
export const showAnswer = (): Promise<void> => bringIntoView(answer);

/**
 * What answers a press comes into view and takes the focus, once it stands on the page; on a phone it may be a screen away from
 * the finger. Nothing moves that is in view already, and the page is
 * there at once: a target that glides is missed by the next tap.
 */
export async function bringIntoView(element: HTMLElement | null | undefined): Promise<void> {
	await tick();
	if (element == null) return;
	const { top, bottom } = element.getBoundingClientRect();
	if (top < 0 || bottom > window.innerHeight)
		element.scrollIntoView({
			block: top < 0 || bottom - top > window.innerHeight ? 'start' : 'center',
			behavior: 'instant'
		});
	element.focus({ preventScroll: true });
}
