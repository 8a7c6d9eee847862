import { randomUUID } from 'node:crypto';
import { balanceGimbal, mountPayload, seededRandom } from '@poise/core';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Part } from '../../src/lib/model/part';
import { mountedBodies, type Payload, standingParts } from '../../src/lib/model/payload';
import type { Gimbal } from '../../src/lib/supports/gimbal/model';
import { send, type Served, serve } from '../application';

let served: Served;
let parts: Part[];
let payloads: Payload[];
let rigs: Gimbal[];
const ask = (method: string, path: string, body?: unknown, headers?: Record<string, string>) =>
	send(served.origin, method, path, body, headers);

beforeAll(async () => {
	served = await serve();
	parts = (await ask('GET', '/api/parts')).body;
	payloads = (await ask('GET', '/api/payloads')).body;
	rigs = (await ask('GET', '/api/supports/gimbal')).body;
});
afterAll(() => served?.stop());

const prime = {
	name: '85 mm prime',
	kind: 'lens',
	massKg: 0.51,
	shape: { sizeM: [0.09, 0.08, 0.08], cgFromMiddleM: null, extensionM: 0 }
};
const plate = () => parts.find(({ kind }) => kind === 'plate')!;
const draft = (name: string, extra: object = {}) => ({ name, platePartId: plate().id, placements: [], ...extra });
const placement = (part: Part) => ({ id: randomUUID(), partId: part.id, positionM: [0.01, 0, 0] as const });

describe('health', () => {
	it('says that the database answers and which migration it is on', async () => {
		const { status, body } = await ask('GET', '/health');
		expect(status).toBe(200);
		expect(body).toEqual({
			...{ application: 'poise', instance: expect.any(String) },
			...{ database: 'answers', migration: expect.any(Number) }
		});
		expect(body.migration).toBeGreaterThan(0);
	});
});

describe('the demo scenario', () => {
	it('holds payloads, rigs and a logbook, and one payload that a gimbal cannot balance', async () => {
		expect(payloads.length).toBeGreaterThanOrEqual(3);
		expect(rigs.length).toBeGreaterThanOrEqual(2);
		expect((await ask('GET', '/api/balances')).body.length).toBeGreaterThanOrEqual(2);
		const shelf = new Map(parts.map((part) => [part.id, part]));
		const balanced = payloads.map(
			(payload) =>
				balanceGimbal({
					chain: mountPayload({ rig: rigs[0]!.geometry, payload: mountedBodies(standingParts(payload, shelf)) })
				}).balanced
		);
		expect(balanced).toContain(true);
		expect(balanced).toContain(false);
	});
});

