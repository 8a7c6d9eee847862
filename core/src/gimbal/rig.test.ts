import { describe, expect, it } from 'vitest';
import { combineBodies, midTravel, mountPayload, PhysicsInputError } from '../index';
import { samplePayload, sampleRig } from '../testing/sampleRig';

describe('mountPayload', () => {
	const chain = mountPayload({ rig: sampleRig, payload: samplePayload });

	it('hangs the payload on the innermost axis, where the gimbal carries it', () => {
		const mounted = chain.parts.filter(({ id }) => id.startsWith('payload:'));
		expect(mounted.map(({ id }) => id)).toEqual(['payload:camera', 'payload:lens']);
		expect(mounted.every(({ hangsOn }) => hangsOn === 'tilt')).toBe(true);
		expect(mounted[0]!.body.cgM).toEqual([-0.02, 0.004, expect.closeTo(0, 15)]);
	});

	it('moves the payload with every slide that carries it, and keeps what else they carry', () => {
		for (const slide of chain.slides)
			expect(slide.moves).toEqual(expect.arrayContaining(['payload:camera', 'payload:lens']));
		expect(chain.slides.find(({ id }) => id === 'crossbar')!.moves).toContain('tilt');
		expect(chain.slides.flatMap(({ moves }) => moves)).not.toContain('payload');
	});

	it('cannot mix a payload part up with a part of the gimbal of the same name', () => {
		const twice = mountPayload({
			rig: sampleRig,
			payload: [{ id: 'cradle', body: { massKg: 1, cgM: [0, 0, 0] } }]
		});
		expect(new Set(twice.parts.map(({ id }) => id)).size).toBe(twice.parts.length);
	});

	it('adds the masses of both', () => {
		const total = combineBodies({ bodies: chain.parts.map(({ body }) => body) }).massKg;
		expect(total).toBeCloseTo(0.9 + 0.4 + 0.4 + 0.4 + 0.7 + 0.5, 12);
	});

	it('refuses an empty payload', () => {
		expect(() => mountPayload({ rig: sampleRig, payload: [] })).toThrow(PhysicsInputError);
	});
});

describe('midTravel', () => {
	it('stands every slide in the middle of its range', () => {
		const [first] = sampleRig.slides;
		expect(midTravel([{ ...first!, rangeM: [-0.02, 0.06] }])).toEqual({ plate: expect.closeTo(0.02, 15) });
	});
});
