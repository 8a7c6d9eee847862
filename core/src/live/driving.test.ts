import { describe, expect, it } from 'vitest';
import { type Driver, type DrivingEvent, drivingSeen, drivingStep, drivingTimes, nobodyDrives } from './driving';

const [ada, ben, cem] = ['Ada', 'Ben', 'Cem'].map((name) => ({ page: `page-${name}`, name })) as [
	Driver,
	Driver,
	Driver
];

/** One head that Ada drives. */
function driven() {
	let driving = nobodyDrives;
	const step = (event: DrivingEvent, atMs: number): boolean => {
		const [after, { passed }] = drivingStep(driving, event, atMs);
		driving = after;
		return passed;
	};
	step({ kind: 'take', by: ada, held: false }, 0);
	return {
		step,
		takes: (by: Driver, atMs: number, held = false) => step({ kind: 'take', by, held }, atMs),
		seen: (atMs: number, held = false) => drivingSeen(driving, atMs, held)
	};
}

describe('who drives a head', () => {
	it('a head of nobody’s is taken by a press; one of somebody’s is not, and nothing is asked by trying', () => {
		const head = driven();
		expect(head.seen(1).driver).toEqual(ada);
		expect(head.takes(ben, 1)).toBe(false);
		expect(head.seen(1)).toMatchObject({ driver: ada, askedBy: null, taken: null });
	});
	it('asked for, it passes by nothing but its driver’s hand for the stated silence, and by another press after', () => {
		const head = driven();
		head.step({ kind: 'askFor', by: ben }, 1000);
		expect(head.seen(1000).askedBy).toEqual({ ...ben, mayTakeInS: drivingTimes.silenceMs / 1000 });
		expect(head.takes(ben, 999 + drivingTimes.silenceMs)).toBe(false);
		expect(head.seen(60_000).driver).toEqual(ada);
		expect(head.takes(cem, 60_000)).toBe(false);
		expect(head.takes(ben, 1000 + drivingTimes.silenceMs, true)).toBe(false);
		expect(head.takes(ben, 1000 + drivingTimes.silenceMs)).toBe(true);
		expect(head.seen(16_000)).toMatchObject({
			...{ driver: ben, askedBy: null },
			taken: { by: 'Ben', from: ada.page, as: 'silence' }
		});
		expect(head.seen(16_000 + drivingTimes.saidForMs - 1).taken).not.toBeNull();
		expect(head.seen(16_000 + drivingTimes.saidForMs).taken).toBeNull();
	});
	it('whoever does something with it was not silent', () => {
		const head = driven();
		head.step({ kind: 'askFor', by: ben }, 0);
		head.step({ kind: 'active' }, 10_000);
		expect(head.takes(ben, 24_999)).toBe(false);
		expect(head.seen(20_000).askedBy!.mayTakeInS).toBe(5);
		expect(head.seen(20_000, true).askedBy!.mayTakeInS).toBe(15);
		expect(head.takes(ben, 25_000)).toBe(true);
	});
	it('kept, whoever asked is told and asks anew; given, it is theirs; given to nobody, it is nobody’s', () => {
		const head = driven();
		head.step({ kind: 'askFor', by: ben }, 0);
		head.step({ kind: 'askFor', by: cem }, 1);
		expect(head.seen(1).askedBy!.page).toBe(ben.page);
		head.step({ kind: 'keep', by: ben }, 2);
		expect(head.seen(2).askedBy).not.toBeNull();
		head.step({ kind: 'keep', by: ada }, 2);
		expect(head.seen(3)).toMatchObject({ askedBy: null, keptFrom: ben.page, driver: ada });
		expect(head.takes(ben, 100_000)).toBe(false);
		head.step({ kind: 'askFor', by: ben }, 100_000);
		expect(head.seen(100_000).keptFrom).toBeNull();
		expect(head.step({ kind: 'give', by: ben }, 100_000)).toBe(false);
		expect(head.step({ kind: 'give', by: ada }, 100_000)).toBe(true);
		expect(head.seen(100_001).driver).toEqual(ben);
		expect(head.step({ kind: 'give', by: ben }, 100_001)).toBe(true);
		expect(head.seen(100_002).driver).toBeNull();
	});
	it('whoever asked may think better of it, and nobody else for them', () => {
		const head = driven();
		head.step({ kind: 'askFor', by: ben }, 0);
		head.step({ kind: 'unask', by: cem }, 1);
		expect(head.seen(1).askedBy?.page).toBe(ben.page);
		head.step({ kind: 'unask', by: ben }, 2);
		expect(head.seen(2).askedBy).toBeNull();
	});
	it('a lead takes it at once, held or not, by name; whoever drives it already takes nothing', () => {
		const head = driven();
		expect(head.step({ kind: 'lead', by: ada }, 1)).toBe(false);
		expect(head.step({ kind: 'lead', by: ben }, 2)).toBe(true);
		expect(head.seen(2)).toMatchObject({ driver: ben, taken: { by: 'Ben', from: ada.page, as: 'lead' } });
	});
	it('a page that is gone drives and asks no more', () => {
		const head = driven();
		head.step({ kind: 'askFor', by: ben }, 0);
		expect(head.step({ kind: 'gone', page: ben.page }, 1)).toBe(false);
		expect(head.seen(1).askedBy).toBeNull();
		head.step({ kind: 'askFor', by: cem }, 1);
		expect(head.step({ kind: 'gone', page: ada.page }, 2)).toBe(true);
		expect(head.seen(2)).toMatchObject({ driver: null, askedBy: null });
	});
});
