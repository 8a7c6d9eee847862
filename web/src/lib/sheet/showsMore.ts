/**
 * A line that is scrolled sideways says on which side there is more of it: `data-more` is "left", "right" or both, and the style
 * sheet lets that edge fade. What is current comes into view by itself, once.
 */
export function showsMore(line: HTMLElement): () => void {
	const look = () => {
		const { scrollLeft, scrollWidth, clientWidth } = line;
		line.dataset['more'] = moreOf(scrollLeft, scrollWidth, clientWidth).join(' ');
	};
	const current = line.querySelector('[aria-current="page"], [aria-selected="true"]');
	if (current !== null && line.scrollWidth > line.clientWidth + 1) {
		const [here, there] = [current.getBoundingClientRect(), line.getBoundingClientRect()];
		line.scrollLeft += here.left - there.left - (there.width - here.width) / 2;
	}
	look();
	line.addEventListener('scroll', look, { passive: true });
	const sizes = new ResizeObserver(look);
	sizes.observe(line);
	for (const child of line.children) sizes.observe(child);
	return () => {
		line.removeEventListener('scroll', look);
		sizes.disconnect();
	};
}

/** Half a finger is no more: nobody scrolls for it. */
export const moreOf = (scrollLeft: number, scrollWidth: number, clientWidth: number): ('left' | 'right')[] => [
	...(scrollLeft > 8 ? (['left'] as const) : []),
	...(scrollLeft < scrollWidth - clientWidth - 8 ? (['right'] as const) : [])
];
