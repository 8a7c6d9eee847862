import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, serve } from '../application';
import { TestPage, until } from './page';

let served: Served;
let page: TestPage;
const two = 'h-202';

interface Face {
	readonly id: string;
	readonly phase: string;
	readonly stoppedBy: string | null;
	readonly axes: Readonly<Record<string, { readonly position: number; readonly rate: number }>>;
}
async function face(id: string): Promise<Face> {
	const all = (await (await fetch(served.heads!.control)).json()) as Face[];
	return all.find((each) => each.id === id)!;
}
const moving = ({ axes }: Face) => Object.values(axes).some(({ rate }) => Math.abs(rate) > 1e-3);
async function rested(id: string) {
	const seen = await face(id);
	return seen.phase === 'rest' && !moving(seen);
}
async function ready(of: TestPage, id: string) {
	await until(() => {
		const seen = of.head(id);
		// The page of before may not be gone yet.
		if (seen?.driver?.page !== of.id) of.take(id);
		return seen?.driver?.page === of.id && seen.linkPage === of.id && seen.linkSamples >= 20;
	}, 'its link is known');
}
async function drive(of: TestPage, id: string, panRad: number, forMs: number) {
	const giveUpAt = performance.now() + forMs;
	while (performance.now() < giveUpAt) {
		of.steer(id, { panRad });
		await new Promise((resolve) => setTimeout(resolve, 30));
	}
}

beforeAll(async () => {
	served = await serve({}, { heads: 'claimed' });
	page = await TestPage.open(served.origin);
	await until(() => page.heads.filter(({ link }) => link === 'here').length === 5, 'five heads are here');
});
afterAll(async () => {
	page.vanish();
	await served.stop();
});

