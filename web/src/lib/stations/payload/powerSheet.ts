import { chargeFromIndicator, PhysicsInputError, powerPlan } from '@poise/core';
import type { Part } from '$lib/model/part';
import type { PowerPaper } from '$lib/model/paper';
import type { StandingPart } from '$lib/model/payload';

/** What a payload's power comes to; null while something in it cannot be worked out. */
export function powerFigures(paper: PowerPaper) {
	try {
		const plan = powerPlan(paper);
		const fullest = plan.sources.find(({ setRunTimeS }) => setRunTimeS !== null);
		const steps = [...paper.indicator].sort((a, b) => a - b);
		const charge =
			fullest === undefined || fullest.setRunTimeS === null || paper.lit > steps.length
				? null
				: chargeFromIndicator({
						fromShares: steps,
						lit: paper.lit,
						// A set lasts so long down to the margin; the indicator counts from full to empty.
						fullRunTimeS: fullest.setRunTimeS / (1 - paper.marginShare),
						marginShare: paper.marginShare
					});
		return { plan, charge, firstId: fullest?.id ?? null };
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return null;
		throw thrown;
	}
}

/** Rough draws of each kind of gear, to begin from; every one of them is to be replaced by the maker's figure. */
const roughDrawW: Partial<Record<Part['kind'], number>> = { camera: 12, monitor: 6, motor: 4, microphone: 1 };

/** A first power sheet from what stands on the plate: one battery, one straight tap, a rough draw for each user. */
export function freshPower(parts: readonly StandingPart[], newId: () => string): PowerPaper {
	const worn = parts.find(({ part }) => part.kind === 'battery');
	const sourceId = newId();
	const tapId = newId();
	const heavy = parts.some(({ part }) => part.kind === 'camera' && part.massKg > 2);
	return {
		sources: [
			{
				id: sourceId,
				name: worn?.part.name ?? 'Camera battery',
				capacityWh: worn === undefined ? 16 : 98,
				voltageV: worn === undefined ? 7.2 : 14.4,
				count: 3,
				atOnce: 1,
				ageFactor: 0.9
			}
		],
		taps: [
			{ id: tapId, name: 'Camera plate', sourceId, voltageV: worn === undefined ? 7.2 : 14.4, limitA: 8, efficiency: 1 }
		],
		loads: parts.flatMap(({ part }) => {
			const drawW = part.kind === 'camera' && heavy ? 45 : roughDrawW[part.kind];
			return drawW === undefined ? [] : [{ id: newId(), name: part.name, tapId, drawW }];
		}),
		marginShare: 0.15,
		jobS: 4 * 3600,
		indicator: [0, 0.25, 0.5, 0.75],
		lit: 4
	};
}
