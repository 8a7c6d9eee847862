import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Seldom } from './seldom';

describe('work that is done seldom', () => {
	beforeEach(() => void vi.useFakeTimers());
	afterEach(() => void vi.useRealTimers());
	/** Asked for every 5 ms over a second; each time it takes `tookMs`. */
	const overASecond = (tookMs: number) => {
		const times: number[] = [];
		const seldom = new Seldom(
			() => {
				times.push(Date.now());
				vi.setSystemTime(Date.now() + tookMs);
			},
			() => Date.now()
		);
		const begunMs = Date.now();
		while (Date.now() < begunMs + 1000) {
			seldom.soon();
			vi.advanceTimersByTime(5);
		}
		return times;
	};

	it('is done at once when it has long not been done, then once for all that was asked', () => {
		const work = vi.fn();
		const seldom = new Seldom(work, () => Date.now());
		for (let k = 0; k < 9; k += 1) seldom.soon();
		vi.advanceTimersByTime(0);
		expect(work).toHaveBeenCalledTimes(1);
		seldom.soon();
		vi.advanceTimersByTime(20);
		expect(work).toHaveBeenCalledTimes(1);
		vi.advanceTimersByTime(14);
		expect(work).toHaveBeenCalledTimes(2);
	});
	it('is done as often as an eye sees while it costs nothing', () => {
		expect(overASecond(0).length).toBeGreaterThan(25);
		expect(overASecond(0).length).toBeLessThan(32);
	});
	it('never takes more than a third of the time, however dear it is', () => {
		for (const tookMs of [15, 40, 120]) {
			const times = overASecond(tookMs);
			for (const [k, atMs] of times.slice(1).entries()) expect(atMs - times[k]!).toBeGreaterThanOrEqual(3 * tookMs);
		}
	});
	it('is not done after its end', () => {
		const work = vi.fn();
		const seldom = new Seldom(work, () => Date.now());
		seldom.soon();
		seldom.end();
		vi.advanceTimersByTime(500);
		expect(work).not.toHaveBeenCalled();
	});
});
