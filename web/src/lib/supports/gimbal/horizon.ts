/** A look at the horizon, or a recalibration, since some power-on. */
export interface NewHorizonEntry {
	readonly kind: 'reading' | 'calibration';
	readonly minutes: number;
	/** Positive: the picture leans clockwise. 0 for a calibration. */
	readonly rollRad: number;
	readonly temperatureC: number;
}

export interface HorizonEntry extends NewHorizonEntry {
	readonly id: string;
	readonly personName: string;
	readonly at: string;
}

/** The readings since the last calibration or power-on, and the temperature of that calibration. */
export function sinceCalibration(entries: readonly HorizonEntry[]): {
	readings: readonly HorizonEntry[];
	calibratedAtC: number | null;
} {
	const byTime = [...entries].sort((a, b) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id));
	const last = byTime.findLastIndex(({ kind }) => kind === 'calibration');
	let start = last + 1;
	// The clock runs back: the gimbal was switched off in between.
	for (let k = start + 1; k < byTime.length; k += 1)
		if ((byTime[k] as HorizonEntry).minutes < (byTime[k - 1] as HorizonEntry).minutes) start = k;
	return { readings: byTime.slice(start), calibratedAtC: byTime[last]?.temperatureC ?? null };
}
