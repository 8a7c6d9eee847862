import { limit } from './limits';

/** What carries a head, as far as it gives: each kind its own way. */
export type Carries =
	| { readonly by: 'stand' | 'ceiling' | 'wall' | 'dolly' }
	/** From its start to its end, with where it is held; what reaches past the carriage. */
	| { readonly by: 'rail'; readonly lengthM: number; readonly supportsM: readonly number[]; readonly reachM: number }
	/** From the pivot to the head at its furthest. */
	| { readonly by: 'arm'; readonly reachM: number };

/** How far what carries a camera gives under its load, and as it starts and stops. */
export interface Flex {
	readonly m: number;
	/** Nobody has said: careful, by its kind. */
	readonly guessed: boolean;
}
export const flexLimit = limit(0, 1, 'What gives by a metre carries no camera.');

const stands = { stand: 0.01, ceiling: 0.01, wall: 0.02, dolly: 0.015 } as const;
/** Of a rail's longest stretch that nothing holds, and of an arm's reach. */
const [railPart, armPart] = [0.01, 0.02] as const;
/** A support gives a little itself. */
const [leastRailM, leastArmM] = [0.005, 0.02] as const;

/** The longest stretch of a rail that nothing holds, and more than its own length never. */
function freeStretchM(lengthM: number, supportsM: readonly number[]): number {
	const held = [...supportsM].map((at) => Math.min(lengthM, Math.max(0, at))).sort((one, two) => one - two);
	if (held.length === 0) return lengthM;
	const [first = 0, last = lengthM] = [held[0], held[held.length - 1]];
	// An end that stands out sags as much as a stretch twice as long between two supports, at the least.
	const between = held.slice(1).map((at, k) => at - held[k]!);
	return Math.max(0, 2 * first, 2 * (lengthM - last), ...between);
}

/** As the gear's own figure has it, else a careful guess by its kind. */
export function flexOf(statedM: number | null | undefined, carries: Carries): Flex {
	if (statedM != null) return { m: statedM, guessed: false };
	const guess = () => {
		switch (carries.by) {
			case 'rail':
				return (
					leastRailM + railPart * (freeStretchM(carries.lengthM, carries.supportsM) + 2 * Math.abs(carries.reachM))
				);
			case 'arm':
				return Math.max(leastArmM, armPart * carries.reachM);
			default:
				return stands[carries.by];
		}
	};
	return { m: Math.min(flexLimit.most, guess()), guessed: true };
}

/** What is asked beside the room, in words. */
export const flexWords = ({ m, guessed }: Flex, far: (metres: number) => string): string =>
	m === 0
		? 'nothing for what gives, as its own figure says'
		: `${far(m)} more for what gives, ${guessed ? 'a careful guess: its own figure is not known' : 'as its own figure says'}`;
