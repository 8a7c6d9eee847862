import { balanceGimbal, mountPayload } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { GimbalGeometry } from './model';
import { brokenReference, gimbalDraft } from './geometry.server';
import { validated } from '$lib/server/api';
import { bodies, payload, rig } from '$lib/testing/scenario';
import { lengthsOf, orderOf, withLength, withOrder } from './lengths';
import { axisOrders, patterns, gimbalFromPattern } from './patterns';

/** A payload of the wanted mass, made of the scenario's smallest build. */
const build = (massKg: number) => {
	const parts = bodies(payload('wide'));
	const factor = massKg / parts.reduce((sum, { body }) => sum + body.massKg, 0);
	return parts.map(({ id, body }) => ({ id, body: { ...body, massKg: body.massKg * factor } }));
};
const solve = (geometry: GimbalGeometry, massKg: number) =>
	balanceGimbal({ chain: mountPayload({ rig: geometry, payload: build(massKg) }) });

describe.each(patterns.map((pattern) => [pattern.name, pattern] as const))('the pattern %s', (_, pattern) => {
	const draft = gimbalFromPattern(pattern, 'Mine');
	it('is a gimbal that the server takes as it is', () => {
		expect(validated(draft, gimbalDraft)).toEqual(draft);
		expect(brokenReference(draft.geometry)).toBeNull();
		expect(orderOf(draft.geometry)).toBe(pattern.order);
	});
	it('says its own lengths', () => {
		const lengths = lengthsOf(draft.geometry);
		for (const which of ['reachM', 'halfWidthM', 'baseM', 'dropM'] as const)
			expect(lengths[which]).toBeCloseTo(pattern.lengths[which], 9);
	});
	it('has slides for everything but what friction and motors forgive, with a build in its range on it', () => {
		const massKg = (pattern.payloadKg[0] + pattern.payloadKg[1]) / 2;
		const roomy = {
			...draft.geometry,
			slides: draft.geometry.slides.map((slide) => ({ ...slide, rangeM: [-1, 1] as const }))
		};
		const { axes } = solve(roomy, massKg);
		// A pattern's own arms may lean a little where it has no slide: never more than a tenth of the motor.
		for (const { id, motorShare } of axes) expect(motorShare, id).toBeLessThan(0.1);
	});
});

describe('a length changed', () => {
	it.each(['reachM', 'halfWidthM', 'baseM', 'dropM'] as const)('%s stretches itself and leaves the others', (which) => {
		for (const name of ['Small', 'Large']) {
			const { geometry } = rig(name);
			const before = lengthsOf(geometry);
			const after = lengthsOf(withLength(geometry, which, before[which] * 1.3));
			for (const each of ['reachM', 'halfWidthM', 'baseM', 'dropM'] as const)
				expect(after[each], `${name} ${each}`).toBeCloseTo(before[each] * (each === which ? 1.3 : 1), 9);
		}
	});
	it('and changed back is the gimbal it was', () => {
		const { geometry } = rig('Small');
		const back = withLength(withLength(geometry, 'reachM', 0.21), 'reachM', lengthsOf(geometry).reachM);
		back.parts.forEach((part, index) =>
			part.body.cgM.forEach((value, k) => expect(value).toBeCloseTo(geometry.parts[index]!.body.cgM[k]!, 12))
		);
		expect(back.slides).toEqual(geometry.slides);
	});
	it('to nothing, or to something that is no number, changes nothing', () => {
		const { geometry } = rig('Small');
		expect(withLength(geometry, 'reachM', 0)).toBe(geometry);
		expect(withLength(geometry, 'baseM', Number.NaN)).toBe(geometry);
	});
});

describe('another order of axes', () => {
	it.each(axisOrders)('%s keeps torques, frictions and scales of what remains, and holds together', (order) => {
		const { geometry } = rig('Small');
		const other = withOrder(geometry, order);
		expect(orderOf(other)).toBe(order);
		expect(brokenReference(other)).toBeNull();
		for (const axis of other.axes) {
			const was = geometry.axes.find(({ id }) => id === axis.id)!;
			expect([axis.motorTorqueNm, axis.frictionNm]).toEqual([was.motorTorqueNm, was.frictionNm]);
		}
		const plate = (of: GimbalGeometry) => of.slides.find(({ id }) => id === 'plate')!.rangeM;
		expect(plate(other)).toEqual(plate(geometry));
		expect(() => solve(other, 1)).not.toThrow();
	});
	it('asked for again is the same gimbal', () => {
		const { geometry } = rig('Large');
		expect(withOrder(geometry, 'pan-roll-tilt')).toBe(geometry);
	});
});

describe('a gimbal with a hole in it', () => {
	const { geometry } = rig('Small');
	it.each([
		['a part on no axis', { parts: geometry.parts.map((part) => ({ ...part, hangsOn: 'yaw' })) }, 'yaw'],
		[
			'a slide that moves nothing known',
			{ slides: geometry.slides.map((slide) => ({ ...slide, moves: ['wing'] })) },
			'wing'
		],
		[
			'a place carried by no slide',
			{ counterweightPlaces: geometry.counterweightPlaces.map((place) => ({ ...place, movesWith: ['x'] })) },
			'x'
		]
	])('is found: %s', (_, change, name) => expect(brokenReference({ ...geometry, ...change })).toBe(name));
	it('is refused by name at the door', () => {
		const { id: _id, ...draft } = rig('Small');
		const bad = {
			...draft,
			geometry: { ...geometry, parts: geometry.parts.map((part) => ({ ...part, hangsOn: 'yaw' })) }
		};
		expect(() => validated(bad, gimbalDraft)).toThrow();
		expect(() => validated({ ...draft, greatestPayloadKg: 0.1 }, gimbalDraft)).toThrow();
	});
});
