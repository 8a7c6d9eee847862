import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inWords, whatChanged } from './edit';

describe('what changed of a document', () => {
	const gimbal = {
		name: 'Small',
		greatestPayloadKg: 2,
		geometry: { slides: [{ id: 'plate', label: 'Plate', rangeM: [-0.05, 0.05], scale: { readingAtZeroM: 0.05 } }] }
	};
	it('is named by the words of the thing, down to the field, without units', () => {
		const changed = structuredClone(gimbal);
		changed.greatestPayloadKg = 3;
		changed.geometry.slides[0]!.rangeM[1] = 0.06;
		changed.geometry.slides[0]!.scale.readingAtZeroM = 0.04;
		expect(whatChanged(gimbal, changed)).toEqual([
			'greatest payload',
			'geometry, slides, Plate, range',
			'geometry, slides, Plate, scale, reading at zero'
		]);
		expect(inWords('inclineRad')).toBe('incline');
	});
	it('counts what came and what went, and the shape number of the storage as nothing', () => {
		expect(whatChanged({ shape: 1, weights: [] }, { shape: 2, weights: [{ name: 'Plate weight' }] })).toEqual([
			'weights, Plate weight'
		]);
		expect(whatChanged({ note: 'a' }, {})).toEqual(['note']);
	});
	it('is nothing where nothing did, whatever stands there, and never more than a few', () =>
		fc.assert(
			fc.property(fc.jsonValue(), fc.jsonValue(), (one, other) => {
				expect(whatChanged({ one }, structuredClone({ one }))).toEqual([]);
				const said = whatChanged({ one }, { one: other });
				expect(said.length).toBeLessThanOrEqual(6);
				if (JSON.stringify(one) !== JSON.stringify(other) && typeof one !== typeof other)
					expect(said.length).toBeGreaterThan(0);
			})
		));
});