describe('a part', () => {
	it('goes on the shelf, is changed and comes off', async () => {
		const made = await ask('POST', '/api/parts', prime);
		expect(made.status).toBe(200);
		const changed = await ask('PUT', `/api/parts/${made.body.id}`, { ...prime, massKg: 0.52 });
		expect(changed.body.massKg).toBe(0.52);
		const shelf: Part[] = (await ask('GET', '/api/parts')).body;
		const { meanwhile, ...saved } = changed.body;
		expect(meanwhile).toEqual([]);
		expect(shelf.find(({ id }) => id === made.body.id)).toEqual(saved);
		expect((await ask('DELETE', `/api/parts/${made.body.id}`)).status).toBe(200);
		expect((await ask('DELETE', `/api/parts/${made.body.id}`)).status).toBe(404);
	});

	it('two who change it at once each have what they changed, and are told of the other', async () => {
		const { id } = (await ask('POST', '/api/parts', { ...prime, name: 'For two' })).body;
		const begun = { ...prime, name: 'For two' };
		const [one, other] = await Promise.all([
			ask('PUT', `/api/parts/${id}`, { ...begun, massKg: 0.6, begun }),
			ask('PUT', `/api/parts/${id}`, { ...begun, name: 'Of two', begun })
		]);
		const shelf: Part[] = (await ask('GET', '/api/parts')).body;
		expect(shelf.find((each) => each.id === id)).toMatchObject({ name: 'Of two', massKg: 0.6 });
		const told = [...one.body.meanwhile, ...other.body.meanwhile];
		expect(told).toHaveLength(1);
		expect(told[0].stands).toBe('theirs');
		await ask('DELETE', `/api/parts/${id}`);
	});

	it('taken off and taken into use in the same moment: one of them is refused in words, whichever comes second', async () => {
		for (let round = 0; round < 12; round += 1) {
			const { id } = (await ask('POST', '/api/parts', { ...prime, name: `Raced ${round}` })).body;
			const [gone, used] = await Promise.all([
				ask('DELETE', `/api/parts/${id}`),
				ask('POST', '/api/payloads', {
					...draft(`Racing ${round}`),
					placements: [{ id: randomUUID(), partId: id, positionM: [0, 0, 0] }]
				})
			]);
			expect([gone.status, used.status].filter((status) => status === 200)).toHaveLength(1);
			const refused = gone.status === 200 ? used : gone;
			expect([409, 422]).toContain(refused.status);
			expect(refused.body.error.message.length).toBeGreaterThan(10);
			if (used.status === 200) {
				await ask('DELETE', `/api/payloads/${used.body.id}`);
				await ask('DELETE', `/api/parts/${id}`);
			}
		}
	});

	it('stays while a payload stands on it, and says which', async () => {
		const used = parts.find(({ name }) => name === 'Cine body')!;
		const { status, body } = await ask('DELETE', `/api/parts/${used.id}`);
		expect(status).toBe(409);
		expect(body.error).toMatchObject({ code: 'inUse', message: expect.stringContaining('Cine build') });
		expect((await ask('DELETE', `/api/parts/${plate().id}`)).status).toBe(409);
	});

	it('cannot have a name that is taken', async () => {
		const { status, body } = await ask('POST', '/api/parts', { ...prime, name: parts[0]!.name });
		expect(status).toBe(409);
		expect(body.error.fields.name).toContain('taken');
	});

	const shape = (change: object) => ({ ...prime, shape: { ...prime.shape, ...change } });
	it.each([
		['no mass', { ...prime, massKg: 0 }, 'massKg', 'more than 0'],
		['a negative mass', { ...prime, massKg: -2 }, 'massKg', 'more than 0'],
		['a huge mass', { ...prime, massKg: 1e12 }, 'massKg', 'at most'],
		['text for a mass', { ...prime, massKg: 'heavy' }, 'massKg', 'number'],
		['a mass in a string', { ...prime, massKg: '0.5' }, 'massKg', 'number'],
		['a mass of null, as NaN is sent', { ...prime, massKg: Number.NaN }, 'massKg', 'number'],
		['no mass given', { ...prime, massKg: undefined }, 'massKg', 'missing'],
		['no name', { ...prime, name: '' }, 'name', 'missing'],
		['a name of spaces', { ...prime, name: '   ' }, 'name', ''],
		['a name with a zero byte', { ...prime, name: 'a\u0000b' }, 'name', 'control'],
		['a name of a thousand letters', { ...prime, name: 'x'.repeat(1000) }, 'name', '120'],
		['an unknown kind', { ...prime, kind: 'submarine' }, 'kind', 'list'],
		['no length', shape({ sizeM: [0, 0.08, 0.08] }), 'shape.sizeM.0', 'at least'],
		['a length of a kilometre', shape({ sizeM: [1000, 0.08, 0.08] }), 'shape.sizeM.0', 'at most'],
		['two edges', shape({ sizeM: [0.1, 0.08] }), 'shape.sizeM.2', 'missing'],
		['a negative extension', shape({ extensionM: -0.01 }), 'shape.extensionM', 'at least 0'],
		['a field nobody knows', { ...prime, colour: 'black' }, 'colour', 'not expected']
	])('is refused with %s, at its field', async (_what, part, field, words) => {
		const { status, body } = await ask('POST', '/api/parts', part);
		expect(status).toBe(422);
		expect(body.error.code).toBe('invalid');
		expect(Object.keys(body.error.fields).some((path) => path === field || path === field.replace(/\.\d$/, ''))).toBe(
			true
		);
		expect(Object.values(body.error.fields).join(' ')).toContain(words);
		expect(JSON.stringify(body)).not.toMatch(/\\n\s+at |\.js:\d|\.ts:\d/);
	});
});

