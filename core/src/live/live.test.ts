import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric/random';
import { goodLink, type HandAct, holdOverLink, type LinkFault, restsAt } from '../testing/holdOverLink';
import { rounds } from '../testing/rounds';

const hold = (acts: readonly HandAct[], more: Partial<Parameters<typeof holdOverLink>[0]> = {}) =>
	holdOverLink({ seed: 1, lastsMs: 12_000, page: goodLink, link: goodLink, wants: 'pose', acts, ...more });

describe('a hold over a link', () => {
	it('arms once the link is known, moves while the press is down, and stops on its way when it is let go', () => {
		const out = hold([
			{ atMs: 4000, act: 'press' },
			{ atMs: 6000, act: 'release' }
		]);
		expect(out.arms).toHaveLength(1);
		expect(out.arms[0]! - 4000).toBeLessThan(80);
		expect(Math.max(...out.speeds.slice(0, 4000))).toBe(0);
		expect(Math.max(...out.speeds.slice(5500, 6000))).toBeGreaterThan(0.3);
		expect(out.brakes.map(({ why }) => why)).toEqual(['released']);
		expect(restsAt(out)! - 6000).toBeLessThan(1200);
		// On the way: both axes are as far along it as each other, but for what the head's own bound cuts short while words are on their way.
		const { panRad, tiltRad } = out.head.axes;
		expect(panRad!.position).toBeGreaterThan(0.1);
		expect(Math.abs(panRad!.position / 1.6 - tiltRad!.position / 0.4)).toBeLessThan(0.012);
		expect(out.unheldFaster).toBe(0);
	});

	it('goes on from where it stopped, and there and back', () => {
		const out = hold(
			[
				{ atMs: 4000, act: 'press' },
				{ atMs: 6000, act: 'release' },
				{ atMs: 8000, act: 'press' }
			],
			{ lastsMs: 14_000 }
		);
		expect(out.arms).toHaveLength(2);
		expect(out.desk.task?.leg).toBe(1);
		expect(out.head.axes.panRad!.position).toBeLessThan(-0.5);
	});

	it.each(['vanish', 'deskDies', 'linkCut', 'stopAll'] as const)('brakes within 200 ms and rests: %s', (act) => {
		for (const wants of ['stick', 'pose'] as const)
			for (let seed = 1; seed <= rounds(20, 6); seed += 1) {
				const atMs = 6000 + 7 * seed;
				const out = hold(
					[
						{ atMs: 3500, act: 'press' },
						{ atMs, act }
					],
					{ seed, wants, lastsMs: 9000 }
				);
				expect(out.brakes).toHaveLength(1);
				expect(out.brakes[0]!.why).toBe(act === 'stopAll' ? 'stopAll' : 'lost');
				expect(out.brakes[0]!.atMs - atMs).toBeLessThanOrEqual(200);
				expect(restsAt(out)! - atMs).toBeLessThan(900);
				expect(out.unheldFaster).toBe(0);
			}
	});

	it('on any bad link: never faster without a hold, never beyond an end, always braking within 200 ms of the hand', () => {
		const random = seededRandom(77);
		for (let seed = 1; seed <= rounds(40, 12); seed += 1) {
			const fault = (): LinkFault => ({
				leastMs: 5 + 30 * random(),
				jitterMs: 80 * random(),
				lossPart: 0.1 * random(),
				burst: 1 + 4 * random(),
				duplicatePart: 0.1 * random()
			});
			const atMs = 6000 + Math.floor(1500 * random());
			const acts: HandAct[] = [
				{ atMs: 3500, act: 'press' },
				{ atMs, act: random() < 0.5 ? 'release' : 'vanish' }
			];
			const out = hold(acts, {
				...{ seed, page: { ...fault(), lossPart: 0.01 * random() }, link: fault(), lastsMs: 10_000 },
				wants: random() < 0.5 ? 'stick' : 'pose',
				drift: 2e-4 * (2 * random() - 1)
			});
			expect(out.beyond).toBe(0);
			expect(out.unheldFaster).toBe(0);
			expect(restsAt(out)).not.toBeNull();
			const armed = out.arms.filter((at) => at < atMs).length > 0;
			// Late bursts never arm anew.
			expect(out.arms.filter((at) => at > atMs + 400)).toEqual([]);
			if (armed) expect(out.brakes[out.brakes.length - 1]!.atMs - atMs).toBeLessThanOrEqual(200);
		}
	});

	it('holds for a minute over a poor link without letting go by itself', () => {
		const out = hold([{ atMs: 3500, act: 'press' }], {
			lastsMs: 63_500,
			page: { leastMs: 8, jitterMs: 20, lossPart: 0.01, burst: 1, duplicatePart: 0 },
			link: { leastMs: 5, jitterMs: 20, lossPart: 0.1, burst: 1, duplicatePart: 0.02 }
		});
		expect(out.arms).toHaveLength(1);
		expect(out.brakes).toEqual([]);
	}, 60_000);

	it('a page slower there and back than a tenth of a second arms nothing', () => {
		const slow: LinkFault = { ...goodLink, leastMs: 40 };
		const out = hold([{ atMs: 3500, act: 'press' }], { page: slow, link: slow, lastsMs: 6000 });
		expect(out.arms).toEqual([]);
		expect(Math.max(...out.speeds)).toBe(0);
	});
});
