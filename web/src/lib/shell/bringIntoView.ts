import { tick } from 'svelte';

/**
 * What answers a press comes into view and takes the focus, once it stands on the page; on a phone it may be a screen away from
 * the finger. Nothing moves that is in view already, and nothing glides where a person asked for still pages.
 */
export async function bringIntoView(element: HTMLElement | null | undefined): Promise<void> {
	await tick();
	if (element == null) return;
	const { top, bottom } = element.getBoundingClientRect();
	const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
	if (top < 0 || bottom > window.innerHeight)
		element.scrollIntoView({
			block: top < 0 || bottom - top > window.innerHeight ? 'start' : 'center',
			behavior: still ? 'auto' : 'smooth'
		});
	element.focus({ preventScroll: true });
}