describe('a payload', () => {
	it('is saved, read back and refused when saved from an older version', async () => {
		const made = await ask('POST', '/api/payloads', draft('Version test', { placements: [placement(parts[0]!)] }));
		expect(made.status).toBe(200);
		expect(made.body.version).toBe(1);
		const { id, name, platePartId, placements } = made.body;
		const moved = [{ ...placements[0], positionM: [0.02, -0.003, 0.004] }];
		const saved = await ask('PUT', `/api/payloads/${id}`, { name, platePartId, placements: moved, version: 1 });
		expect(saved.body).toMatchObject({ version: 2, placements: moved });
		expect((await ask('GET', `/api/payloads/${id}`)).body).toEqual(saved.body);

		const late = await ask('PUT', `/api/payloads/${id}`, { name, platePartId, placements: [], version: 1 });
		expect(late.status).toBe(409);
		expect(late.body.error.code).toBe('stale');
		expect((await ask('GET', `/api/payloads/${id}`)).body).toEqual(saved.body);
		expect((await ask('DELETE', `/api/payloads/${id}`)).status).toBe(200);
		expect((await ask('GET', `/api/payloads/${id}`)).status).toBe(404);
	});

	it('is what was last saved, whatever was changed of it, one thing or several at once', async () => {
		const random = seededRandom(11);
		const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
		const at = () => Math.round((random() - 0.5) * 2000) / 10_000;
		const stands = (placements: Payload['placements'], which: number, change: object) =>
			placements.map((each, index) => (index === which ? { ...each, ...change } : each));
		let stood: Omit<Payload, 'id' | 'version' | 'updatedAt' | 'familyId'> = draft('Changed at random', {
			placements: parts.slice(0, 4).map(placement)
		});
		const plates = parts.filter(({ kind }) => kind === 'plate').map((plate) => plate.id);
		const changes: readonly ((of: typeof stood) => typeof stood)[] = [
			(of) => ({ ...of, name: `Changed ${Math.floor(random() * 1e6)}` }),
			(of) => ({ ...of, platePartId: pick(plates) }),
			(of) => ({ ...of, placements: stands(of.placements, 0, { positionM: [at(), at(), 0.01] }) }),
			(of) => ({ ...of, placements: stands(of.placements, 1, { partId: pick(parts).id }) }),
			(of) => ({
				...of,
				placements: stands(of.placements, 2, {
					attitude: {
						quarters: [1, 0, Math.floor(random() * 4)],
						aboutUpRad: at(),
						extended: 0.5,
						group: null,
						arm: null
					}
				})
			}),
			(of) => ({ ...of, placements: [...of.placements].reverse() }),
			(of) => ({ ...of, placements: of.placements.slice(1) }),
			(of) => ({ ...of, placements: [...of.placements, placement(pick(parts))].slice(-6) }),
			(of) => ({
				...of,
				correction: random() < 0.5 ? null : { shiftM: [at(), 0, 0], sigmaM: [0.001, 0.001, 0.001], from: 'by test' }
			})
		];
		const made = await ask('POST', '/api/payloads', stood);
		const path = `/api/payloads/${made.body.id}`;
		for (let version = 1; version <= 80; version += 1) {
			stood = pick(changes)(random() < 0.3 ? pick(changes)(stood) : stood);
			const saved = await ask('PUT', path, { ...stood, version });
			expect([saved.status, saved.body.version]).toEqual([200, version + 1]);
			const { body } = await ask('GET', path);
			expect(body).toEqual(saved.body);
			expect(body).toMatchObject(stood);
			expect(body.placements).toEqual(stood.placements);
			const [newest] = (await ask('GET', `/api/edits/payload/${made.body.id}`)).body;
			expect(newest.content).toMatchObject({ name: stood.name, placements: stood.placements });
		}
		expect((await ask('PUT', path, { ...stood, version: 80 })).body.error.code).toBe('stale');
		expect((await ask('DELETE', path)).status).toBe(200);
		expect((await ask('PUT', path, { ...stood, version: 81 })).status).toBe(404);
	});

	it('lets only one of two saves from the same version through', async () => {
		const { id, name, platePartId } = (await ask('POST', '/api/payloads', draft('Race test'))).body;
		const save = (part: Part) =>
			ask('PUT', `/api/payloads/${id}`, { name, platePartId, placements: [placement(part)], version: 1 });
		const answers = await Promise.all([save(parts[0]!), save(parts[1]!), save(parts[2]!)]);
		expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
		const winner = answers.find(({ status }) => status === 200)!.body;
		expect((await ask('GET', `/api/payloads/${id}`)).body).toEqual(winner);
	});

	it.each([
		[
			'an unknown part',
			() => ({ placements: [{ ...placement(parts[0]!), partId: randomUUID() }] }),
			'placements.0.partId'
		],
		[
			'a part id that is no id',
			() => ({ placements: [{ ...placement(parts[0]!), partId: 'lens' }] }),
			'placements.0.partId'
		],
		['a camera for a plate', () => ({ platePartId: parts.find(({ kind }) => kind === 'camera')!.id }), 'platePartId'],
		[
			'a place out of this world',
			() => ({ placements: [{ ...placement(parts[0]!), positionM: [1e9, 0, 0] }] }),
			'placements.0.positionM.0'
		],
		['two parts of one place', () => ({ placements: Array(2).fill(placement(parts[0]!)) }), 'placements.1'],
		['no parts list', () => ({ placements: undefined }), 'placements']
	])('is refused with %s, at its field', async (_what, change, field) => {
		const { status, body } = await ask('POST', '/api/payloads', draft(`Bad ${_what}`, change()));
		expect(status).toBe(422);
		expect(Object.keys(body.error.fields)).toContain(field);
	});
});

