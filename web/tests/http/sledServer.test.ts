import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LoggedBalance } from '../../src/lib/model/balance';
import type { SledRecord } from '../../src/lib/supports/sled/model';
import type { Payload } from '../../src/lib/model/payload';
import type { Person } from '../../src/lib/model/person';
import type { LoggedSledEntry, SledBenchState, SledDraft, SledRig, WornSetup } from '../../src/lib/supports/sled/model';
import { send, type Served, serve } from '../application';

let served: Served;
let sleds: SledRig[];
let payloads: Payload[];
const ask = (method: string, path: string, body?: unknown) => send(served.origin, method, path, body);
const draftOf = ({ name, leastPayloadKg, greatestPayloadKg, geometry }: SledRig): SledDraft => ({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry
});
const sled = (word: string) => sleds.find(({ name }) => name.includes(word))!;
const payload = (word: string) => payloads.find(({ name }) => name.includes(word))!;

beforeAll(async () => {
	served = await serve();
	sleds = (await ask('GET', '/api/supports/sled')).body;
	payloads = (await ask('GET', '/api/payloads')).body;
});
afterAll(() => served?.stop());

const docked = (of: SledRig): SledBenchState => ({
	setting: {
		gimbalM: of.geometry.gimbalM[1],
		pulledOutM: 0,
		coarseForeM: 0,
		fineForeM: 0,
		fineSideM: 0,
		items: Object.fromEntries(of.geometry.items.map(({ id }) => [id, { foreM: 0, sideM: 0, upM: 0, tiltRad: 0 }])),
		weights: []
	},
	slips: [],
	seen: [],
	dropTimeS: 2.5,
	shots: ['pans'],
	movers: []
});

describe('the demo’s sleds', () => {
	it('come with balances that are poised and with the threads of one fitting', async () => {
		const log: LoggedBalance[] = (await ask('GET', '/api/balances')).body;
		const own = log.filter(({ kind }) => kind === 'sled');
		expect(own.length).toBeGreaterThanOrEqual(2);
		for (const { id, poised } of own) {
			expect(poised).toBe(true);
			const record: SledRecord = (await ask('GET', `/api/balances/${id}`)).body;
			expect(Math.abs(record.figures.dropForeS! - record.dropTimeS)).toBeLessThanOrEqual(0.15);
			expect(record.slips.length).toBeGreaterThan(0);
		}
	});
});

describe('a sled', () => {
	it('is made, saved against its version, refused from an older one, and deleted with its bench', async () => {
		const made = await ask('POST', '/api/supports/sled', { ...draftOf(sled('Heavy')), name: 'Spare sled' });
		expect(made.status).toBe(200);
		const { id, version } = made.body as SledRig;
		const renamed = { ...draftOf(sled('Heavy')), name: 'Spare sled, blue tape' };
		expect((await ask('PUT', `/api/supports/sled/${id}`, { ...renamed, version })).body.version).toBe(version + 1);
		const stale = await ask('PUT', `/api/supports/sled/${id}`, { ...renamed, name: 'Late', version });
		expect([stale.status, stale.body.error.code]).toEqual([409, 'stale']);
		const bench = `/api/benches/${id}/${payload('Cine').id}`;
		expect((await ask('PUT', bench, docked(sled('Heavy')))).status).toBe(200);
		expect((await ask('DELETE', `/api/supports/sled/${id}`)).status).toBe(200);
		expect((await ask('GET', `/api/supports/sled/${id}`)).status).toBe(404);
		expect((await ask('PUT', bench, docked(sled('Heavy')))).status).toBe(404);
	});

	it('cannot have a name that is taken', async () => {
		const twice = await ask('POST', '/api/supports/sled', draftOf(sled('Light')));
		expect([twice.status, twice.body.error.code]).toEqual([409, 'nameTaken']);
	});

	type Geometry = SledDraft['geometry'];
	it.each<[string, (geometry: Geometry) => Geometry]>([
		['a travel the wrong way round', (g) => ({ ...g, gimbalM: [0.8, 0.4] })],
		['no post', (g) => ({ ...g, sections: [] })],
		['a monitor without mass', (g) => ({ ...g, items: g.items.map((item) => ({ ...item, massKg: 0 })) })],
		['two things of one name', (g) => ({ ...g, items: [...g.items, ...g.items] })],
		['a knob of no pitch', (g) => ({ ...g, stage: { ...g.stage, foreMPerTurn: 0 } })],
		['an arm of no width', (g) => ({ ...g, arm: { ...g.arm, rangeKg: [10, 10] } })]
	])('is refused with %s, field by field', async (_what, spoil) => {
		const answer = await ask('POST', '/api/supports/sled', {
			...draftOf(sled('Heavy')),
			name: 'Spoilt',
			geometry: spoil(sled('Heavy').geometry)
		});
		expect(answer.status).toBe(422);
		expect(Object.keys(answer.body.error.fields)[0]).toMatch(/^geometry\./);
		for (const words of Object.values<string>(answer.body.error.fields)) expect(words).toMatch(/^[A-ZÀ-Þ].*\.$/);
	});
});

