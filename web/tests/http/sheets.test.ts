import { randomUUID } from 'node:crypto';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { HorizonEntry } from '../../src/lib/supports/gimbal/horizon';
import type { GearChange } from '../../src/lib/model/measurement';
import type { Part } from '../../src/lib/model/part';
import type { Payload } from '../../src/lib/model/payload';
import type { Gimbal } from '../../src/lib/supports/gimbal/model';
import { send, type Served, serve } from '../application';

let served: Served;
let parts: Part[];
let payloads: Payload[];
let rigs: Gimbal[];
const ask = (method: string, path: string, body?: unknown) => send(served.origin, method, path, body);

beforeAll(async () => {
	served = await serve();
	parts = (await ask('GET', '/api/parts')).body;
	payloads = (await ask('GET', '/api/payloads')).body;
	rigs = (await ask('GET', '/api/supports/gimbal')).body;
});
afterAll(() => served?.stop());
const lens = () => parts.find(({ name }) => name === '35 mm prime')!;

describe('a gimbal', () => {
	const draftOf = ({ name, leastPayloadKg, greatestPayloadKg, geometry }: Gimbal) => ({
		name,
		leastPayloadKg,
		greatestPayloadKg,
		geometry
	});
	it('is made, saved against its version, refused from an older one, and deleted with its bench', async () => {
		const made = await ask('POST', '/api/supports/gimbal', { ...draftOf(rigs[0]!), name: 'Second rig' });
		expect(made.status).toBe(200);
		const { id, version } = made.body as Gimbal;
		expect(
			(await ask('PUT', `/api/supports/gimbal/${id}`, { ...draftOf(rigs[0]!), name: 'Second rig, changed', version }))
				.body.version
		).toBe(version! + 1);
		const stale = await ask('PUT', `/api/supports/gimbal/${id}`, { ...draftOf(rigs[0]!), name: 'Late', version });
		expect([stale.status, stale.body.error.code]).toEqual([409, 'stale']);
		const positionsM = Object.fromEntries(rigs[0]!.geometry.slides.map((slide) => [slide.id, 0]));
		expect((await ask('PUT', `/api/benches/${id}/${payloads[0]!.id}`, { positionsM, nudges: [] })).status).toBe(200);
		expect((await ask('DELETE', `/api/supports/gimbal/${id}`)).status).toBe(200);
		expect((await ask('GET', `/api/supports/gimbal/${id}`)).status).toBe(404);
	});
	it.each([
		[
			'a payload range upside down',
			(rig: Gimbal) => ({ ...draftOf(rig), name: 'x', leastPayloadKg: 3, greatestPayloadKg: 2 })
		],
		[
			'a part that hangs on nothing',
			(rig: Gimbal) => ({
				...draftOf(rig),
				name: 'x',
				geometry: { ...rig.geometry, parts: rig.geometry.parts.map((part) => ({ ...part, hangsOn: 'yaw' })) }
			})
		],
		[
			'a slide with its ends changed',
			(rig: Gimbal) => ({
				...draftOf(rig),
				name: 'x',
				geometry: { ...rig.geometry, slides: rig.geometry.slides.map((slide) => ({ ...slide, rangeM: [1, 0] })) }
			})
		],
		['no name', (rig: Gimbal) => ({ ...draftOf(rig), name: ' ' })]
	])('is refused with %s', async (_, bad) => {
		const answer = await ask('POST', '/api/supports/gimbal', bad(rigs[0]!));
		expect(answer.status).toBe(422);
		expect(Object.keys(answer.body.error.fields).length).toBeGreaterThan(0);
	});
	it('that is another’s name is refused at the name', async () => {
		const answer = await ask('POST', '/api/supports/gimbal', draftOf(rigs[0]!));
		expect([answer.status, Object.keys(answer.body.error.fields)]).toEqual([409, ['name']]);
	});
});

