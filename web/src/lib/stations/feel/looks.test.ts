import { describe, expect, it } from 'vitest';
import { lightTurning, testSheet } from '$lib/testing/feel';
import { costsOf, drawnW } from './costs';
import { reckonedDelayS, reckonedResidualNm, sagSeen } from './looks';
import type { StiffnessLook } from './model';

const look = (next: Partial<StiffnessLook>): StiffnessLook => ({
	id: '1',
	at: '2026-11-01T10:00:00.000Z',
	by: 'Pia Tolland',
	kind: 'buzzes',
	axis: 'pan',
	stiffness: 70,
	leanRad: 0,
	payloadId: 'p',
	payloadName: 'Compact body',
	naturalRadPerS: 60,
	stiffnessNmPerRad: 20,
	residualNm: lightTurning.residualNm,
	struck: false,
	...next
});

describe('a buzz', () => {
	it('makes the motors later the softer it came, whoever’s payload it was', () => {
		const at = (naturalRadPerS: number) =>
			reckonedDelayS(testSheet({ looks: [look({ naturalRadPerS, payloadId: 'other' })] }));
		expect(at(30)).toBeCloseTo(2 * at(60), 9);
		expect(at(60)).not.toBe(testSheet().delayS);
	});
	it('struck out does not count', () => {
		expect(reckonedDelayS(testSheet({ looks: [look({ struck: true })] }))).toBe(testSheet().delayS);
	});
	it('several have their middle say', () => {
		const looks = [look({}), look({ id: '2' }), look({ id: '3', naturalRadPerS: 6 })];
		expect(reckonedDelayS(testSheet({ looks }))).toBe(reckonedDelayS(testSheet({ looks: [look({})] })));
	});
});

describe('a sag', () => {
	const sags = look({ kind: 'sags', leanRad: 0.1 });
	const reckoned = (looks: readonly StiffnessLook[], payload = 'p', turning = lightTurning) =>
		reckonedResidualNm(testSheet({ looks }), payload, 'pan', turning);
	it('is the torque that leans the motor so far', () => {
		expect(reckoned([])).toBe(lightTurning.residualNm);
		expect(reckoned([sags])).toBeCloseTo(2, 9);
	});
	it('counts for that payload, axis and balance alone, the newest of them', () => {
		expect(reckoned([sags], 'other')).toBe(lightTurning.residualNm);
		expect(reckonedResidualNm(testSheet({ looks: [sags] }), 'p', 'tilt', lightTurning)).toBe(lightTurning.residualNm);
		const rebalanced = { ...lightTurning, residualNm: 0.4 };
		expect(reckoned([sags], 'p', rebalanced)).toBe(0.4);
		expect(reckoned([sags, look({ id: '2', kind: 'sags', leanRad: 0.05 })])).toBeCloseTo(1, 9);
		expect(sagSeen(testSheet({ looks: [{ ...sags, struck: true }] }), 'p', 'pan', lightTurning)).toBeNull();
	});
});

describe('what a bad balance costs', () => {
	it('grows with it, less for a stiffer motor, and asks for the battery only where the motor is known', () => {
		const sheet = testSheet();
		const minutes = (watts: number) => watts;
		const soft = costsOf(sheet, 'p', 'pan', lightTurning, 20, minutes);
		const stiff = costsOf(sheet, 'p', 'pan', lightTurning, 40, minutes);
		expect(soft.sagRad / stiff.sagRad).toBeCloseTo(4, 9);
		expect(soft.motorShare).toBeCloseTo(0.02 / 1.2, 9);
		expect(soft.minutes).toBeCloseTo((0.02 / 1.2) ** 2 * sheet.fullDrawW, 12);
		expect(costsOf(sheet, 'p', 'pan', { ...lightTurning, motorNm: null }, 20, minutes)).toMatchObject({
			motorShare: null,
			minutes: null
		});
	});
	it('never draws more than all there is', () => {
		expect([drawnW(0.5, 20), drawnW(3, 20)]).toEqual([5, 20]);
	});
});
