import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { editingKeys, pageKeys } from './keys';

/** As much of a key press as the page's keys ask for; `on` is what the hand is on. */
function press(key: string, { on = 'body', held = [] as readonly string[] } = {}) {
	const target = { closest: (css: string) => (css.split(',').some((each) => each.trim() === on) ? {} : null) };
	const preventDefault = vi.fn();
	const event = {
		key,
		code: `Key${key}`,
		target,
		preventDefault,
		getModifierState: (name: string) => held.includes(name)
	};
	return { event: event as unknown as KeyboardEvent, preventDefault };
}
let dialogOpen = false;
beforeEach(() => vi.stubGlobal('document', { querySelector: () => (dialogOpen ? {} : null) }));
afterEach(() => {
	dialogOpen = false;
	vi.unstubAllGlobals();
});

describe('the keys of a page', () => {
	const heard: string[] = [];
	const keys = pageKeys({
		anywhere: { '$mod+s': () => heard.push('save') },
		outsideFields: { u: () => heard.push('units'), '[Shift]+?': () => heard.push('card') },
		outsideControls: { Enter: () => (heard.push('enter'), false) }
	});
	const after = (key: string, where: Parameters<typeof press>[1] = {}) => {
		heard.length = 0;
		const { event, preventDefault } = press(key, where);
		keys(event);
		return [heard.join(), preventDefault.mock.calls.length > 0] as const;
	};
	it('are a field’s own while it is typed in, and a dialog’s while it is open, but for saving', () => {
		expect(after('u')).toEqual(['units', true]);
		expect(after('u', { on: 'input' })).toEqual(['', false]);
		expect(after('s', { on: 'textarea', held: ['Control'] })).toEqual(['save', true]);
		dialogOpen = true;
		expect(after('u')).toEqual(['', false]);
	});
	it('leave a button or a handle in hand its Enter, and the browser what they did not want', () => {
		expect(after('Enter')).toEqual(['enter', false]);
		expect(after('Enter', { on: 'button' })).toEqual(['', false]);
		expect(after('Enter', { on: '[role="slider"]' })).toEqual(['', false]);
	});
	it('are not mistaken for one another: a letter alone, a letter with Control, a sign with Shift', () => {
		expect(after('u', { held: ['Control'] })[0]).toBe('');
		expect(after('s')[0]).toBe('');
		expect(after('?', { held: ['Shift'] })[0]).toBe('card');
	});
	it('undo with Control and Z, and redo with Shift or with Y, never the other way round', () => {
		const done: string[] = [];
		const edited = { undo: () => done.push('undo'), redo: () => done.push('redo'), save: () => done.push('save') };
		const editing = pageKeys(editingKeys(() => edited as never));
		for (const [key, held] of [
			['z', ['Control']],
			['Z', ['Control', 'Shift']],
			['y', ['Control']],
			['z', []]
		] as const)
			editing(press(key, { held }).event);
		expect(done).toEqual(['undo', 'redo', 'redo']);
	});
});
