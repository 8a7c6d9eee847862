import { describe, expect, it } from 'vitest';
import type { LiveSettings } from '$lib/model/liveHead';
import { freshSettings } from '../db/liveHeads';
import { liveSettings } from './live';

const fresh = freshSettings('small');
const wrongWith = (settings: unknown) => liveSettings.validate(settings, { abortEarly: false }).error?.message ?? null;

describe('what the server takes of a head at the desk', () => {
	it('is what it is made with, without where its lens is or how far it gives', () => {
		expect(wrongWith(fresh)).toBeNull();
		expect(fresh.camera.lens).toBeUndefined();
		expect(fresh.place.givesM).toBeUndefined();
	});
	it('is where its lens is, within a metre, and how it is known', () => {
		const lens = (at: LiveSettings['camera']['lens'] | object) =>
			wrongWith({ ...fresh, camera: { ...fresh.camera, lens: at } });
		expect(lens(null)).toBeNull();
		expect(lens({ atM: [0.06, -1, 1], from: 'measured' })).toBeNull();
		expect(lens({ atM: [0.06, -1.001, 0], from: 'measured' })).toMatch(/the lens is to the left/);
		expect(lens({ atM: [1.001, 0, 0], from: 'drawing' })).toMatch(/the lens is ahead/);
		expect(lens({ atM: [0.06, 0, Infinity], from: 'drawing' })).not.toBeNull();
		expect(lens({ atM: [0.06, 0, 0] })).not.toBeNull();
	});
	it('is how far it gives, from nothing to a metre', () => {
		const gives = (givesM: unknown) => wrongWith({ ...fresh, place: { ...fresh.place, givesM } });
		expect([0, 1, null].map(gives)).toEqual([null, null, null]);
		expect(gives(-0.001)).toMatch(/how far it gives/);
		expect(gives(1.001)).toMatch(/how far it gives/);
		expect(gives(NaN)).not.toBeNull();
	});
});
