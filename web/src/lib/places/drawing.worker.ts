import type { ReadDrawing } from './drawnLines';
import { fromDxf } from './fromDxf';
import { fromSvg } from './fromSvg';

addEventListener('message', ({ data }: MessageEvent<{ readonly kind: 'svg' | 'dxf'; readonly text: string }>) => {
	let told: ReadDrawing;
	try {
		told = data.kind === 'svg' ? fromSvg(data.text) : fromDxf(data.text);
	} catch {
		told = { problem: 'This drawing cannot be read; it may be damaged. Save it again, and choose that.' };
	}
	postMessage(told);
});
