import type { Inks } from './room3d';

/** A colour as the browser shows it, in the plain way that a scene of three dimensions reads: it knows no mixture of two. */
function plain(css: string, probe: CanvasRenderingContext2D): string {
	probe.fillStyle = css;
	probe.fillRect(0, 0, 1, 1);
	const [r = 0, g = 0, b = 0] = probe.getImageData(0, 0, 1, 1).data;
	return `rgb(${r}, ${g}, ${b})`;
}

/** The colours of a room by the light that is chosen now. */
export function inksNow(): Inks {
	const style = getComputedStyle(document.documentElement);
	const probe = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
	const of = (name: string) => {
		const css = style.getPropertyValue(name).trim();
		return probe === null ? css : plain(css, probe);
	};
	return {
		floor: of('--grid'),
		sky: of('--hover'),
		wall: of('--rule'),
		thing: of('--panel'),
		people: of('--press-wash'),
		keepOut: of('--clay'),
		ink: of('--ink'),
		subject: of('--clay'),
		gear: of('--quiet')
	};
}
