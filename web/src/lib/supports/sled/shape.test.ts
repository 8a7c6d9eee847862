import { describe, expect, it } from 'vitest';
import { sledDraft } from './schemas.server';
import { sledItemKinds } from './model';
import { benchState, sled } from '$lib/testing/sled';
import {
	mounted,
	mountingOf,
	pulled,
	withItem,
	withNewItem,
	withNewPlace,
	withNewSection,
	withoutItem,
	wrongWith
} from './shape';
import { dockedSetting, itemAt } from './standing';

const heavy = sled('heavy');
const { geometry } = heavy;
const draft = (next: typeof geometry) => ({
	name: heavy.name,
	leastPayloadKg: heavy.leastPayloadKg,
	greatestPayloadKg: heavy.greatestPayloadKg,
	geometry: next
});
const refused = (next: typeof geometry) => sledDraft.validate(draft(next), { convert: false }).error?.message;

describe('a sled pulled about in its drawing', () => {
	it('takes along what was pulled and nothing else', () => {
		const docked = dockedSetting(geometry);
		const was = itemAt(docked, 'monitor');
		const next = pulled(geometry, {
			items: { ...docked.items, monitor: { ...was, foreM: was.foreM + 0.02, upM: was.upM - 0.01 } }
		});
		const monitor = (of: typeof geometry) => of.items.find(({ id }) => id === 'monitor')!;
		expect(monitor(next).atM[0]).toBeCloseTo(monitor(geometry).atM[0] + 0.02, 12);
		expect(monitor(next).atM[2]).toBeCloseTo(monitor(geometry).atM[2] - 0.01, 12);
		expect(withoutItem(next, 'monitor')).toEqual(withoutItem(geometry, 'monitor'));
	});
	it('pulls the post out, and never lets the clamp past its top', () => {
		const longer = pulled(geometry, { pulledOutM: 0.1 });
		expect(longer.sections[1]!.lengthM).toBeCloseTo(geometry.sections[1]!.lengthM + 0.1, 12);
		expect(pulled(geometry, { gimbalM: 3 }).gimbalM[1]).toBeCloseTo(0.85, 12);
		// A shorter post takes the clamp's top down with it.
		expect(wrongWith(draft(pulled(geometry, { pulledOutM: -0.1 })))).toBeNull();
	});
});

describe('things put on and taken off', () => {
	it('are things the server takes, each with a name of its own', () => {
		let next = withNewSection(withNewPlace(withNewPlace(geometry)));
		for (const kind of [...sledItemKinds, ...sledItemKinds]) next = withNewItem(next, kind).geometry;
		expect(refused(next)).toBeUndefined();
		const ids = next.items.map(({ id }) => id);
		expect(new Set(ids).size).toBe(ids.length);
		expect(next.items).toHaveLength(geometry.items.length + 10);
	});
	it('change how they are held, there and back', () => {
		const { geometry: next, id } = withNewItem(geometry, 'battery');
		let held = next;
		const battery = () => held.items.find((item) => item.id === id)!;
		for (const mounting of ['swing', 'pair', 'slide', 'fixed', 'swing'] as const) {
			held = withItem(held, id, mounted(battery(), mounting));
			expect(mountingOf(battery())).toBe(mounting);
			expect(refused(held)).toBeUndefined();
		}
		expect(benchState({ ...heavy, geometry: held }).movers).toContain(id);
	});
});

describe('what is wrong with the whole', () => {
	it('is said: clamp, pin, payload, arm, known points', () => {
		const says = (next: Partial<typeof geometry>) => wrongWith(draft({ ...geometry, ...next }));
		expect(wrongWith(draft(geometry))).toBeNull();
		expect(says({ gimbalM: [0.4, 1.2] })).toContain('past the top');
		expect(says({ dockM: 1.4 })).toContain('above the post');
		expect(says({ arm: { ...geometry.arm, rangeKg: [9, 9] } })).toContain('no width');
		const [section] = geometry.arm.sections;
		const twice = { ...section!, points: [section!.points[0], section!.points[0]] as const };
		expect(says({ arm: { ...geometry.arm, sections: [twice] } })).toContain('one load');
		expect(wrongWith({ ...draft(geometry), leastPayloadKg: 20 })).toContain('greatest payload');
	});
});