describe('the desk', () => {
	it('drives a head by a stick while it is held, to its side, and it rests when it is let go', async () => {
		await ready(page, two);
		await page.whileHeld(two, async () => {
			const before = (await face(two)).axes.panRad!.position;
			await drive(page, two, 0.5, 800);
			const after = (await face(two)).axes.panRad!;
			expect(after.position - before).toBeGreaterThan(0.15);
			expect(page.head(two)!.holder).toBe('Joss Averley');
		});
		page.release(two);
		await until(() => rested(two), 'it rests', 1500);
	});

	it('leads it to a pose, stops on the way, and goes on from there', async () => {
		const to = { panRad: -0.8, tiltRad: 0.2 };
		const leg = { kind: 'pose' as const, name: 'there', to, wantedS: 3, restS: 0 };
		await page.standBy(two, { kind: 'pose', id: 'there', name: 'there', legs: [leg], laps: 1 });
		await new Promise((resolve) => setTimeout(resolve, 300));
		expect(moving(await face(two))).toBe(false);
		await page.whileHeld(two, async () => {
			await until(() => page.head(two)?.task?.phase === 'runs', 'it runs');
			await new Promise((resolve) => setTimeout(resolve, 800));
		});
		page.release(two);
		await until(() => rested(two), 'it rests', 3000);
		expect(page.head(two)!.task!.phase).toBe('stopped');
		expect((await face(two)).axes.panRad!.position).toBeGreaterThan(-0.7);
		await page.whileHeld(two, () => until(() => page.head(two)?.task?.phase === 'done', 'it is there'));
		page.release(two);
		const there = await face(two);
		expect(there.axes.panRad!.position).toBeCloseTo(to.panRad, 2);
		expect(there.axes.tiltRad!.position).toBeCloseTo(to.tiltRad, 2);
	});

	it('stop-all from any page stops it, stays, and a named person clears it', async () => {
		const other = await TestPage.open(served.origin);
		await page.whileHeld(two, async () => {
			void drive(page, two, 0.6, 900);
			await until(async () => moving(await face(two)), 'it moves');
		});
		other.say({ type: 'stopAll' });
		await until(async () => !moving(await face(two)), 'it rests', 1500);
		page.release(two);
		expect((await face(two)).stoppedBy).toBe('Joss Averley');
		await until(() => page.stoppedBy !== null, 'every page says so');
		page.press(two);
		await until(() => page.hold(two)?.phase === 'ended', 'it is refused');
		expect(page.hold(two)!.why).toBe('stopAll');
		page.release(two);
		other.say({ type: 'clear' });
		await until(async () => (await face(two)).stoppedBy === null, 'it is cleared');
		other.vanish();
	});

	it('looking takes nothing; asking tells the driver, who keeps or gives it, and what stood by goes with it', async () => {
		const other = await TestPage.open(served.origin);
		const leg = { kind: 'pose' as const, name: 'x', to: { panRad: 0.3 }, wantedS: null, restS: 0 };
		await page.standBy(two, { kind: 'pose', id: 'mine', name: 'x', legs: [leg], laps: 1 });
		// As a page of before took a head by looking at it: somebody drives it, and goes on driving it.
		other.take(two);
		await new Promise((resolve) => setTimeout(resolve, 4000));
		expect(page.head(two)!.driver!.page).toBe(page.id);
		expect(page.head(two)!.askedBy).toBeNull();
		other.say({ type: 'askFor', head: two });
		await until(() => page.head(two)?.askedBy?.page === other.id, 'the driver is told');
		other.steer(two, { panRad: 1 });
		expect(moving(await face(two))).toBe(false);
		page.say({ type: 'keep', head: two });
		await until(() => other.head(two)?.keptFrom === other.id, 'whoever asked is told that it is kept');
		expect(page.head(two)!.next!.id).toBe('mine');
		other.say({ type: 'askFor', head: two });
		await until(() => page.head(two)?.askedBy?.page === other.id, 'the driver is told again');
		page.say({ type: 'give', head: two });
		await until(() => page.head(two)?.driver?.page === other.id, 'it is given');
		expect(page.head(two)!.next).toBeNull();
		other.vanish();
		await until(() => page.head(two)?.driver === null, 'it is nobody’s');
		page.take(two);
		await until(() => page.head(two)?.driver?.page === page.id, 'it is taken');
	}, 30_000);

	it('whoever asked may take it after fifteen silent seconds by another press, and not before; a lead takes it at once', async () => {
		const other = await TestPage.open(served.origin);
		other.say({ type: 'askFor', head: two });
		await until(() => page.head(two)?.askedBy?.page === other.id, 'the driver is told');
		expect(page.head(two)!.askedBy!.mayTakeInS).toBeGreaterThan(10);
		other.take(two);
		await new Promise((resolve) => setTimeout(resolve, 500));
		expect(page.head(two)!.driver!.page).toBe(page.id);
		await until(() => page.head(two)?.askedBy?.mayTakeInS === 0, 'it was silent for long', 20_000);
		expect(page.head(two)!.driver!.page).toBe(page.id);
		other.take(two);
		await until(() => page.head(two)?.driver?.page === other.id, 'it is taken');
		expect(page.head(two)!.taken).toMatchObject({ from: page.id, as: 'silence' });
		page.say({ type: 'lead', head: two });
		await until(() => page.head(two)?.driver?.page === page.id, 'a lead takes it');
		expect(page.head(two)!.taken).toMatchObject({ from: other.id, as: 'lead' });
		other.vanish();
	}, 40_000);

	it('a programme runs on a head that may run watched while another is driven, and on no other', async () => {
		const rail = 'h-201';
		page.take(rail);
		await until(() => page.head(rail)?.driver?.page === page.id, 'it is taken');
		const leg = (name: string, trackM: number) => ({
			...{ kind: 'pose' as const, name, to: { trackM }, wantedS: null, restS: 0.1 }
		});
		const legs = [leg('left', 0.2), leg('right', 0.5)];
		// Let go by itself on a machine that had no time for it, it is begun again, as a person would.
		let beganMs = -Infinity;
		const begin = () => {
			if (page.head(rail)?.task?.watchedFor === 'Joss Averley' || performance.now() - beganMs < 1000) return;
			beganMs = performance.now();
			page.say({
				type: 'standBy',
				head: rail,
				next: { kind: 'programme', id: 'rail', name: 'rail', legs, laps: null }
			});
			page.say({ type: 'watch', head: rail, id: 'rail' });
		};
		await until(
			() => {
				begin();
				return (page.head(rail)?.task?.lap ?? 0) >= 2;
			},
			'it has been there and back',
			40_000
		);
		expect(page.head(rail)!.holder).toBe('Joss Averley');
		await ready(page, two);
		await until(() => {
			begin();
			if (['up', 'ended'].includes(page.hold(two)!.phase)) page.press(two);
			return page.head(two)?.phase === 'armed' && page.head(rail)?.phase === 'armed';
		}, 'both move');
		page.release(two);
		page.say({ type: 'drop', head: rail });
		await until(async () => !moving(await face(rail)), 'it rests', 3000);
		await page.standBy(two, { kind: 'programme', id: 'x', name: 'x', legs: [leg('x', 0)], laps: null });
		page.say({ type: 'watch', head: two, id: 'x' });
		await until(() => page.head(two)?.watchTrouble === 'watchNotAllowed', 'it is said why not');
		await new Promise((resolve) => setTimeout(resolve, 400));
		expect(page.head(two)!.phase).not.toBe('armed');
		page.say({ type: 'standBy', head: two, next: null });
	}, 90_000);
});