describe('a measured figure', () => {
	const figure = { cgFromMiddleM: [0.004, 0, 0], cgSigmaM: [0.001, 0.001, 0.001], cgFrom: 'on a rod' };
	it('goes into the part, is kept with what was before, and comes back exactly', async () => {
		const before = lens().shape;
		const { body } = await ask('POST', '/api/gear', { about: 'part', partId: lens().id, from: 'on a rod', figure });
		const now = ((await ask('GET', '/api/parts')).body as Part[]).find(({ id }) => id === lens().id)!;
		expect(now.shape).toMatchObject(figure);
		const changes = (await ask('GET', '/api/gear')).body as GearChange[];
		expect(changes[0]).toMatchObject({
			id: body.id,
			undone: false,
			personName: 'Joss Averley',
			before: { cgFromMiddleM: null }
		});
		expect((await ask('DELETE', `/api/gear/${body.id}`)).status).toBe(200);
		expect(((await ask('GET', '/api/parts')).body as Part[]).find(({ id }) => id === lens().id)!.shape).toEqual(before);
		expect((await ask('DELETE', `/api/gear/${body.id}`)).status).toBe(404);
	});
	it('moves a scale’s zero and puts it back', async () => {
		const [rig] = rigs;
		const slide = rig!.geometry.slides[0]!;
		const zero = { readingAtZeroM: slide.scale.readingAtZeroM + 0.002, zeroSigmaM: 0.0005 };
		const { body } = await ask('POST', '/api/gear', {
			about: 'zero',
			supportId: rig!.id,
			slideId: slide.id,
			from: 'learned',
			figure: zero
		});
		const read = async () =>
			((await ask('GET', `/api/supports/gimbal/${rig!.id}`)).body as Gimbal).geometry.slides[0]!.scale.readingAtZeroM;
		expect(await read()).toBeCloseTo(zero.readingAtZeroM, 12);
		await ask('DELETE', `/api/gear/${body.id}`);
		expect(await read()).toBe(slide.scale.readingAtZeroM);
	});
	it.each([
		['a certainty', { ...figure, cgSigmaM: [0, 0, 0] }],
		['two coordinates', { ...figure, cgFromMiddleM: [0, 0] }],
		['a centre a street away', { ...figure, cgFromMiddleM: [40, 0, 0] }]
	])('is refused with %s', async (_, bad) =>
		expect((await ask('POST', '/api/gear', { about: 'part', partId: lens().id, from: 'x', figure: bad })).status).toBe(
			422
		)
	);
	it('of a part that is gone is not found', async () =>
		expect((await ask('POST', '/api/gear', { about: 'part', partId: randomUUID(), from: 'x', figure })).status).toBe(
			404
		));
});

describe('a measurement', () => {
	const entry = () => ({
		id: randomUUID() as string,
		partId: lens().id,
		payloadId: null,
		way: 'rod',
		found: [{ axis: 0, valueM: 0.003, sigmaM: 0.001 }],
		readings: '44 mm'
	});
	it('is kept, and thrown away', async () => {
		const { status, body } = await ask('POST', '/api/measurements', entry());
		expect(status).toBe(200);
		expect((await ask('DELETE', `/api/measurements?id=${body.id}`)).status).toBe(200);
	});
	it('sent again after a lost answer is the same one', async () => {
		const one = entry();
		for (let k = 0; k < 3; k += 1) expect((await ask('POST', '/api/measurements', one)).body.id).toBe(one.id);
		const sql = postgres(served.databaseUrl, { max: 1 });
		const [row] = await sql`select count(*)::int as count from measurements where id = ${one.id}`;
		await sql.end();
		expect(row!.count).toBe(1);
		expect((await ask('DELETE', `/api/measurements?id=${one.id}`)).status).toBe(200);
	});
	it.each([
		['of nothing', () => ({ ...entry(), partId: null })],
		['of a part and a build at once', () => ({ ...entry(), payloadId: payloads[0]!.id })],
		['of one direction twice', () => ({ ...entry(), found: [...entry().found, ...entry().found] })],
		['by a way unknown', () => ({ ...entry(), way: 'guess' })]
	])('%s is refused', async (_, bad) => expect((await ask('POST', '/api/measurements', bad())).status).toBe(422));
});