describe('a sled’s bench', () => {
	const at = () => `/api/benches/${sled('Heavy').id}/${payload('Cine').id}`;
	it.each<[string, (state: SledBenchState) => unknown]>([
		['a drop time of nothing', (state) => ({ ...state, dropTimeS: 0 })],
		[
			'a lean past a right angle',
			(state) => ({
				...state,
				seen: [{ kind: 'rest', plane: 'fore', leanRad: 1.7, sigmaRad: 0.01, setting: state.setting, payloadVersion: 1 }]
			})
		],
		[
			'a drop seen without its time',
			(state) => ({
				...state,
				seen: [{ kind: 'drop', plane: 'fore', sigmaS: 0.1, runsS: [], setting: state.setting, payloadVersion: 1 }]
			})
		],
		['a shot nobody knows', (state) => ({ ...state, shots: ['cartwheels'] })],
		['a gimbal kilometres up', (state) => ({ ...state, setting: { ...state.setting, gimbalM: 4000 } })],
		['what is no setting', (state) => ({ ...state, setting: null })]
	])('refuses %s', async (_what, spoil) => {
		const answer = await ask('PUT', at(), spoil(docked(sled('Heavy'))));
		expect([answer.status, answer.body.error.code]).toEqual([422, 'invalid']);
	});
	it('keeps runs that were timed and not used yet', async () => {
		const state = { ...docked(sled('Heavy')), timing: { plane: 'fore', gimbalM: 0.7, runsS: [2.4, 2.5] } };
		expect((await ask('PUT', at(), state)).status).toBe(200);
		const html = await (await fetch(`${served.origin}/balance/sled/${sled('Heavy').id}/${payload('Cine').id}`)).text();
		expect(html).toContain('runsS');
	});
	it('belongs to a sled and a payload that are there', async () => {
		expect((await ask('PUT', `/api/benches/${randomUUID()}/${payload('Cine').id}`, docked(sled('Heavy')))).status).toBe(
			404
		);
	});
});

describe('a sled balance', () => {
	const entry = (next: object = {}) => ({
		id: randomUUID(),
		payloadId: payload('Cine').id,
		supportId: sled('Heavy').id,
		payloadVersion: payload('Cine').version,
		state: docked(sled('Heavy')),
		note: 'Gimbal high, nothing moved.',
		...next
	});
	it('is worked out by the server, logged once however often it is sent, and found by any word', async () => {
		const once = entry();
		const [first, again] = [await ask('POST', '/api/balances', once), await ask('POST', '/api/balances', once)];
		expect([first.status, again.status]).toEqual([200, 200]);
		const record: SledRecord = first.body;
		expect(record.poised).toBe(false);
		expect(record.figures.massKg).toBeGreaterThan(17);
		expect(record.figures.dropForeS).toBeLessThan(1);
		const found: LoggedBalance[] = (await ask('GET', '/api/balances')).body;
		expect(found.filter(({ id }) => id === once.id)).toHaveLength(1);
	});
	it('is refused for a payload saved meanwhile, and for one without a note’s characters', async () => {
		const stale = await ask('POST', '/api/balances', entry({ payloadVersion: payload('Cine').version + 1 }));
		expect([stale.status, stale.body.error.code]).toEqual([409, 'stale']);
		expect((await ask('POST', '/api/balances', entry({ note: '\u0000' }))).status).toBe(422);
	});
	it('outlives its sled', async () => {
		const made: SledRig = (
			await ask('POST', '/api/supports/sled', { ...draftOf(sled('Heavy')), name: 'Borrowed sled' })
		).body;
		const logged = await ask('POST', '/api/balances', entry({ supportId: made.id }));
		expect((await ask('DELETE', `/api/supports/sled/${made.id}`)).status).toBe(200);
		const kept: SledRecord = (await ask('GET', `/api/balances/${logged.body.id}`)).body;
		expect([kept.supportId, kept.support.name, kept.supportName]).toEqual([null, 'Borrowed sled', 'Borrowed sled']);
		expect((await fetch(`${served.origin}/logbook/${logged.body.id}`)).status).toBe(200);
	});
});