describe('the logbook', () => {
	const middle = () => Object.fromEntries(rigs[0]!.geometry.slides.map(({ id }) => [id, 0]));
	const entry = (extra: object = {}, state: object = {}) => ({
		id: randomUUID(),
		payloadId: payloads[0]!.id,
		supportId: rigs[0]!.id,
		payloadVersion: payloads[0]!.version,
		state: { positionsM: middle(), nudges: [], ...state },
		note: 'Rain, under the eaves',
		...extra
	});

	it('keeps payload, rig, positions, residuals, who and when, and finds them again by any word', async () => {
		const sent = entry();
		const logged = await ask('POST', '/api/balances', sent);
		expect(logged.status).toBe(200);
		expect(logged.body).toMatchObject({
			payloadName: payloads[0]!.name,
			supportName: rigs[0]!.name,
			positionsM: sent.state.positionsM,
			poised: false,
			personName: expect.any(String)
		});
		expect(logged.body.axes).toHaveLength(3);
		expect(Math.abs(Date.parse(logged.body.loggedAt) - Date.now())).toBeLessThan(60_000);
		for (const search of ['eaves rain', 'SINGLE-HANDED under', logged.body.personName]) {
			const found = (await ask('GET', `/api/balances?search=${encodeURIComponent(search)}`)).body;
			expect(found.map(({ id }: { id: string }) => id)).toContain(sent.id);
		}
		expect((await ask('GET', '/api/balances?search=100%25')).body).toEqual([]);
		for (const odd of ['%00', '%E0%A4%A', '%5C', '_', "'".repeat(3), 'x'.repeat(3000)])
			expect((await ask('GET', `/api/balances?search=${odd}`)).status, odd).toBeLessThan(500);
	});

	it('tells computed from seen: only what was let go where it stands counts as found', async () => {
		const at = (state: object) => entry({ note: 'Computed or found' }, state);
		const { slides } = rigs[0]!.geometry;
		const plain = at({});
		const holds = slides.map(({ id, balances }) => ({
			axisId: balances,
			kind: 'way',
			slideId: id,
			observation: 'holds',
			positionsM: plain.state.positionsM
		}));
		expect((await ask('POST', '/api/balances', plain)).body.found).toEqual([]);
		const one = (await ask('POST', '/api/balances', at({ looks: [holds[0]] }))).body;
		expect([one.found, one.poised]).toEqual([[slides[0]!.id], false]);
		const struck = (await ask('POST', '/api/balances', at({ looks: [{ ...holds[0], struck: true }] }))).body;
		expect(struck.found).toEqual([]);
		const elsewhere = { ...holds[0], positionsM: { ...plain.state.positionsM, [slides[0]!.id]: 0.01 } };
		expect((await ask('POST', '/api/balances', at({ looks: [elsewhere] }))).body.found).toEqual([]);
	});

	it('is corrected and struck out with who, when and why, two at once, and nothing is lost', async () => {
		const sent = entry({ note: 'Before' });
		await ask('POST', '/api/balances', sent);
		const at = `/api/balances/${sent.id}`;
		for (const [body, field] of [
			[{ note: 'No reason given' }, 'why'],
			[{ why: '   ', note: 'x' }, 'why'],
			[{ why: 'Nothing said' }, ''],
			[{ why: 'x', positionsM: { plate: 0 } }, 'positionsM.cradle'],
			[{ why: 'x', positionsM: { ...sent.state.positionsM, plate: 0.9 } }, 'positionsM.plate']
		] as const) {
			const refused = await ask('PATCH', at, body);
			expect([refused.status, Object.keys(refused.body.error.fields)], JSON.stringify(body)).toEqual([
				422,
				expect.arrayContaining([field])
			]);
		}
		const both = await Promise.all([
			ask('PATCH', at, { why: 'One', note: 'After one' }),
			ask('PATCH', at, { why: 'Two', positionsM: { ...sent.state.positionsM, plate: 0.012 } })
		]);
		expect(both.map(({ status }) => status)).toEqual([200, 200]);
		const changed = (await ask('GET', at)).body;
		expect([changed.note, changed.positionsM.plate]).toEqual(['After one', 0.012]);
		const changes = (await ask('PATCH', at, { why: 'Wrong rig', struck: true })).body;
		expect(changes.map(({ kind, why }: { kind: string; why: string }) => [kind, why]).sort()).toEqual([
			['corrected', 'One'],
			['corrected', 'Two'],
			['struck', 'Wrong rig']
		]);
		expect(changes.find(({ why }: { why: string }) => why === 'One').before).toEqual({ note: 'Before' });
		expect(changes.find(({ why }: { why: string }) => why === 'Two').before.positionsM.plate).toBe(0);
		for (const { personName, at: when } of changes) {
			expect(personName).toMatch(/\w/);
			expect(Math.abs(Date.parse(when) - Date.now())).toBeLessThan(60_000);
		}
		const listed = (await ask('GET', '/api/balances?search=After%20one')).body;
		expect(listed).toHaveLength(1);
		expect(listed[0].struck).toBe(true);
		await ask('PATCH', at, { why: 'It was the right one', struck: false });
		expect((await ask('GET', at)).body.struck).toBe(false);
	});

	it('is found by its day and by its lens, with any dash', async () => {
		const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
		const found = async (search: string) =>
			(await ask('GET', `/api/balances?search=${encodeURIComponent(search)}`)).body as { note: string }[];
		expect((await found(today)).some(({ note }) => note.includes('eaves'))).toBe(true);
		expect((await found(`${today} 1999`)).some(({ note }) => note.includes('eaves'))).toBe(false);
		expect((await found('25-120')).length).toBeGreaterThan(0);
		expect((await found('25–120')).length).toBe((await found('25-120')).length);
	});

	it('logs once, however often the same entry is sent', async () => {
		const sent = entry({ note: 'Sent three times' });
		for (let time = 0; time < 3; time += 1) expect((await ask('POST', '/api/balances', sent)).status).toBe(200);
		expect((await ask('GET', '/api/balances?search=three%20times')).body).toHaveLength(1);
	});

	it('does not change when the shelf does', async () => {
		const part = (await ask('POST', '/api/parts', { ...prime, name: 'Lens to be reweighed' })).body;
		const payload = (await ask('POST', '/api/payloads', draft('Reweigh', { placements: [placement(part)] }))).body;
		const logged = (await ask('POST', '/api/balances', entry({ payloadId: payload.id, payloadVersion: 1 }))).body;
		await ask('PUT', `/api/parts/${part.id}`, { ...prime, name: 'Lens to be reweighed', massKg: 0.9 });
		await ask('DELETE', `/api/payloads/${payload.id}`);
		const again = (await ask('GET', `/api/balances/${logged.id}`)).body;
		expect(again.payloadId).toBeNull();
		expect({ ...again, payloadId: payload.id }).toEqual(logged);
	});

	it('refuses a missing or a strange slide, and a payload saved meanwhile', async () => {
		const { plate: _gone, ...rest } = middle();
		const missing = await ask('POST', '/api/balances', entry({}, { positionsM: rest }));
		expect(missing.body.error.fields['state.positionsM.plate']).toContain('missing');
		const strange = await ask('POST', '/api/balances', entry({}, { positionsM: { ...middle(), boom: 0 } }));
		expect(strange.body.error.fields['state.positionsM.boom']).toContain('no such slide');
		expect((await ask('POST', '/api/balances', entry({ payloadVersion: 99 }))).body.error.code).toBe('stale');
		expect((await ask('POST', '/api/balances', entry({ supportId: randomUUID() }))).status).toBe(404);
	});
});

