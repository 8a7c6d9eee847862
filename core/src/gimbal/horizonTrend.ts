import { checksFor } from '../input';

/** One look at the horizon: positive, the picture leans clockwise. */
export interface HorizonReading {
	/** Minutes since the power came on. */
	readonly minutes: number;
	readonly rollRad: number;
	readonly temperatureC: number;
}

export interface HorizonTrend {
	/** Drift as the line through the readings has it; null for fewer than two moments. */
	readonly driftRadPerMinute: number | null;
	/** Where that line stands at the last reading. */
	readonly nowRad: number;
	/** Standard error of the drift; null with fewer than three readings. */
	readonly driftErrorRadPerMinute: number | null;
	/** Recalibrate now, or minutes from the last reading until the line reaches the limit, or null: not in sight. */
	readonly dueInMinutes: number | null;
	readonly due: boolean;
	readonly why: 'leans' | 'drifts' | 'temperature' | 'steady';
}

/** A drift further off than this is not worth a time. */
const furthestMinutes = 8 * 60;

/**
 * What a log of horizon readings since one power-on says: how fast it drifts, and when a recalibration is due.
 *
 * `limitRad` is the lean that shows in the picture, `temperatureLimitC` how far from the temperature of the last
 * calibration (`calibratedAtC`, null: unknown) the sensors are trusted. A straight line by least squares over the
 * readings. Throws `PhysicsInputError` for an empty list, minutes below 0 or limits that are not more than 0. A drift
 * within twice its own error counts as none.
 *
 * @example
 * horizonTrend({
 *   readings: [{ minutes: 0, rollRad: 0, temperatureC: 20 }, { minutes: 10, rollRad: 0.002, temperatureC: 20 }],
 *   limitRad: 0.008, temperatureLimitC: 10, calibratedAtC: 20
 * }).dueInMinutes; // 30
 */
export function horizonTrend(input: {
	readonly readings: readonly HorizonReading[];
	readonly limitRad: number;
	readonly temperatureLimitC: number;
	readonly calibratedAtC: number | null;
}): HorizonTrend {
	const check = checksFor('horizonTrend');
	const limitRad = check.positive('limitRad', input.limitRad);
	const temperatureLimitC = check.positive('temperatureLimitC', input.temperatureLimitC);
	if (input.calibratedAtC !== null) check.number('calibratedAtC', input.calibratedAtC);
	const readings = check.list('readings', input.readings).map((reading, index) => ({
		minutes: check.atLeastZero(`readings[${index}].minutes`, reading.minutes),
		rollRad: check.number(`readings[${index}].rollRad`, reading.rollRad),
		temperatureC: check.number(`readings[${index}].temperatureC`, reading.temperatureC)
	}));

	const count = readings.length;
	const meanMinutes = readings.reduce((sum, { minutes }) => sum + minutes, 0) / count;
	const meanRoll = readings.reduce((sum, { rollRad }) => sum + rollRad, 0) / count;
	const spread = readings.reduce((sum, { minutes }) => sum + (minutes - meanMinutes) ** 2, 0);
	const slope =
		spread > 0
			? readings.reduce((sum, { minutes, rollRad }) => sum + (minutes - meanMinutes) * (rollRad - meanRoll), 0) / spread
			: null;
	const last = readings.reduce((latest, reading) => (reading.minutes >= latest.minutes ? reading : latest));
	const nowRad = meanRoll + (slope ?? 0) * (last.minutes - meanMinutes);
	const driftErrorRadPerMinute = slope === null || count < 3 ? null : Math.sqrt(residual(slope) / (count - 2) / spread);
	function residual(rate: number): number {
		return readings.reduce(
			(sum, { minutes, rollRad }) => sum + (rollRad - meanRoll - rate * (minutes - meanMinutes)) ** 2,
			0
		);
	}

	const real = slope !== null && Math.abs(slope) > 2 * (driftErrorRadPerMinute ?? 0);
	const figures = { driftRadPerMinute: slope, nowRad, driftErrorRadPerMinute };
	if (Math.abs(nowRad) >= limitRad) return { ...figures, due: true, dueInMinutes: 0, why: 'leans' };
	if (input.calibratedAtC !== null && Math.abs(last.temperatureC - input.calibratedAtC) > temperatureLimitC)
		return { ...figures, due: true, dueInMinutes: 0, why: 'temperature' };
	if (real && slope !== 0) {
		const dueInMinutes = (Math.sign(slope) * limitRad - nowRad) / slope;
		if (dueInMinutes <= furthestMinutes) return { ...figures, due: false, dueInMinutes, why: 'drifts' };
	}
	return { ...figures, due: false, dueInMinutes: null, why: 'steady' };
}
