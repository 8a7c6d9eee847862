import { checksFor } from '../input';

export interface MovingWeightInput {
	/** First moment about the pivot of everything but the moving weight, kg·m, nose positive, at each length of the arm. */
	readonly othersUKgM: readonly number[];
	/** The first moment that is wanted in all, at each length: a nose bias times its lever. */
	readonly wantedUKgM: readonly number[];
	readonly massKg: number;
	readonly rangeU: readonly [number, number];
}

export interface MovingWeight {
	/** Where it must stand at each length, u in metres, and whether its travel reaches there. */
	readonly places: readonly { readonly uM: number; readonly within: boolean }[];
	/** From its foremost to its hindmost place, metres. */
	readonly travelM: number;
}

/**
 * Where a weight that slides along an arm must stand to keep it balanced as the arm grows: `u = (U wanted − U others)/m`.
 *
 * Nothing is rounded into its travel: a place beyond `rangeU` is given as it is and marked. Throws `PhysicsInputError` for
 * a weight without mass, for lists that differ in length, and for numbers that are not finite.
 *
 * @example
 * movingWeight({ othersUKgM: [4, 6], wantedUKgM: [0, 0], massKg: 10, rangeU: [-0.5, 0] }).places[1].within; // false
 */
export function movingWeight(input: MovingWeightInput): MovingWeight {
	const check = checksFor('movingWeight');
	const massKg = check.positive('massKg', input.massKg);
	const [low, high] = check.range('rangeU', input.rangeU);
	const others = check.list('othersUKgM', input.othersUKgM);
	if (input.wantedUKgM.length !== others.length)
		check.fail('wantedUKgM', `must hold ${others.length} numbers, one a length`, input.wantedUKgM.length);
	const places = others.map((other, index) => {
		const wanted = check.number(`wantedUKgM[${index}]`, input.wantedUKgM[index]);
		const uM = (wanted - check.number(`othersUKgM[${index}]`, other)) / massKg;
		return { uM, within: uM >= low - 1e-9 && uM <= high + 1e-9 };
	});
	const us = places.map(({ uM }) => uM);
	return { places, travelM: Math.max(...us) - Math.min(...us) };
}
