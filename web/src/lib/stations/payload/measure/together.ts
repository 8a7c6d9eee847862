import { type CombinedMeasurement, combineMeasurements } from '@poise/core';
import type { FoundCoordinate, Measurement } from '$lib/model/measurement';

/** All measurements of one direction, and what they say together. */
export interface MeasuredAxis {
	readonly which: 0 | 1 | 2;
	readonly entries: readonly (FoundCoordinate & { readonly entry: Measurement })[];
	readonly told: CombinedMeasurement;
}

/** The measurements sorted by direction; directions nobody measured are left out. */
export function measuredAxes(measurements: readonly Measurement[]): MeasuredAxis[] {
	return ([0, 1, 2] as const).flatMap((which) => {
		const entries = measurements.flatMap((entry) =>
			entry.found.filter((each) => each.axis === which).map((each) => ({ entry, ...each }))
		);
		if (entries.length === 0) return [];
		const told = combineMeasurements({
			measurements: entries.map(({ valueM, sigmaM }) => ({ value: valueM, sigma: sigmaM }))
		});
		return [{ which, entries, told }];
	});
}

/** What speaks for a direction: the picked measurement, or all of them together. */
export function spokenFor(
	axes: readonly MeasuredAxis[],
	picked: Readonly<Record<number, string | null>>,
	which: 0 | 1 | 2
): { readonly valueM: number; readonly sigmaM: number } | null {
	const group = axes.find((each) => each.which === which);
	if (group === undefined) return null;
	const entry = group.entries.find(({ entry }) => entry.id === picked[which]);
	return entry === undefined
		? { valueM: group.told.value, sigmaM: group.told.sigma }
		: { valueM: entry.valueM, sigmaM: entry.sigmaM };
}
