/** What a subject is, as it is drawn. */
export type SubjectShape = 'ball' | 'standing' | 'seated' | 'cake' | 'bottle' | 'book' | 'box';

/** A solid of a subject: its size along and across the floor and up, and how far its middle lies over the place that is looked at. */
export interface SubjectPiece {
	readonly solid: 'ball' | 'box' | 'round';
	readonly sizeM: readonly [number, number, number];
	readonly offM: number;
}

/** A subject as tall as it is, about the place that is looked at: of a person the eyes, of a thing its middle. */
export function subjectPieces(shape: SubjectShape, tallM: number): readonly SubjectPiece[] {
	const piece = (
		solid: SubjectPiece['solid'],
		[wide, deep]: readonly [number, number],
		[from, to]: readonly [number, number],
		eyes: number
	): SubjectPiece => ({
		solid,
		sizeM: [wide * tallM, deep * tallM, (to - from) * tallM],
		offM: ((from + to) / 2 - eyes) * tallM
	});
	switch (shape) {
		case 'ball':
			return [piece('ball', [1, 1], [0, 1], 0.5)];
		case 'standing':
			return [
				piece('ball', [0.13, 0.13], [0.87, 1], 0.935),
				piece('round', [0.26, 0.15], [0.48, 0.86], 0.935),
				piece('round', [0.18, 0.13], [0, 0.48], 0.935)
			];
		case 'seated':
			return [
				piece('ball', [0.17, 0.17], [0.83, 1], 0.915),
				piece('round', [0.34, 0.2], [0.36, 0.82], 0.915),
				piece('box', [0.36, 0.45], [0.24, 0.38], 0.915),
				piece('round', [0.28, 0.18], [0, 0.24], 0.915)
			];
		case 'cake':
			return [
				piece('round', [1, 1], [0, 0.4], 0.5),
				piece('round', [0.7, 0.7], [0.4, 0.75], 0.5),
				piece('round', [0.4, 0.4], [0.75, 1], 0.5)
			];
		case 'bottle':
			return [piece('round', [0.26, 0.26], [0, 0.66], 0.5), piece('round', [0.1, 0.1], [0.66, 1], 0.5)];
		case 'book':
			return [piece('box', [0.7, 0.15], [0, 1], 0.5)];
		case 'box':
			return [piece('box', [1, 1], [0, 1], 0.5)];
	}
}
