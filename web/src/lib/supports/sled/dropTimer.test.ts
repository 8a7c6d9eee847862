import { describe, expect, it } from 'vitest';
import { type DropTimer, readyTimer, stepTimer, type TimerEvent } from './dropTimer';

/** A thumb's whole story, and what came of it. */
function play(...events: readonly (readonly [TimerEvent['kind'], number])[]) {
	let timer: DropTimer = readyTimer;
	const runs: number[] = [];
	for (const [kind, atS] of events) {
		const { timer: next, runS } = stepTimer(timer, { kind, atS });
		timer = next;
		if (runS !== null) runs.push(runS);
	}
	return { timer, runs };
}

describe('the one-thumb timer', () => {
	it('counts from letting go to the tap', () => {
		const { timer, runs } = play(['down', 1], ['up', 2.4], ['down', 4.75], ['up', 4.8]);
		expect(runs).toEqual([expect.closeTo(2.35, 12)]);
		// The tap that ended it does not begin another.
		expect(timer).toEqual(readyTimer);
	});
	it('takes one run after the other', () => {
		const { runs } = play(
			['down', 0],
			['up', 1],
			['down', 3],
			['up', 3.1],
			['down', 5],
			['up', 6],
			['down', 8.5],
			['up', 8.6]
		);
		expect(runs).toEqual([2, 2.5]);
	});
	it('takes a short press for a tap gone astray, and says so', () => {
		const { timer, runs } = play(['down', 1], ['up', 1.1]);
		expect(runs).toEqual([]);
		expect(timer).toMatchObject({ phase: 'ready', word: expect.stringContaining('keep the thumb down') });
	});
	it('does not let a bouncing finger end a fall', () => {
		const { timer, runs } = play(['down', 0], ['up', 1], ['down', 1.05], ['up', 1.08], ['down', 3.2]);
		expect(runs).toEqual([expect.closeTo(2.2, 12)]);
		expect(timer.phase).toBe('ready');
	});
	it('gives up a fall that nobody ends, and one whose window went away', () => {
		expect(play(['down', 0], ['up', 1], ['tick', 10]).timer.phase).toBe('falling');
		expect(play(['down', 0], ['up', 1], ['tick', 17]).timer).toMatchObject({
			phase: 'ready',
			word: expect.stringContaining('Nobody tapped')
		});
		expect(play(['down', 0], ['cancel', 0.5], ['up', 1], ['down', 2]).timer.phase).toBe('held');
		expect(play(['down', 0], ['up', 1], ['cancel', 2]).timer).toEqual(readyTimer);
	});
});
