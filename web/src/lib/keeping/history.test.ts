import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { begin, change, redo, settle, undo } from './history';

describe('history', () => {
	it('goes back through every step and forward again', () => {
		fc.assert(
			fc.property(fc.array(fc.integer(), { maxLength: 50 }), (values) => {
				const end = values.reduce((history, value) => change(history, value), begin(0));
				let back = end;
				for (const value of [0, ...values].reverse()) {
					expect(back.present).toBe(value);
					back = undo(back);
				}
				expect(back.past).toEqual([]);
				for (const value of values) {
					back = redo(back);
					expect(back.present).toBe(value);
				}
			})
		);
	});

	it('makes one step of a drag, and a second of the next', () => {
		let history = begin('a');
		for (const text of ['b', 'c', 'd']) history = change(history, text, 'drag camera');
		history = settle(history);
		history = change(history, 'e', 'drag camera');
		expect(undo(history).present).toBe('d');
		expect(undo(undo(history)).present).toBe('a');
	});

	it('forgets what was undone once something new is done', () => {
		const history = change(undo(change(begin(1), 2)), 3);
		expect(redo(history).present).toBe(3);
	});
});