describe('a bench', () => {
	it('keeps the last readings', async () => {
		const path = `/api/benches/${rigs[0]!.id}/${payloads[0]!.id}`;
		expect((await ask('PUT', path, { positionsM: { plate: 0.01 }, nudges: [] })).status).toBe(200);
		expect(
			(await ask('PUT', path, { positionsM: { plate: 'far' }, nudges: [] })).body.error.fields['positionsM.plate']
		).toContain('number');
		expect(
			(await ask('PUT', `/api/benches/${rigs[0]!.id}/${randomUUID()}`, { positionsM: {}, nudges: [] })).status
		).toBe(404);
	});
});

describe('two at one bench, or one paper', () => {
	const bench = () => `/api/benches/${rigs[1]!.id}/${payloads[1]!.id}`;
	const state = (positionsM: Record<string, number>) => ({ positionsM, nudges: [] });

	it('each keeps what they changed, and the second is told who else did', async () => {
		const begun = state({ plate: 0.01, base: 0.02 });
		expect((await ask('PUT', bench(), begun)).status).toBe(200);
		const first = await ask('PATCH', bench(), { begun, wanted: state({ plate: 0.05, base: 0.02 }) });
		expect(first.body).toEqual({ value: state({ plate: 0.05, base: 0.02 }), meanwhile: null });
		const second = await ask('PATCH', bench(), { begun, wanted: state({ plate: 0.01, base: 0.09 }) });
		expect(second.body.value).toEqual(state({ plate: 0.05, base: 0.09 }));
		expect(second.body.meanwhile).toEqual({ by: expect.stringMatching(/./), theirs: 1, over: 0 });
		const both = await ask('PATCH', bench(), { begun, wanted: state({ plate: 0.07, base: 0.02 }) });
		expect(both.body.value).toEqual(state({ plate: 0.07, base: 0.09 }));
		expect(both.body.meanwhile).toMatchObject({ theirs: 1, over: 1 });
	});
	it('loses none of twenty changes that are made at the same moment', async () => {
		const on = `/api/payloads/${payloads[0]!.id}/papers/checklist`;
		const items = Array.from({ length: 20 }, (_, k) => ({ id: randomUUID(), text: `Check ${k}`, ticked: null }));
		const begun = { items, waived: null };
		expect((await ask('PUT', on, begun)).status).toBe(200);
		const stamp = { by: 'Anybody', at: '2026-03-01T10:00:00.000Z' };
		const saves = await Promise.all(
			items.map(({ id }) =>
				ask('PATCH', on, {
					begun,
					wanted: { items: items.map((each) => (each.id === id ? { ...each, ticked: stamp } : each)), waived: null }
				})
			)
		);
		expect(saves.map(({ status }) => status)).toEqual(saves.map(() => 200));
		const held = (await ask('GET', on)).body;
		expect(held.items.every(({ ticked }: { ticked: unknown }) => ticked !== null)).toBe(true);
	});
	it('refuses what is wrong, and takes a beginning that nobody can read for none', async () => {
		const wanted = state({ plate: 0.03, base: 0.02 });
		const wrong = await ask('PATCH', bench(), { begun: wanted, wanted: state({ plate: 9e15 }) });
		expect(wrong.status).toBe(422);
		expect((await ask('PATCH', bench(), { wanted })).status).toBe(422);
		for (const begun of [{ valueOf: 1, toString: 2 }, { positionsM: [] }, {}]) {
			const saved = await ask('PATCH', bench(), { begun, wanted });
			expect(saved.status).toBe(200);
			expect(saved.body.value).toEqual(wanted);
		}
	});
});

