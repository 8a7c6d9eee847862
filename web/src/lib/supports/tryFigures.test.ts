import { combineBodies } from '@poise/core';
import { describe, expect, it, vi } from 'vitest';
import { tryFigures } from './tryFigures';

describe('figures that cannot be worked out', () => {
	it('are none, with their reason', () => {
		const reasons: string[] = [];
		expect(
			tryFigures(
				() => combineBodies({ bodies: [] }),
				(reason) => reasons.push(reason)
			)
		).toBeNull();
		expect(reasons).toEqual([expect.stringContaining('combineBodies')]);
		expect(tryFigures(() => 3)).toBe(3);
	});
	it('say it once in the console, and nothing else is swallowed', () => {
		const warn = vi.spyOn(console, 'warn').mockImplementation(() => {});
		for (let time = 0; time < 3; time += 1) tryFigures(() => combineBodies({ bodies: [] }));
		expect(warn).toHaveBeenCalledTimes(1);
		warn.mockRestore();
		expect(() =>
			tryFigures(() => {
				throw new TypeError('a fault of ours');
			})
		).toThrow(TypeError);
	});
});
