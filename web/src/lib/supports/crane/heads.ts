import type { CraneGeometry, CraneHead } from './model';

export interface NamedHead {
	/** 0: the one on the crane. */
	readonly index: number;
	readonly name: string;
	readonly head: CraneHead;
}

/** The head on the crane, then those at hand. */
export const headsOf = ({ head, otherHeads = [] }: Pick<CraneGeometry, 'head' | 'otherHeads'>): readonly NamedHead[] =>
	[head, ...otherHeads].map((each, index) => ({
		index,
		name: each.name ?? (index === 0 ? 'The head on it' : `Head ${index + 1}`),
		head: each
	}));

/** The same crane with another of its heads on; the one that comes off is at hand then, in its place. */
export function withHead(geometry: CraneGeometry, index: number): CraneGeometry {
	const { head, otherHeads = [] } = geometry;
	const other = otherHeads[index - 1];
	if (other === undefined) return geometry;
	return { ...geometry, head: other, otherHeads: otherHeads.map((each, k) => (k === index - 1 ? head : each)) };
}

/** The n-th head changed. */
export function changedHead(geometry: CraneGeometry, index: number, next: Partial<CraneHead>): Partial<CraneGeometry> {
	if (index === 0) return { head: { ...geometry.head, ...next } };
	return {
		otherHeads: (geometry.otherHeads ?? []).map((each, k) => (k === index - 1 ? { ...each, ...next } : each))
	};
}