describe('safe rest', () => {
	const held = async (of: TestPage) => {
		await ready(of, two);
		await until(() => {
			if (['up', 'ended'].includes(of.hold(two)!.phase)) of.press(two);
			return of.head(two)?.phase === 'armed';
		}, 'it is held');
		void drive(of, two, (await face(two)).axes.panRad!.position > 0 ? -0.6 : 0.6, 3000);
		await until(async () => moving(await face(two)), 'it moves');
		await new Promise((resolve) => setTimeout(resolve, 250));
	};
	const rests = async (sinceMs: number) => {
		await until(async () => (await face(two)).phase !== 'armed', 'it brakes', 1000);
		// The face is asked over the same machine: what it takes is counted too.
		expect(performance.now() - sinceMs).toBeLessThan(400);
		await until(() => rested(two), 'it rests', 1500);
	};

	it('the browser dies', async () => {
		await until(() => page.head(two) !== undefined, 'it is there');
		page.say({ type: 'give', head: two });
		for (let round = 0; round < 3; round += 1) {
			const dying = await TestPage.open(served.origin);
			await held(dying);
			const atMs = performance.now();
			dying.vanish();
			await rests(atMs);
			await until(() => page.head(two)?.driver === null, 'it is nobody’s');
		}
	}, 60_000);

	it('the desk dies, and the next one takes over without a motion', async () => {
		const dying = await TestPage.open(served.origin);
		await held(dying);
		const atMs = performance.now();
		served.kill();
		await rests(atMs);
		dying.vanish();
		const stood = (await face(two)).axes.panRad!.position;
		const next = await served.another();
		const fresh = await TestPage.open(next.origin);
		await until(() => fresh.head(two)?.link === 'here', 'the head is recognised');
		expect((await face(two)).axes.panRad!.position).toBe(stood);
		await ready(fresh, two);
		await fresh.whileHeld(two, async () => {});
		fresh.release(two);
		// The next of them serves nobody's desk, but hands its pages on to the one that has it.
		const third = await served.another();
		const forwarded = await TestPage.open(third.origin);
		await ready(forwarded, 'h-203');
		await forwarded.whileHeld('h-203', async () => {});
		forwarded.release('h-203');
		for (const each of [fresh, forwarded]) each.vanish();
		await third.stop();
		await next.stop();
	}, 90_000);
});
