import { createRequire } from 'node:module';

/** What a sheet is made of: the part of pdfmake's document definition that is used here. */
export interface PdfDocument {
	readonly content: readonly unknown[];
	readonly title: string;
	readonly paper?: Paper;
	/** Wide tables lie on their side. */
	readonly landscape?: boolean;
}

export const papers = ['A4', 'LETTER'] as const;
export type Paper = (typeof papers)[number];

interface PdfMake {
	setFonts(fonts: Record<string, Record<string, string>>): void;
	setLocalAccessPolicy(allows: (path: string) => boolean): void;
	setUrlAccessPolicy(allows: (url: string) => boolean): void;
	createPdf(definition: object): { getBuffer(): Promise<Buffer> };
}

const require = createRequire(import.meta.url);
let maker: PdfMake | undefined;

/** The library with the application's own faces, fetched from nowhere but the installed packages. */
function made(): PdfMake {
	if (maker !== undefined) return maker;
	const pdfmake = require('pdfmake') as PdfMake;
	const faces = (family: string, script: string) => {
		const face = (weight: number) =>
			require.resolve(`@fontsource/${family}/files/${family}-${script}-${weight}-normal.woff`);
		return { normal: face(400), bold: face(700), italics: face(400), bolditalics: face(700) };
	};
	const [words, figures] = ['atkinson-hyperlegible-next', 'atkinson-hyperlegible-mono'] as const;
	pdfmake.setFonts({
		Words: faces(words, 'latin'),
		Figures: faces(figures, 'latin'),
		// Letters that the first faces lack, such as Ł.
		MoreWords: faces(words, 'latin-ext')
	});
	pdfmake.setLocalAccessPolicy((path) => path.includes('@fontsource'));
	pdfmake.setUrlAccessPolicy(() => false);
	maker = pdfmake;
	return pdfmake;
}

/** Letters that the first faces hold, and those that the second hold beside, as their files have them. What neither has is a question mark, and never an empty box. */
const inFirst =
	/[\n\u0020-\u007e\u00a0-\u00ac\u00ae-\u00b4\u00b6-\u00ff\u0102\u0131\u0152\u0153\u02c6\u02da\u02dc\u2009\u2013\u2014\u2018-\u201a\u201c-\u201e\u2022\u2026\u2039\u203a\u2044\u20ac\u2122\u2212\u2215]/;
const inSecond =
	/[\u0100\u0101\u0103-\u0107\u010a-\u0113\u0116-\u011b\u011e-\u0123\u0126\u0127\u012a\u012b\u012e-\u0130\u0132\u0133\u0136\u0137\u0139-\u013e\u0141-\u0148\u0150\u0151\u0154\u0155\u0158-\u015b\u015e-\u0165\u016a\u016b\u016e-\u017e\u0192\u0218-\u021b\u0237\u02c7\u02c9\u02dd\u1e80-\u1e85\u1e9e\u1ef2\u1ef3\u2020\u20b9\u2113]/;
/** Spaces and hyphens of other widths, as the usual ones. */
const asUsual = (text: string): string =>
	text
		.normalize('NFC')
		.replace(/[\u2000-\u2008\u200a\u202f\u205f]/g, ' ')
		.replace(/[\u2010-\u2012\u2015]/g, '-');

/** A text in pieces, each in a face that has its letters. */
export function lettered(text: string): string | readonly { readonly text: string; readonly font?: string }[] {
	const usual = asUsual(text);
	if ([...usual].every((letter) => inFirst.test(letter))) return usual;
	const pieces: { text: string; font?: string }[] = [];
	for (const letter of usual) {
		const font = inFirst.test(letter) ? undefined : inSecond.test(letter) ? 'MoreWords' : null;
		const last = pieces[pieces.length - 1];
		const shown = font === null ? '?' : letter;
		if (last !== undefined && last.font === (font ?? undefined)) last.text += shown;
		else pieces.push({ text: shown, ...(font == null ? {} : { font }) });
	}
	return pieces;
}
function letteredIn(node: unknown): unknown {
	if (typeof node === 'string') return lettered(node);
	if (Array.isArray(node)) return node.map(letteredIn);
	if (typeof node !== 'object' || node === null) return node;
	return Object.fromEntries(
		Object.entries(node).map(([key, value]) =>
			key === 'text' || (typeof value === 'object' && value !== null) ? [key, letteredIn(value)] : [key, value]
		)
	);
}

/** A sheet as PDF. */
export const pdfOf = ({ content, title, paper = 'A4', landscape = false }: PdfDocument): Promise<Buffer> =>
	made()
		.createPdf({
			info: { title },
			pageSize: paper,
			pageOrientation: landscape ? 'landscape' : 'portrait',
			pageMargins: [40, 36, 40, 34],
			defaultStyle: { font: 'Words', fontSize: 11, lineHeight: 1.15 },
			content: letteredIn(content)
		})
		.getBuffer();
