import { describe, expect, it } from 'vitest';
import type { StandingWay } from './nextHold';
import { deskHolder, noWatch, type WatchEffect, type WatchEvent, watchStep } from './watch';

const way: StandingWay = {
	...{ kind: 'programme', id: 'w', name: 'rail', laps: null },
	legs: [{ kind: 'pose', name: 'x', to: { trackM: 1 }, wantedS: null, restS: 0 }]
};
function watching() {
	let watch = noWatch('h');
	const effects: WatchEffect[] = [];
	const step = (event: WatchEvent, atMs: number) => {
		const [after, came] = watchStep(watch, event, atMs);
		watch = after;
		effects.push(...came);
		return came;
	};
	const said = () => effects.flatMap((effect) => (effect.kind === 'say' ? [effect.message] : []));
	const all = {
		step,
		said,
		kinds: () => effects.map(({ kind }) => kind).filter((kind) => kind !== 'say'),
		heard: (headMs: number, holder: string, epoch: number | null, atMs: number) =>
			step({ kind: 'heard', headMs, holder, epoch }, atMs),
		asks: (by: string, atMs: number) => {
			step({ kind: 'wants', by, way }, atMs);
			return said().findLast((each) => each.type === 'ask')!.press;
		},
		get now() {
			return { for: watch.for, asked: watch.asked !== null, trouble: watch.trouble };
		}
	};
	all.heard(0, '', null, 0);
	return all;
}
/** Asked for and answered: the head is held by it. */
function running() {
	const all = watching();
	all.step({ kind: 'answered', press: all.asks('Ada', 10), epoch: 7 }, 20);
	expect(all.step({ kind: 'begins' }, 30)).toContainEqual({ kind: 'runs', way });
	return all;
}

describe('the desk’s own hold', () => {
	it('asks as a watch, grants as the desk, and runs what was asked for once the head is held by it', () => {
		const all = running();
		expect(all.said()).toMatchObject([
			{ type: 'ask', holder: deskHolder, by: 'watch' },
			{ type: 'grant', holder: deskHolder, epoch: 7 }
		]);
		expect(all.now).toEqual({ for: 'Ada', asked: false, trouble: null });
	});
	it('an answer to another press is none', () => {
		const all = watching();
		const press = all.asks('Ada', 10);
		all.step({ kind: 'answered', press: press + 1, epoch: 7 }, 20);
		expect(all.said().filter(({ type }) => type === 'grant')).toEqual([]);
	});
	it.each(['linkSlow', 'linkUnknown', 'watchNotAllowed', 'held', 'stopAll'])('refused for %s, says so', (why) => {
		const all = watching();
		all.step({ kind: 'refused', press: all.asks('Ada', 10), why }, 20);
		all.step({ kind: 'tick' }, 30);
		expect(all.now).toEqual({ for: null, asked: false, trouble: why });
	});
	it('without an answer gives up, and says so', () => {
		const all = watching();
		all.asks('Ada', 10);
		for (let ms = 20; ms < 1200; ms += 20) all.step({ kind: 'tick' }, ms);
		expect(all.now).toMatchObject({ asked: false, trouble: 'noAnswer' });
	});
	it('lost, it drops what it ran and says so; a new one begins without that word', () => {
		const all = running();
		all.heard(500, '', null, 500);
		all.step({ kind: 'tick' }, 510);
		expect(all.kinds().at(-1)).toBe('drop');
		expect(all.now).toMatchObject({ for: null, trouble: 'lost' });
		all.asks('Ben', 600);
		expect(all.now.trouble).toBeNull();
	});
	it('ended, it lets go first and then drops; asked and then wanted by nobody, it runs nothing of what comes yet', () => {
		const all = running();
		all.step({ kind: 'ends' }, 40);
		expect(all.kinds().slice(-4)).toEqual(['released', 'released', 'released', 'drop']);
		expect(all.said().filter(({ type }) => type === 'release')).toHaveLength(3);
		const other = watching();
		other.asks('Ada', 10);
		other.step({ kind: 'ends' }, 15);
		expect(other.step({ kind: 'begins' }, 30).filter(({ kind }) => kind === 'runs')).toEqual([]);
		expect(other.now.for).toBeNull();
	});
});
