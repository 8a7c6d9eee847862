import { describe, expect, it } from 'vitest';
import { payload, shelf } from '$lib/testing/scenario';
import { drawnCamera } from './drawnCamera';

const byName = new Map(shelf.map((part) => [part.id, part]));

describe('a payload as a head carries it', () => {
	it('has its lens before and above what it balances about', () => {
		const cine = drawnCamera(payload('Cine'), byName)!;
		expect(cine.massKg).toBeGreaterThan(1);
		const [ahead, left, up] = cine.lensM!;
		expect(ahead).toBeGreaterThan(0.02);
		expect(ahead).toBeLessThan(0.4);
		expect(Math.abs(left)).toBeLessThan(0.05);
		expect(Math.abs(up)).toBeLessThan(0.15);
	});
	it('goes with its lens: slid ahead on the plate, the lens is ahead of the balance by less than it was slid', () => {
		const cine = payload('Cine');
		const lens = cine.placements.find(({ partId }) => byName.get(partId)?.kind === 'lens')!;
		const slid = {
			...cine,
			placements: cine.placements.map((each) =>
				each.id === lens.id
					? { ...each, positionM: [each.positionM[0] + 0.1, each.positionM[1], each.positionM[2]] as const }
					: each
			)
		};
		const by = drawnCamera(slid, byName)!.lensM![0] - drawnCamera(cine, byName)!.lensM![0];
		expect(by).toBeGreaterThan(0);
		expect(by).toBeLessThan(0.1);
		// To the left is more than before, to the right less.
		const aside = (leftM: number) => {
			const placements = cine.placements.map((each) => {
				const [x, y, z] = each.positionM;
				return each.id === lens.id ? { ...each, positionM: [x, y + leftM, z] as const } : each;
			});
			return drawnCamera({ ...cine, placements }, byName)!.lensM![1];
		};
		expect(aside(0.02)).toBeGreaterThan(aside(0));
		expect(aside(-0.02)).toBeLessThan(aside(0));
	});
	it('without a lens has none to tell of, and with one too far off tells none', () => {
		const cine = payload('Cine');
		const bare = {
			...cine,
			placements: cine.placements.filter(({ partId }) => byName.get(partId)?.kind !== 'lens')
		};
		expect(drawnCamera(bare, byName)!.lensM).toBeNull();
	});
});