describe('papers', () => {
	it('of a kind unknown are not found, and of a payload gone neither', async () => {
		expect((await ask('GET', `/api/payloads/${payloads[0]!.id}/papers/diary`)).status).toBe(404);
		expect(
			(await ask('PUT', `/api/payloads/${randomUUID()}/papers/checklist`, { items: [], waived: null })).status
		).toBe(404);
	});
	it('are refused line by line', async () => {
		const answer = await ask('PUT', `/api/payloads/${payloads[0]!.id}/papers/checklist`, {
			items: [{ id: randomUUID(), text: ' ', ticked: null }],
			waived: { reason: '', by: 'x', at: 'yesterday' }
		});
		expect(answer.status).toBe(422);
		expect(Object.keys(answer.body.error.fields)).toEqual(
			expect.arrayContaining(['items.0.text', 'waived.reason', 'waived.at'])
		);
	});
});

describe('the horizon log', () => {
	it('takes a reading, gives the log back, and drops it again', async () => {
		const path = `/api/supports/gimbal/${rigs[1]!.id}/entries`;
		const added = (await ask('POST', path, { kind: 'reading', minutes: 12, rollRad: 0.004, temperatureC: 21 }))
			.body as HorizonEntry[];
		expect(added[0]).toMatchObject({ minutes: 12, rollRad: 0.004, personName: 'Joss Averley' });
		expect((await ask('DELETE', `${path}?entry=${added[0]!.id}`)).body).toHaveLength(added.length - 1);
	});
	it.each([
		['before power-on', { kind: 'reading', minutes: -1, rollRad: 0, temperatureC: 20 }],
		['on its side', { kind: 'reading', minutes: 1, rollRad: 2, temperatureC: 20 }],
		['in a furnace', { kind: 'reading', minutes: 1, rollRad: 0, temperatureC: 900 }]
	])('refuses a reading %s', async (_, bad) =>
		expect((await ask('POST', `/api/supports/gimbal/${rigs[1]!.id}/entries`, bad)).status).toBe(422)
	);
});

describe('a variant', () => {
	it('joins the family of what it is a variant of, which thereby has one', async () => {
		const [first] = payloads.filter(({ familyId }) => !familyId);
		const { name, platePartId, placements } = first!;
		const made = (
			await ask('POST', '/api/payloads', { name: `${name}, other`, platePartId, placements, variantOf: first!.id })
		).body as Payload;
		const original = (await ask('GET', `/api/payloads/${first!.id}`)).body as Payload;
		expect(made.familyId).toBeTruthy();
		expect(original.familyId).toBe(made.familyId);
		expect(
			(await ask('POST', '/api/payloads', { name: 'x', platePartId, placements, variantOf: randomUUID() })).status
		).toBe(404);
	});
	it('keeps turns, arm and group of its parts, and refuses half a turn and an arm of nothing', async () => {
		const attitude = {
			quarters: [0, 1, 2],
			aboutUpRad: 0.3,
			extended: 0.5,
			group: 'g',
			arm: { lengthM: 0.1, aboutUpRad: 1, riseRad: 0.2, massKg: 0 }
		};
		const placed = (change: object) => ({
			name: `Turned ${randomUUID()}`,
			platePartId: payloads[0]!.platePartId,
			placements: [{ id: randomUUID(), partId: lens().id, positionM: [0, 0, 0], attitude: { ...attitude, ...change } }]
		});
		const made = (await ask('POST', '/api/payloads', placed({}))).body as Payload;
		expect(((await ask('GET', `/api/payloads/${made.id}`)).body as Payload).placements[0]!.attitude).toEqual(attitude);
		expect((await ask('POST', '/api/payloads', placed({ quarters: [0.5, 0, 0] }))).status).toBe(422);
		expect((await ask('POST', '/api/payloads', placed({ extended: 1.2 }))).status).toBe(422);
		expect((await ask('POST', '/api/payloads', placed({ arm: { ...attitude.arm, lengthM: 0 } }))).status).toBe(422);
	});
});
