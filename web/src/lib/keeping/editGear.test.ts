import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { VenueDraft } from '$lib/model/venue';
import { stubServer, stubStorage } from '$lib/testing/browserStubs';
import { withShape } from '$lib/places/plan';
import { draftOf, editGear, gearKey, gearPath, venueGear } from './editGear';

beforeEach(() => {
	vi.useFakeTimers();
	stubStorage();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});
const hall = { id: 'v1', version: 3, name: 'Hall', plan: { ceilingM: 7, shapes: [], underlay: null } };
const walled = withShape(hall.plan, 'wall', [
	[0, 0],
	[5, 0]
]).plan;

describe('a venue being edited', () => {
	it('is what a person edits, without its id and its version', () => {
		expect(draftOf<VenueDraft>(hall)).toEqual({ name: 'Hall', plan: hall.plan });
		expect([gearPath(venueGear, 'v1'), gearKey(venueGear, 'v1')]).toEqual(['/api/venues/v1', 'venue.v1']);
	});
	it('is saved over the version it was made from, then over the next', async () => {
		const sent = stubServer(({ body }) => ({ status: 200, body: { ...hall, version: body.version + 1 } }));
		const document = editGear<VenueDraft>(venueGear, hall);
		document.set({ ...document.value, plan: walled });
		await vi.advanceTimersByTimeAsync(1000);
		document.set({ ...document.value, name: 'Hall, winter' });
		await vi.advanceTimersByTimeAsync(1000);
		expect(sent.map(({ method, path, body }) => [method, path, body.version])).toEqual([
			['PUT', '/api/venues/v1', 3],
			['PUT', '/api/venues/v1', 4]
		]);
		expect(sent[1]!.body.plan.shapes).toHaveLength(1);
	});
	it('loses nothing to a lost link and a closed tab', async () => {
		let link = false;
		stubServer(({ body }) => (link ? { status: 200, body: { ...hall, version: body.version + 1 } } : 'no link'));
		const document = editGear<VenueDraft>(venueGear, hall);
		document.set({ ...document.value, plan: walled });
		await vi.advanceTimersByTimeAsync(1000);
		expect(document.linkLost).toBe(true);
		document.stop();
		const again = editGear<VenueDraft>(venueGear, hall);
		again.restore();
		expect(again.value.plan.shapes).toHaveLength(1);
		link = true;
		await vi.advanceTimersByTimeAsync(8000);
		expect(again.saving).toBe('saved');
	});
	it('waits for a choice when somebody else saved; theirs leaves mine one undo away', async () => {
		const theirs = { ...hall, version: 9, name: 'Theirs' };
		let stale = true;
		const sent = stubServer(({ method, body }) => {
			if (method === 'GET') return { status: 200, body: theirs };
			return stale
				? { status: 409, body: { error: { code: 'stale', message: 'stale' } } }
				: { status: 200, body: { ...theirs, ...body, version: body.version + 1 } };
		});
		const document = editGear<VenueDraft>(venueGear, hall);
		document.set({ ...document.value, name: 'Mine' });
		await vi.advanceTimersByTimeAsync(1500);
		expect(document.saving).toBe('stale');
		stale = false;
		await document.keepMine();
		expect(sent.at(-1)!.body).toMatchObject({ name: 'Mine', version: 9 });
		await document.takeTheirs();
		expect(document.value.name).toBe('Theirs');
		document.undo();
		expect(document.value.name).toBe('Mine');
		document.stop();
	});
	it('says so when the other’s version cannot be read', async () => {
		stubServer(() => 'no link');
		const document = editGear<VenueDraft>(venueGear, hall);
		await document.takeTheirs();
		expect(document.message).toContain('No link');
		expect(document.value.name).toBe('Hall');
	});
});
