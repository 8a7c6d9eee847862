import type { ToHead } from '@poise/link';
import { describe, expect, it } from 'vitest';
import type { Way } from './stands';
import { Watch } from './watch';

const way: Way = {
	...{ kind: 'programme', id: 'w', name: 'rail', laps: null },
	legs: [{ kind: 'pose', name: 'x', to: { trackM: 1 }, wantedS: null, restS: 0 }]
};
function watch() {
	const said: ToHead[] = [];
	const did: string[] = [];
	const made = new Watch('h', {
		say: (message) => said.push(message),
		released: () => did.push('released'),
		drop: () => did.push('dropped')
	});
	made.heard(0, '', null, 0);
	return { watch: made, said, did, types: () => said.map(({ type }) => type) };
}
/** Asked for and answered: the head is held by it. */
function running() {
	const all = watch();
	all.watch.ask('Ada', way, 10);
	const press = all.said.findLast((each) => each.type === 'ask')!.press;
	all.watch.step({ kind: 'offer', atMs: 20, press, epoch: 7 });
	expect(all.watch.begin(30)).toBe(way);
	return all;
}

describe('the desk’s own hold', () => {
	it('asks, and runs what was asked for once the head is held by it', () => {
		const { watch: it_, types } = running();
		expect(types()).toEqual(['ask', 'grant']);
		expect([it_.for, it_.isAsked, it_.trouble]).toEqual(['Ada', false, null]);
	});
	it.each(['linkSlow', 'linkUnknown', 'watchNotAllowed', 'held', 'stopAll'])('refused for %s, says so', (why) => {
		const { watch: it_, said } = watch();
		it_.ask('Ada', way, 10);
		const press = said.findLast((each) => each.type === 'ask')!.press;
		it_.step({ kind: 'refused', atMs: 20, press, why });
		it_.tick(30);
		expect([it_.for, it_.isAsked, it_.trouble]).toEqual([null, false, why]);
	});
	it('without an answer gives up, and says so', () => {
		const { watch: it_ } = watch();
		it_.ask('Ada', way, 10);
		for (let ms = 20; ms < 1200; ms += 20) it_.tick(ms);
		expect([it_.isAsked, it_.trouble]).toEqual([false, 'noAnswer']);
	});
	it('lost, it drops what it ran and says so; a new one begins without that word', () => {
		const { watch: it_, did } = running();
		it_.heard(500, '', null, 500);
		it_.tick(510);
		expect(did[did.length - 1]).toBe('dropped');
		expect([it_.for, it_.trouble]).toEqual([null, 'lost']);
		it_.ask('Ben', way, 600);
		expect(it_.trouble).toBeNull();
	});
	it('ended, it lets go and drops; asked and then wanted by nobody, it lets go of what comes yet', () => {
		const { watch: it_, did, types } = running();
		it_.end(40);
		expect(did).toEqual(['released', 'released', 'released', 'dropped']);
		expect(types().filter((type) => type === 'release')).toHaveLength(3);
		const other = watch();
		other.watch.ask('Ada', way, 10);
		other.watch.end(15);
		expect(other.watch.begin(30)).toBeNull();
		expect(other.watch.for).toBeNull();
	});
});
