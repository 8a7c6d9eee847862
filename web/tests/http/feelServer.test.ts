import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { FeelState, ModeSheet, NewRecipe, Recipe, ShotList } from '../../src/lib/stations/feel/model';
import { gimbalFromPattern, patterns } from '../../src/lib/supports/gimbal/patterns';
import { send, serve, type Served } from '../application';

/** The doors of Feel: what is kept, what is refused, and two people at once. */
let served: Served;
const ask = (method: string, path: string, body?: unknown) => send(served.origin, method, path, body);
const get = async <T>(path: string): Promise<T> => (await ask('GET', path)).body as T;
interface Held<T> {
	readonly value: T;
	readonly version: number;
}
let large: string;
let payload: string;
const sheetPath = () => `/api/feel/sheet/${large}`;
const settingPath = () => `/api/feel/setting/${large}/${payload}`;

beforeAll(async () => {
	served = await serve();
	const gimbals = await get<{ id: string; name: string }[]>('/api/supports/gimbal');
	large = gimbals.find(({ name }) => name.startsWith('Large'))!.id;
	const payloads = await get<{ id: string; name: string }[]>('/api/payloads');
	payload = payloads.find(({ name }) => name.includes('25–120'))!.id;
});
afterAll(() => served?.stop());

describe('what is kept', () => {
	it('a save names its version: the second of two over the same one is stale and loses nothing', async () => {
		const { value, version } = await get<Held<ModeSheet>>(sheetPath());
		const mine = ask('PUT', sheetPath(), { version, content: { ...value, resets: 'mine' } });
		const theirs = ask('PUT', sheetPath(), { version, content: { ...value, resets: 'theirs' } });
		const statuses = (await Promise.all([mine, theirs])).map(({ status }) => status).sort();
		expect(statuses).toEqual([200, 409]);
		const after = await get<Held<ModeSheet>>(sheetPath());
		expect(after.version).toBe(version + 1);
		expect(['mine', 'theirs']).toContain(after.value.resets);
	});

	it('the first save of a paper nobody wrote is version 0, and only one of two is the first', async () => {
		const others = await get<{ id: string; name: string }[]>('/api/payloads');
		const fresh = others.find(({ id }) => id !== payload)!.id;
		const { value } = await get<Held<FeelState>>(settingPath());
		const path = `/api/feel/setting/${large}/${fresh}`;
		const answers = await Promise.all([0, 0].map((version) => ask('PUT', path, { version, content: value })));
		expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
		expect((await get<Held<FeelState>>(path)).version).toBe(1);
	});

	it('who changed a sheet is told, and it survives a power cut', async () => {
		const { value, version } = await get<Held<ModeSheet>>(sheetPath());
		expect((await ask('PUT', sheetPath(), { version, content: { ...value, resets: 'after the cut' } })).status).toBe(
			200
		);
		await served.killAndRestart();
		expect((await get<Held<ModeSheet>>(sheetPath())).value.resets).toBe('after the cut');
		const edits = await get<{ content: ModeSheet }[]>(`/api/edits/feel/sheet/${large}`);
		expect(edits[0]?.content.resets).toBe('after the cut');
	});

	it('a recipe sent twice is logged once, and struck out stays to be read', async () => {
		const [one] = await get<Recipe[]>('/api/recipes');
		const draft: NewRecipe = {
			id: randomUUID(),
			supportId: large,
			payloadId: payload,
			note: 'twice',
			detail: one!.detail
		};
		for (const _ of [1, 2]) expect((await ask('POST', '/api/recipes', draft)).status).toBe(200);
		expect((await get<Recipe[]>('/api/recipes?find=twice')).length).toBe(1);
		const found = async (find: string) =>
			(await get<Recipe[]>(`/api/recipes?find=${encodeURIComponent(find)}`)).some(({ id }) => id === draft.id);
		expect(await Promise.all(['today', 'twice today', 'yesterday', 'last year'].map(found))).toEqual([
			...[true, true, false, false]
		]);
		// Numbers in a name, typed with any dash.
		const dashed = /\d+[–-]\d+/.exec(one!.payloadName)?.[0];
		if (dashed !== undefined)
			expect(
				(await get<Recipe[]>(`/api/recipes?find=${encodeURIComponent(dashed.replace('–', '-'))}`)).length
			).toBeGreaterThan(0);
		expect((await ask('PATCH', `/api/recipes/${draft.id}`, { struck: true })).body.struck).toBe(true);
		expect((await get<Recipe[]>('/api/recipes?find=twice'))[0]?.struck).toBe(true);
	});

	it('a recipe outlives its payload, and a search with odd signs finds nothing rather than all', async () => {
		const [part] = await get<{ id: string; kind: string }[]>('/api/parts');
		const plate = (await get<{ id: string; kind: string }[]>('/api/parts')).find(({ kind }) => kind === 'plate');
		const made = await ask('POST', '/api/payloads', {
			name: 'Gone tomorrow',
			platePartId: plate!.id,
			placements: [{ id: randomUUID(), partId: part!.id, positionM: [0, 0, 0] }],
			correction: null
		});
		expect(made.status, JSON.stringify(made.body)).toBe(200);
		const [one] = await get<Recipe[]>('/api/recipes');
		const id = randomUUID();
		await ask('POST', '/api/recipes', {
			id,
			supportId: large,
			payloadId: made.body.id,
			note: 'orphan',
			detail: one!.detail
		});
		expect((await ask('DELETE', `/api/payloads/${made.body.id}`)).status).toBe(200);
		const [orphan] = await get<Recipe[]>('/api/recipes?find=orphan');
		expect([orphan?.payloadId, orphan?.payloadName, orphan?.supportId]).toEqual([null, 'Gone tomorrow', large]);
		expect(await get<Recipe[]>('/api/recipes?find=%25_%5C')).toEqual([]);
	});
});