describe('arm, vest and thumb', () => {
	const entries = () => `/api/supports/sled/${sled('Light').id}/entries`;
	it('logs a look at the socket block once per id, the newest first', async () => {
		const look = { id: randomUUID(), kind: 'socket', inOut: 7, side: 5, drift: 'away', note: '' };
		await ask('POST', entries(), look);
		await ask('POST', entries(), look);
		const after: LoggedSledEntry[] = (
			await ask('POST', entries(), { id: randomUUID(), kind: 'vest', minutes: 12.5, loadKg: 4, note: '' })
		).body;
		expect(after.map(({ kind }) => kind)).toEqual(['vest', 'socket']);
	});
	it.each([
		['a drift nobody knows', { kind: 'socket', inOut: 7, side: 5, drift: 'up', note: '' }],
		['threads below none', { kind: 'socket', inOut: -1, side: 5, drift: 'away', note: '' }],
		['no minutes', { kind: 'vest', minutes: 0, loadKg: 4, note: '' }],
		['another kind', { kind: 'boots' }]
	])('refuses %s', async (_what, entry) => {
		expect((await ask('POST', entries(), { id: randomUUID(), ...entry })).status).toBe(422);
	});
	it('keeps how somebody wears it, each their own, and refuses a stance of no body', async () => {
		const worn: WornSetup = {
			armSide: 'left',
			reversed: false,
			fitted: ['hips'],
			stance: { carryHeightM: 1, standOffM: 0.6, hipHeightM: 0.9, strideM: 0.7 }
		};
		const at = `/api/supports/sled/${sled('Light').id}/setup`;
		const save = (wanted: WornSetup, begun: WornSetup) => ask('PATCH', at, { begun, wanted });
		expect((await save(worn, worn)).status).toBe(200);
		const wrong = await save({ ...worn, stance: { ...worn.stance, hipHeightM: 3 } }, worn);
		expect(wrong.body.error.fields['wanted.stance.hipHeightM']).toContain('hips');
		// On another screen the arm goes to the right, here the stride gets longer: both stand.
		expect((await save({ ...worn, armSide: 'right' }, worn)).body.meanwhile).toBeNull();
		const here = await save({ ...worn, stance: { ...worn.stance, strideM: 0.8 } }, worn);
		expect(here.body).toMatchObject({
			value: { armSide: 'right', stance: { strideM: 0.8, hipHeightM: 0.9 } },
			meanwhile: { theirs: 1, over: 0 }
		});
	});
	it('keeps every one of many saves of what is worn at the same moment, each of another figure', async () => {
		const at = `/api/supports/sled/${sled('Light').id}/setup`;
		const begun: WornSetup = {
			armSide: 'left',
			reversed: false,
			fitted: [],
			stance: { carryHeightM: 1, standOffM: 0.6, hipHeightM: 0.9, strideM: 0.7 }
		};
		await ask('PATCH', at, { begun: {}, wanted: begun });
		const wanted: WornSetup[] = [
			{ ...begun, armSide: 'right' },
			{ ...begun, reversed: true },
			{ ...begun, fitted: ['hips'] },
			...(['carryHeightM', 'standOffM', 'hipHeightM', 'strideM'] as const).map((field) => ({
				...begun,
				stance: { ...begun.stance, [field]: begun.stance[field] + 0.125 }
			}))
		];
		const saves = await Promise.all(wanted.map((each) => ask('PATCH', at, { begun, wanted: each })));
		expect(saves.map(({ status }) => status)).toEqual(wanted.map(() => 200));
		const stands = (await ask('PATCH', at, { begun, wanted: begun })).body.value;
		expect(stands).toEqual({
			armSide: 'right',
			reversed: true,
			fitted: ['hips'],
			stance: { carryHeightM: 1.125, standOffM: 0.725, hipHeightM: 1.025, strideM: 0.825 }
		});
	});
	it('keeps a measured thumb with its person', async () => {
		const me: Person = (await ask('PATCH', '/api/me', { thumb: { lagS: 0.12, spreadS: 0.05 } })).body;
		expect(me.thumb).toEqual({ lagS: 0.12, spreadS: 0.05 });
		expect((await ask('PATCH', '/api/me', { thumb: { lagS: 4, spreadS: 0.05 } })).status).toBe(422);
	});
});
