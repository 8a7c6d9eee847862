import { checksFor } from '../input';

/** One run of a move that others are laid over. */
export interface Pass {
	readonly from: 'start' | 'end';
	readonly framesPerS: number;
	readonly durationS: number;
	/** What starts its frames: nothing, the shutter, or a common clock. */
	readonly sync: 'none' | 'shutter' | 'genlock';
	/** Without what the others show. */
	readonly plate: boolean;
	readonly moveVersion: number;
}
const codes = ['endsDiffer', 'frameRate', 'duration', 'notSynchronised', 'plateNotFirst', 'moveChanged'] as const;
export type PassBreak = (typeof codes)[number];

const mostPasses = 1000;

/**
 * Whether passes can be laid over each other, and what breaks which: the first is the reference. A frame rate may be off by
 * 1e-5 of itself, a duration by 1 ms; a pass that nothing synchronises breaks, the first too, and one synchronised in another
 * way than the first; an empty plate comes before every pass that is none. `pass` counts from 0; breaks come by pass. Throws
 * `PhysicsInputError` for no passes or more than 1000, and for a rate or duration not above 0.
 *
 * @example
 * passMatch({ passes: [{ from: 'start', framesPerS: 25, durationS: 4, sync: 'genlock', plate: true, moveVersion: 3 }] }).breaks.length; // 0
 */
export function passMatch(input: { readonly passes: readonly Pass[] }): {
	readonly matches: boolean;
	readonly breaks: readonly { readonly pass: number; readonly code: PassBreak }[];
} {
	const check = checksFor('passMatch');
	const passes = check.list('passes', input.passes);
	if (passes.length > mostPasses) check.fail('passes', `must be at most ${mostPasses}`, passes.length);
	passes.forEach((pass, k) => {
		check.positive(`passes[${k}].framesPerS`, pass.framesPerS);
		check.positive(`passes[${k}].durationS`, pass.durationS);
		check.number(`passes[${k}].moveVersion`, pass.moveVersion);
		if (!['none', 'shutter', 'genlock'].includes(pass.sync))
			check.fail(`passes[${k}].sync`, 'must be none, shutter or genlock', pass.sync);
	});
	const first = passes[0]!;
	let seenAction = false;
	const breaks = passes.flatMap((pass, k) => {
		const broken: Readonly<Record<PassBreak, boolean>> = {
			endsDiffer: pass.from !== first.from,
			frameRate: Math.abs(pass.framesPerS - first.framesPerS) > 1e-5 * first.framesPerS,
			// Figures read from files are a hair off a whole millisecond.
			duration: Math.abs(pass.durationS - first.durationS) > 1e-3 * (1 + 1e-9),
			notSynchronised: pass.sync === 'none' || (first.sync !== 'none' && pass.sync !== first.sync),
			plateNotFirst: pass.plate && seenAction,
			moveChanged: pass.moveVersion !== first.moveVersion
		};
		seenAction ||= !pass.plate;
		return codes.filter((code) => broken[code]).map((code) => ({ pass: k, code }));
	});
	// One alone has nothing to differ from.
	if (passes.length === 1) return { matches: true, breaks: [] };
	return { matches: breaks.length === 0, breaks };
}