describe('a person', () => {
	it('keeps units and lights, each their own', async () => {
		expect((await ask('PATCH', '/api/me', { units: 'imperial', theme: 'house' })).body).toMatchObject({
			units: 'imperial'
		});
		const page = await fetch(`${served.origin}/payload`);
		expect(await page.text()).toContain('data-theme="house"');
		await ask('PATCH', '/api/me', { units: 'metric', theme: 'day' });
		expect((await ask('PATCH', '/api/me', { units: 'cubits' })).status).toBe(422);
		expect((await ask('PATCH', '/api/me', {})).status).toBe(422);
		expect((await ask('PUT', '/api/me', { personId: randomUUID() })).status).toBe(422);
	});
});

describe('the door', () => {
	it('refuses what is not JSON, not readable, or too large, in one shape', async () => {
		const form = await ask('POST', '/api/parts', 'name=x', { 'content-type': 'text/plain' });
		expect([form.status, form.body.error.code]).toEqual([415, 'wrongType']);
		const broken = await ask('POST', '/api/parts', '{"name":');
		expect([broken.status, broken.body.error.code]).toEqual([400, 'badJson']);
		const large = await ask('POST', '/api/parts', JSON.stringify({ ...prime, name: 'x'.repeat(2 * 1024 * 1024) }));
		expect([large.status, large.body.error.code]).toEqual([413, 'tooLarge']);
		for (const body of ['null', '[]', '"text"', '7']) expect((await ask('POST', '/api/parts', body)).status).toBe(422);
	});

	it('answers unknown addresses, ids and methods in the same shape', async () => {
		for (const path of ['/api/nothing', '/api/parts/not-an-id', `/api/payloads/${randomUUID()}`]) {
			const { status, body } = await ask(path.includes('parts/') ? 'DELETE' : 'GET', path);
			expect(status).toBe(404);
			expect(body.error).toMatchObject({ code: 'notFound', message: expect.any(String) });
		}
		const { status, body } = await ask('DELETE', '/api/parts');
		expect([status, body.error.code]).toEqual([405, 'wrongMethod']);
	});

	it('takes writes from its own pages only', async () => {
		const write = (headers: Record<string, string>) => ask('POST', '/api/parts', { ...prime, massKg: -1 }, headers);
		expect((await write({ origin: 'https://elsewhere.example' })).status).toBe(403);
		expect((await write({ origin: 'null' })).status).toBe(403);
		expect((await write({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
		expect((await write({ origin: served.origin })).status).toBe(422);
	});

	it('sends the security headers, and no script may be inline without the page’s own nonce', async () => {
		const page = await fetch(`${served.origin}/payload`);
		const policy = page.headers.get('content-security-policy') ?? '';
		const scripts = /script-src ([^;]*)/.exec(policy)?.[1] ?? '';
		expect(scripts).toContain("'self'");
		expect(scripts).not.toContain('unsafe-inline');
		expect(page.headers.get('x-content-type-options')).toBe('nosniff');
		expect(page.headers.get('x-frame-options')).toBe('DENY');
	});

	it('shows a page, not a stack, where nothing stands', async () => {
		const page = await fetch(`${served.origin}/payload/${randomUUID()}`);
		expect(page.status).toBe(404);
		expect(await page.text()).toContain('does not exist');
	});
});

describe('the database itself', () => {
	it('refuses what the application would', async () => {
		const sql = postgres(served.databaseUrl, { max: 1 });
		const [crew] = await sql`select id from crews`;
		const insert = (mass: number, name = 'raw') =>
			sql`insert into parts (id, crew_id, name, kind, mass_kg, shape) values (${randomUUID()}, ${crew!.id}, ${name}, 'lens', ${mass}, '{}')`;
		await expect(insert(0)).rejects.toThrow(/parts_mass_positive/);
		await expect(insert(Infinity)).rejects.toThrow(/parts_mass_positive/);
		await expect(insert(1, ' ')).rejects.toThrow(/parts_name_length/);
		await expect(insert(1, parts[0]!.name)).rejects.toThrow(/parts_name_in_crew/);
		const other = randomUUID();
		await sql`insert into crews (id, name) values (${other}, 'Other crew')`;
		// Another crew may use the name, but nothing of it can stand in this crew's payload.
		const foreign = randomUUID();
		await sql`insert into parts (id, crew_id, name, kind, mass_kg, shape) values (${foreign}, ${other}, ${parts[0]!.name}, 'lens', 1, '{}')`;
		await expect(
			sql`insert into placements (id, crew_id, payload_id, part_id, ordinal, x_m, y_m, z_m)
				values (${randomUUID()}, ${crew!.id}, ${payloads[0]!.id}, ${foreign}, 99, 0, 0, 0)`
		).rejects.toThrow(/placements_part_of_crew/);
		expect((await ask('GET', '/api/parts')).body.map(({ id }: Part) => id)).not.toContain(foreign);
		await sql.end();
	});
});

describe('a power cut', () => {
	it('right after a confirmed save loses nothing', async () => {
		const made = (await ask('POST', '/api/payloads', draft('Before the cut', { placements: [placement(parts[0]!)] })))
			.body;
		const saved = await ask('PUT', `/api/payloads/${made.id}`, {
			name: 'After the cut',
			platePartId: made.platePartId,
			placements: made.placements,
			version: 1
		});
		expect(saved.status).toBe(200);
		await served.killAndRestart();
		expect((await ask('GET', `/api/payloads/${made.id}`)).body).toEqual(saved.body);
	});
});

describe('when the database dies with transactions in flight', () => {
	it('the application lives, says so, and comes back by itself', async () => {
		const admin = postgres(served.databaseUrl, { max: 1, onnotice: () => {} });
		let going = true;
		const writers = payloads.slice(0, 5).map(async (payload) => {
			while (going) {
				const { body } = await ask('GET', `/api/payloads/${payload.id}`).catch(() => ({ body: null }));
				if (body?.placements === undefined) continue;
				const { name, platePartId, placements, correction, version } = body as Payload;
				await ask('PUT', `/api/payloads/${payload.id}`, { name, platePartId, placements, correction, version }).catch(
					() => null
				);
			}
		});
		try {
			for (let round = 0; round < 25; round += 1) {
				await new Promise((resolve) => setTimeout(resolve, 40));
				// Every connection of the application is cut at once, whatever it is in the middle of.
				await admin`select pg_terminate_backend(pid) from pg_stat_activity
					where datname = current_database() and pid <> pg_backend_pid()`;
			}
		} finally {
			going = false;
			await Promise.all(writers);
			await admin.end();
		}
		// A connection that was cut is found dead by the next who asks over it: once or twice it says so, then it is back.
		await vi.waitFor(async () => expect((await ask('GET', '/health')).status).toBe(200), {
			timeout: 10_000,
			interval: 100
		});
		await vi.waitFor(async () => expect((await ask('GET', '/api/payloads')).status).toBe(200), {
			timeout: 10_000,
			interval: 100
		});
	});
});
