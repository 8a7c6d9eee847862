import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Payload } from '$lib/model/payload';
import { type Asked, stubServer, stubStorage } from '$lib/testing/browserStubs';
import { part, payload, shelf } from '$lib/testing/scenario';
import { PayloadEditor } from './payloadEditor.svelte';

/** A server that holds one payload and saves it by version, as the real one does. */
function holdingServer(start: Payload) {
	const server = { held: start, linked: true, answers: true };
	const requests = stubServer(({ method, body }: Asked) => {
		if (!server.linked) return 'no link';
		if (method === 'GET') return { status: 200, body: server.held };
		if (body.name === '')
			return { status: 422, body: { error: { code: 'invalid', message: 'No.', fields: { name: 'Missing.' } } } };
		if (body.version !== server.held.version)
			return { status: 409, body: { error: { code: 'stale', message: 'Newer.' } } };
		server.held = { ...server.held, ...body, version: body.version + 1 };
		return server.answers ? { status: 200, body: server.held } : 'no link';
	});
	return { server, requests };
}

const wide = payload('wide');
const puts = (requests: readonly Asked[]) => requests.filter(({ method }) => method === 'PUT');
const settleDown = () => vi.advanceTimersByTimeAsync(600);

beforeEach(() => {
	vi.useFakeTimers();
	stubStorage();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('editing a payload', () => {
	it('sends one save for many changes, a moment after the last', async () => {
		const { server, requests } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		const [first] = editor.draft.placements;
		for (let step = 1; step <= 20; step += 1) editor.move(first!.id, [step / 1000, 0, 0], 'drag');
		expect(editor.state).toBe('unsaved');
		expect(requests).toEqual([]);
		await settleDown();
		expect(puts(requests)).toHaveLength(1);
		expect(editor.state).toBe('saved');
		expect(server.held.placements[0]!.positionM).toEqual([0.02, 0, 0]);
		expect(editor.version).toBe(2);
	});

	it('sends what changed while a save was on its way', async () => {
		const { server } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		editor.rename('One');
		const saving = editor.save();
		editor.rename('Two');
		await saving;
		expect(server.held.name).toBe('One');
		await settleDown();
		expect(server.held.name).toBe('Two');
		expect(editor.state).toBe('saved');
	});

	it('weighs what stands on the plate as it changes', () => {
		holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		const before = editor.totals!.massKg;
		editor.add(part('Side microphone'));
		expect(editor.totals!.massKg - before).toBeCloseTo(0.095, 12);
		expect(editor.selectedId).toBe(editor.draft.placements.at(-1)!.id);
		editor.remove(editor.selectedId!);
		expect(editor.totals!.massKg).toBeCloseTo(before, 12);
		expect(editor.selectedId).toBeNull();
		editor.stop();
	});

	it('undoes a drag as one step, and saves what undo brought back', async () => {
		const { server } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		const [first] = editor.draft.placements;
		editor.move(first!.id, [0.05, 0, 0], 'drag');
		editor.move(first!.id, [0.06, 0, 0], 'drag');
		editor.settle();
		editor.undo();
		expect(editor.draft.placements[0]!.positionM).toEqual(first!.positionM);
		expect([editor.canUndo, editor.canRedo]).toEqual([false, true]);
		await settleDown();
		expect(server.held.placements[0]!.positionM).toEqual(first!.positionM);
	});
});

describe('when the link is lost', () => {
	it('says so, keeps trying, and sends everything when it is back', async () => {
		const { server } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		server.linked = false;
		editor.rename('Typed in the tunnel');
		await settleDown();
		expect(editor.state).toBe('away');
		await vi.advanceTimersByTimeAsync(10_000);
		expect(editor.state).toBe('away');
		server.linked = true;
		await vi.advanceTimersByTimeAsync(3_500);
		expect([editor.state, server.held.name]).toEqual(['saved', 'Typed in the tunnel']);
	});

	it('recognises its own save when only the answer was lost', async () => {
		const { server } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		server.answers = false;
		editor.rename('Arrived after all');
		await settleDown();
		expect([editor.state, server.held.version]).toEqual(['away', 2]);
		server.answers = true;
		editor.rename('And then this');
		await vi.advanceTimersByTimeAsync(4_000);
		expect([editor.state, server.held.name]).toEqual(['saved', 'And then this']);
	});

	it('takes up an unsaved change in a new page, with its undo history', async () => {
		const { server } = holdingServer(wide);
		server.linked = false;
		const before = new PayloadEditor(wide, shelf);
		before.rename('Before the reload');
		await settleDown();
		before.stop();

		server.linked = true;
		const after = new PayloadEditor(server.held, shelf);
		after.restore();
		expect(after.draft.name).toBe('Before the reload');
		expect(after.canUndo).toBe(true);
		await settleDown();
		expect([after.state, server.held.name]).toEqual(['saved', 'Before the reload']);
	});

	it('forgets what it kept once somebody else has saved a newer one and nothing here was unsaved', async () => {
		const { server } = holdingServer(wide);
		const before = new PayloadEditor(wide, shelf);
		before.rename('Saved here');
		await settleDown();
		server.held = { ...server.held, name: 'Saved elsewhere', version: 7 };
		const after = new PayloadEditor(server.held, shelf);
		after.restore();
		expect([after.draft.name, after.state, after.canUndo]).toEqual(['Saved elsewhere', 'saved', false]);
	});
});

describe('when somebody else saves too', () => {
	async function conflict() {
		const { server, requests } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		server.held = { ...wide, name: 'Theirs', version: 2 };
		editor.rename('Mine');
		await settleDown();
		return { server, requests, editor };
	}

	it('stops and shows both', async () => {
		const { server, editor, requests } = await conflict();
		expect(editor.state).toBe('stale');
		expect(editor.theirs!.name).toBe('Theirs');
		expect(server.held.name).toBe('Theirs');
		const sent = puts(requests).length;
		editor.rename('Mine again');
		await vi.advanceTimersByTimeAsync(10_000);
		expect(puts(requests)).toHaveLength(sent);
	});

	it('saves mine over theirs when told to', async () => {
		const { server, editor } = await conflict();
		await editor.keepMine();
		expect([editor.state, server.held.name, server.held.version]).toEqual(['saved', 'Mine', 3]);
	});

	it('shows theirs when told to, and keeps mine one undo away', async () => {
		const { server, editor } = await conflict();
		await editor.takeTheirs();
		expect([editor.state, editor.draft.name]).toEqual(['saved', 'Theirs']);
		editor.undo();
		expect(editor.draft.name).toBe('Mine');
		await settleDown();
		expect(server.held.name).toBe('Mine');
	});

	it('does not take somebody else’s deletion for its own earlier state', async () => {
		const { server } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		editor.add(part('Side microphone'));
		await settleDown();
		// They take the microphone off again: the very state this screen began with, but not one it sent.
		server.held = { ...server.held, placements: wide.placements, version: 3 };
		editor.rename('Renamed here');
		await settleDown();
		expect(editor.state).toBe('stale');
	});
});

describe('when the server says no', () => {
	it('shows its words at the field, keeps what was typed, and goes on once it is mended', async () => {
		const { server } = holdingServer(wide);
		const editor = new PayloadEditor(wide, shelf);
		editor.rename('');
		await settleDown();
		expect([editor.state, editor.fields.name, editor.draft.name]).toEqual(['refused', 'Missing.', '']);
		editor.rename('Named');
		await settleDown();
		expect([editor.state, editor.fields, server.held.name]).toEqual(['saved', {}, 'Named']);
	});
});
