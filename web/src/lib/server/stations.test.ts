import { describe, expect, it } from 'vitest';
import { documentName } from './db/edits';
import { Refusal } from './refusal';
import { historyOf, serverStations } from './stations';

describe('the stations, found by their folders', () => {
	it('come in the day’s order, each with its part of the demo', () => {
		expect(serverStations.map(([key]) => key)).toEqual(['feel', 'moves', 'live']);
		expect(serverStations.filter(([, { demo }]) => demo === undefined)).toEqual([]);
	});
	it('know the histories of their own documents, none of another’s', () => {
		const topics = serverStations.flatMap(([, { histories = {} }]) => Object.keys(histories));
		expect([...topics].sort()).toEqual(['feel', 'liveHead', 'move']);
		const id = '01a23243-60cd-719d-9412-91aa9c5ca64d';
		for (const document of [documentName.move(id), documentName.liveHead(id), documentName.feel(['setting', id, id])])
			expect(historyOf(document), document).toBeTypeOf('function');
		for (const document of [documentName.payload(id), documentName.head(id), 'toString/1', '', 'nothing'])
			expect(historyOf(document), document).toBeNull();
	});
	it('refuse a document that is none of theirs though it bears their name', () => {
		expect(() => historyOf('feel/nothing')).toThrow(Refusal);
		expect(() => historyOf('move/1')!({ shape: 1 })).toThrow();
	});
});