describe('what is refused', () => {
	const bad = async (path: string, change: (value: never) => unknown) => {
		const { value, version } = await get<Held<never>>(path);
		const answer = await ask('PUT', path, { version, content: change(value) });
		return [answer.status, Object.entries((answer.body.error?.fields ?? {}) as Record<string, string>)[0]] as const;
	};
	it('a negative dead band, a scale upside down, a logarithmic one from nothing, by their fields', async () => {
		const scaled = (name: string, next: object) => (sheet: ModeSheet) => ({
			...sheet,
			scales: { ...sheet.scales, [name]: { ...sheet.scales[name as 'follow'], ...next } }
		});
		expect(await bad(sheetPath(), scaled('deadband', { atLeast: -0.1 }) as never)).toMatchObject([
			422,
			['scales.deadband.atLeast', /at least 0/]
		]);
		expect((await bad(sheetPath(), scaled('follow', { least: 100, most: 0 }) as never))[0]).toBe(422);
		expect((await bad(sheetPath(), scaled('follow', { atLeast: 0 }) as never))[0]).toBe(422);
		expect((await bad(sheetPath(), scaled('smooth', { atMost: 1e9 }) as never))[0]).toBe(422);
	});
	it('a spin on a gimbal with two motors, in words at its mode', async () => {
		const twoAxis = patterns.find(({ id }) => id === 'twoAxis')!;
		const made = await ask('POST', '/api/supports/gimbal', gimbalFromPattern(twoAxis, 'Two motors'));
		expect(made.status, JSON.stringify(made.body)).toBe(200);
		const { value } = await get<Held<ModeSheet>>(sheetPath());
		const spin = { ...value.modes[0]!, id: 'spin', kind: 'rollSpinsUpright' };
		const answer = await ask('PUT', `/api/feel/sheet/${made.body.id}`, {
			version: 0,
			content: { ...value, modes: [spin] }
		});
		expect(answer.status).toBe(422);
		expect(answer.body.error.fields['content.modes.0.kind']).toMatch(/no pan motor, so it cannot spin/);
		const page = await fetch(`${served.origin}/feel/${made.body.id}/${payload}`);
		expect(page.status).toBe(200);
	});
	it('shots without a name, two of one id, and words with control characters', async () => {
		const shots = await get<Held<ShotList>>('/api/feel/shots');
		const line = shots.value.day[0]!;
		for (const day of [[{ ...line, words: ' ' }], [line, line], [{ ...line, words: 'a\u0007b' }]])
			expect(
				(await ask('PUT', '/api/feel/shots', { version: shots.version, content: { ...shots.value, day } })).status
			).toBe(422);
	});
	it('papers there are none of, supports that follow nothing, and other crews’ ids', async () => {
		expect((await ask('GET', '/api/feel/constructor')).status).toBe(404);
		expect((await ask('GET', `/api/feel/sheet/${large}/${payload}`)).status).toBe(404);
		expect((await ask('GET', '/api/feel/setting')).status).toBe(404);
		const { value } = await get<Held<ModeSheet>>(sheetPath());
		expect((await ask('PUT', `/api/feel/sheet/${randomUUID()}`, { version: 0, content: value })).status).toBe(404);
		const [sled] = await get<{ id: string }[]>('/api/supports/sled');
		const page = await fetch(`${served.origin}/feel/${sled!.id}/${payload}`);
		expect(page.status).toBe(404);
		expect(await page.text()).toMatch(/follows a hand/);
	});
});
