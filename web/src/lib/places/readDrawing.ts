import type { ReadDrawing } from './drawnLines';

/** Whatever takes longer is no outline of a room. */
const patienceMs = 10_000;
type Reader = Pick<Worker, 'postMessage' | 'addEventListener' | 'terminate'>;

/** A drawing file, read beside the page: it always ends in lines or in a sentence, and the page stays awake meanwhile. */
export function readDrawing(
	name: string,
	text: string,
	make: () => Reader = () => new Worker(new URL('./drawing.worker.ts', import.meta.url), { type: 'module' }),
	waitsMs = patienceMs
): Promise<ReadDrawing> {
	const kind = /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase();
	if (kind !== 'svg' && kind !== 'dxf')
		return Promise.resolve({ problem: `“${name}” is neither a DXF nor an SVG drawing.` });
	const worker = make();
	return new Promise<ReadDrawing>((resolve) => {
		const late = setTimeout(
			() => resolve({ problem: `“${name}” takes too long to read. Save only the room’s outline, and choose that.` }),
			waitsMs
		);
		worker.addEventListener('message', (event) => {
			clearTimeout(late);
			resolve((event as MessageEvent<ReadDrawing>).data);
		});
		worker.addEventListener('error', () => {
			clearTimeout(late);
			resolve({
				problem: `“${name}” cannot be read here: it may be damaged, or too large. Save only the room’s outline.`
			});
		});
		worker.postMessage({ kind, text });
	}).finally(() => worker.terminate());
}
