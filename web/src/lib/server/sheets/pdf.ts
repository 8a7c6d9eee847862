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
	const face = (family: string, weight: number) =>
		require.resolve(`@fontsource/${family}/files/${family}-latin-${weight}-normal.woff`);
	const faces = (family: string) => ({
		normal: face(family, 400),
		bold: face(family, 700),
		italics: face(family, 400),
		bolditalics: face(family, 700)
	});
	pdfmake.setFonts({ Words: faces('atkinson-hyperlegible-next'), Figures: faces('atkinson-hyperlegible-mono') });
	pdfmake.setLocalAccessPolicy((path) => path.includes('@fontsource'));
	pdfmake.setUrlAccessPolicy(() => false);
	maker = pdfmake;
	return pdfmake;
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
			content
		})
		.getBuffer();
