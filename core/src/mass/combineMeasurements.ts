import { checksFor } from '../input';

export interface CombinedMeasurement {
	readonly value: number;
	readonly sigma: number;
	/** Share of each measurement in the result; they add up to 1. */
	readonly weights: readonly number[];
	/** Greatest distance of a measurement from the others together, in standard deviations of that difference. */
	readonly worstDisagreement: number;
	/** Some measurement lies further from the others than chance allows (past 2.5 standard deviations). */
	readonly conflict: boolean;
}

const conflictLimit = 2.5;

/**
 * Several measurements of one quantity as one, each weighted by what it is worth.
 *
 * `measurements` each with `value` and its standard deviation `sigma`, more than 0, in one unit. Throws
 * `PhysicsInputError` for an empty list or a sigma that is not more than 0. Independent normal errors: weights `1/σ²`,
 * result `Σ w x / Σ w` with `σ = 1/√Σ w`. Where they conflict the result is still given; somebody has to choose.
 *
 * @example
 * combineMeasurements({ measurements: [{ value: 0.010, sigma: 0.001 }, { value: 0.016, sigma: 0.002 }] }).value; // 0.0112
 */
export function combineMeasurements(input: {
	readonly measurements: readonly { readonly value: number; readonly sigma: number }[];
}): CombinedMeasurement {
	const check = checksFor('combineMeasurements');
	const measurements = check.list('measurements', input.measurements);
	const parts = measurements.map(({ value, sigma }, index) => ({
		value: check.number(`measurements[${index}].value`, value),
		weight: 1 / check.positive(`measurements[${index}].sigma`, sigma) ** 2
	}));
	const total = parts.reduce((sum, { weight }) => sum + weight, 0);
	const moment = parts.reduce((sum, { value, weight }) => sum + value * weight, 0);
	const worstDisagreement =
		parts.length === 1
			? 0
			: Math.max(
					...parts.map(({ value, weight }) => {
						const others = (moment - value * weight) / (total - weight);
						return Math.abs(value - others) / Math.sqrt(1 / weight + 1 / (total - weight));
					})
				);
	return {
		value: moment / total,
		sigma: 1 / Math.sqrt(total),
		weights: parts.map(({ weight }) => weight / total),
		worstDisagreement,
		conflict: worstDisagreement > conflictLimit
	};
}
