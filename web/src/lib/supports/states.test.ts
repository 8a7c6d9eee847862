import { describe, expect, it } from 'vitest';
import { benchFigures, completePositions, solveWithLooks } from '$lib/supports/gimbal/figures';
import type { Look } from '$lib/supports/gimbal/model';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import { balanceStation, logStation } from './gimbal/station';
import { payloadStation } from './states';

const small = rig('Small');
const wide = payload('wide');
const targets = targetsOf(small, wide);
const figuresAt = (positionsM: Record<string, number>) => benchFigures(small, bodies(wide), positionsM);

describe('the vials of the day line', () => {
	it('show an empty tube for an empty plate, and the bubble on the light side of a heavy one', () => {
		expect(payloadStation(0, null).offset).toBeNull();
		expect(payloadStation(2, { cgM: [0.05, 0, 0] })).toMatchObject({ offset: -5, words: 'heavy forward' });
		expect(Math.abs(payloadStation(2, { cgM: [0.004, 0, 0] }).offset!)).toBeLessThanOrEqual(1);
	});

	const looks: Look[] = small.geometry.slides.map(({ id, balances }) => ({
		axisId: balances,
		kind: 'way',
		slideId: id,
		observation: 'holds',
		positionsM: targets
	}));
	const seenAt = (positionsM: Record<string, number>) =>
		benchFigures(small, bodies(wide), positionsM, solveWithLooks(small, bodies(wide), looks));

	it('have three words: in place as computed, poised as seen, logged', () => {
		expect(balanceStation(figuresAt(targets)).words).toBe('in place, not let go yet');
		expect(balanceStation(seenAt(targets)).words).toBe('poised');
		const off = balanceStation(figuresAt({ ...targets, plate: targets.plate! + 0.01 }));
		expect(off.words).toBe('not in place yet');
		// The plate stands too far forward, so it is heavy forward and the bubble runs back.
		expect(off.offset!).toBeLessThan(-1);
		const heavy = benchFigures(small, bodies(payload('Cine')), completePositions(small, {}));
		expect(balanceStation(heavy).words).toBe('too heavy for the gimbal');
	});

	it('know whether this setting is in the logbook', () => {
		const figures = figuresAt(targets);
		expect(logStation(figures, targets, null).words).toBe('in place, not logged');
		expect(logStation(seenAt(targets), targets, null).words).toBe('poised, not logged');
		expect(logStation(figures, targets, { positionsM: targets }).words).toBe('logged');
		const moved = { ...targets, plate: targets.plate! + 0.005 };
		expect(logStation(figures, moved, { positionsM: targets }).words).toBe('changed since it was logged');
		expect(logStation(figuresAt(moved), moved, null).offset).toBeNull();
	});
});
