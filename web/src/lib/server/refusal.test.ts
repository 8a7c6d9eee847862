import { describe, expect, it } from 'vitest';
import { idOf, validated } from './api';
import { asRefusal, Refusal, refusals } from './refusal';
import { gimbalGeometry } from '../supports/gimbal/geometry.server';
import { newPart } from './schemas/part';
import { rig } from '$lib/testing/scenario';

const thrownBy = (work: () => unknown): Refusal => {
	try {
		work();
	} catch (thrown) {
		return asRefusal(thrown);
	}
	throw new Error('Nothing was thrown.');
};
const databaseError = (code: string) => Object.assign(new Error('from the driver'), { code });

describe('asRefusal', () => {
	it('keeps a refusal as it is', () => {
		const refusal = new Refusal('stale');
		expect(asRefusal(refusal)).toBe(refusal);
		expect(refusal.body).toEqual({ error: { code: 'stale', message: refusals.stale[1] } });
	});

	it('reads the database’s own codes, however deep they are wrapped', () => {
		expect(asRefusal(databaseError('23505'))).toMatchObject({
			code: 'nameTaken',
			fields: { name: expect.any(String) }
		});
		for (const code of ['ECONNREFUSED', 'CONNECT_TIMEOUT', 'CONNECTION_ENDED', '08006', '57P01'])
			expect(asRefusal(new Error('query failed', { cause: databaseError(code) })).code).toBe('databaseAway');
	});

	it('has words of its own for what is taken into use in the same moment, and for a full disk', () => {
		const used = asRefusal(new Error('query failed', { cause: databaseError('23503') }));
		expect([used.code, used.status]).toEqual(['inUse', 409]);
		const full = asRefusal(databaseError('53100'));
		expect([full.code, full.status]).toEqual(['databaseFull', 503]);
		expect(full.message).toMatch(/room/);
		expect(asRefusal(databaseError('ECONNRESET')).status).toBe(503);
	});

	it('says nothing of what it does not know', () => {
		for (const thrown of [new TypeError('secret detail'), 'text', undefined, databaseError('22P02')]) {
			const refusal = asRefusal(thrown);
			expect([refusal.code, refusal.status]).toEqual(['internal', 500]);
			expect(JSON.stringify(refusal.body)).not.toContain('secret');
		}
	});
});

describe('validated', () => {
	const lens = {
		name: 'x',
		kind: 'lens',
		massKg: 1,
		shape: { sizeM: [0.1, 0.1, 0.1], cgFromMiddleM: null, extensionM: 0 }
	};

	it('gives back what it was given, unconverted', () => {
		expect(validated(lens, newPart)).toEqual(lens);
		expect(thrownBy(() => validated({ ...lens, massKg: '1' }, newPart)).fields).toEqual({
			massKg: 'The mass in kg must be a number.'
		});
	});

	it('names every field that is wrong at once, in sentences', () => {
		const wrong = { ...lens, name: '', massKg: -1, shape: { ...lens.shape, sizeM: [0, 0.1, 9] } };
		const { fields } = thrownBy(() => validated(wrong, newPart));
		expect(Object.keys(fields!).sort()).toEqual(['massKg', 'name', 'shape.sizeM.0', 'shape.sizeM.2']);
		for (const message of Object.values(fields!)) expect(message).toMatch(/^[A-Z].*\.$/);
	});

	it('checks a gimbal stroke by stroke and slide by slide', () => {
		const { geometry } = rig('Small');
		expect(validated(geometry, gimbalGeometry)).toEqual(geometry);
		const backwards = { ...geometry, slides: [{ ...geometry.slides[0], rangeM: [0.1, -0.1] }] };
		expect(thrownBy(() => validated(backwards, gimbalGeometry)).fields!['slides.0.rangeM']).toContain(
			'least above its greatest'
		);
		const scribble = { ...geometry, strokes: [{ kind: 'scribble' }] };
		expect(Object.keys(thrownBy(() => validated(scribble, gimbalGeometry)).fields!)[0]).toMatch(/^strokes\.0/);
		const bent = { ...geometry, strokes: [{ kind: 'tube', partId: 'handle', pointsM: [[0, 0, 0]], widthM: 0.01 }] };
		expect(Object.keys(thrownBy(() => validated(bent, gimbalGeometry)).fields!)[0]).toMatch(/^strokes\.0\.pointsM/);
	});
});

describe('idOf', () => {
	it('takes ids in either case and refuses everything else as unknown', () => {
		expect(idOf('01A20999-7C41-768E-BAEA-0DCA84BB4448')).toBe('01a20999-7c41-768e-baea-0dca84bb4448');
		for (const text of [undefined, '', 'x', '01a20999', "'; drop table parts; --"])
			expect(thrownBy(() => idOf(text)).code).toBe('notFound');
	});
});
