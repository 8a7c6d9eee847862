import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { lettered } from './pdf';

interface Face {
	hasGlyphForCodePoint(code: number): boolean;
}
const require = createRequire(import.meta.url);
// The reader of faces that the PDF library itself uses.
const { openSync } = createRequire(require.resolve('pdfmake'))('fontkit') as { openSync: (path: string) => Face };
const face = (family: string, script: string, weight: number) =>
	openSync(require.resolve(`@fontsource/${family}/files/${family}-${script}-${weight}-normal.woff`));
const [words, figures] = ['atkinson-hyperlegible-next', 'atkinson-hyperlegible-mono'] as const;
const all = Array.from({ length: 0x2700 }, (_, k) => k + 0x20).filter((code) => code < 0x7f || code > 0x9f);

describe('what is printed has a letter for everything', () => {
	it('each piece is in a face that holds all of its letters, of every weight', () => {
		const faces = {
			first: [400, 700].flatMap((weight) => [face(words, 'latin', weight), face(figures, 'latin', weight)]),
			MoreWords: [400, 700].map((weight) => face(words, 'latin-ext', weight))
		};
		const missing = all.filter((code) => {
			const told = lettered(String.fromCodePoint(code));
			const pieces = typeof told === 'string' ? [{ text: told }] : told;
			return pieces.some(({ text, font }: { text: string; font?: string }) =>
				(font === 'MoreWords' ? faces.MoreWords : faces.first).some(
					(each) => !each.hasGlyphForCodePoint(text.codePointAt(0)!)
				)
			);
		});
		expect(missing.map((code) => code.toString(16))).toEqual([]);
	});
	it('leaves alone what it can print, and says “?” for what it cannot', () => {
		expect(lettered('Plate 12 mm, − ½ “so” …')).toBe('Plate 12 mm, − ½ “so” …');
		expect(lettered('Łucja → left')).toEqual([{ text: 'Ł', font: 'MoreWords' }, { text: 'ucja ? left' }]);
	});
});
