import type { Paper, PdfDocument } from './pdf';

/** A swap sheet on paper: where everything stands for each build, and what to do from each to each other. */
export interface SwapSheet {
	readonly title: string;
	readonly lead: string;
	readonly head: readonly string[];
	/** Figures in every column but the first. */
	readonly rows: readonly (readonly string[])[];
	readonly under: string;
	readonly ways: readonly { readonly title: string; readonly lines: readonly string[] }[];
	readonly caution: string;
}

/** More columns than these lie on their side. */
const mostUpright = 6;

export function swapSheet({ title, lead, head, rows, under, ways, caution }: SwapSheet, paper: Paper): PdfDocument {
	const landscape = head.length > mostUpright;
	const size = head.length > 9 ? 8 : 10;
	const way = ({ title: name, lines }: SwapSheet['ways'][number]) => ({
		unbreakable: true,
		margin: [0, 0, 0, 8],
		stack: [
			{ text: name, bold: true, fontSize: 10 },
			...(lines.length === 0
				? [{ text: 'Nothing moves.', color: '#444', fontSize: 9 }]
				: lines.map((text) => ({ text, fontSize: 9 })))
		]
	});
	/** Two ways beside each other, and no more than that kept together: a page is filled before the next begins. */
	const pairs = Array.from({ length: Math.ceil(ways.length / 2) }, (_, k) => ways.slice(2 * k, 2 * k + 2));
	return {
		title,
		paper,
		landscape,
		content: [
			{ text: title, fontSize: 20, bold: true },
			{ text: lead, color: '#444', margin: [0, 2, 0, 8] },
			{
				table: {
					headerRows: 1,
					dontBreakRows: true,
					widths: head.map((_, index) => (index === 0 ? '*' : 'auto')),
					body: [
						head.map((text, index) => ({
							text,
							bold: true,
							fontSize: size,
							alignment: index === 0 ? 'left' : 'right'
						})),
						...rows.map((row) =>
							row.map((text, index) =>
								index === 0
									? { text, bold: true, fontSize: size }
									: { text, font: 'Figures', fontSize: size, alignment: 'right', noWrap: text.length < 12 }
							)
						)
					]
				},
				layout: 'lightHorizontalLines'
			},
			{ text: `${under} ${caution}`, fontSize: 9, color: '#444', margin: [0, 4, 0, 10] },
			...(ways.length === 0
				? []
				: [
						{ text: 'From … to', bold: true, fontSize: 13, margin: [0, 0, 0, 4] },
						...pairs.map((pair) => ({
							unbreakable: true,
							columns: [...pair.map(way), ...(pair.length === 1 ? [{ text: '' }] : [])],
							columnGap: 18
						}))
					])
		]
	};
}

export const usualCaution = 'Figures are aids; the maker’s manual, local rules and the responsible person decide.';
export const printedOn = (): string =>
	new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
