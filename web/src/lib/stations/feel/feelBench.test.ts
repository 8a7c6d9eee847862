import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stubServer, stubStorage } from '$lib/testing/browserStubs';
import { lightTurnings, testFeel, testSheet } from '$lib/testing/feel';
import { FeelBench, type FeelData } from './feelBench.svelte';
import { noShots } from './shots';
import { solveInput, solveWithWins } from './solve';

const data = (next: Partial<FeelData> = {}): FeelData => ({
	support: { id: 'g', kind: 'gimbal', name: 'Small gimbal', greatestPayloadKg: 2 },
	payload: { id: 'p', name: 'Compact body', version: 1, bare: false },
	massKg: 1.6,
	turnings: lightTurnings,
	power: null,
	balanced: true,
	modesBefore: [],
	sheet: { value: testSheet(), version: 1 },
	setting: { value: testFeel(), version: 1 },
	shots: { value: noShots, version: 1 },
	...next
});
/** A bench for which the search has found what it was asked at the slider's middle. */
function found(next: Partial<FeelData> = {}): FeelBench {
	const bench = new FeelBench(data(next));
	const input = solveInput(bench.sheet, bench.nowModel!, bench.turning!, bench.shot, bench.lens, 0, bench.stiffest);
	bench.solved = new Map([[0, solveWithWins(0, input)]]);
	return bench;
}

beforeEach(() => {
	vi.useFakeTimers();
	stubStorage();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('a gimbal at the station Feel', () => {
	it('lays what is found beside what is set, and nothing is set by it', () => {
		const bench = found();
		expect(bench.aim).toEqual(bench.suggested);
		expect(bench.isSet).toBe(false);
		expect(bench.state.now.pan).toEqual(testFeel().now.pan);
		expect(bench.aimResponse!.cameraRad).not.toEqual(bench.nowResponse!.cameraRad);
	});

	it('set so, it stands so, on that axis alone but for the stiffness, which is of all motors, and the roll says what was done', () => {
		stubServer(() => ({ status: 200, body: { version: 2 } }));
		const bench = found();
		const { aim } = bench;
		bench.setSo(['follow speed 50 → 44']);
		expect(bench.state.now.pan).toEqual(aim);
		expect(bench.state.now.tilt).toEqual({ ...testFeel().now.tilt, stiffness: aim!.stiffness });
		expect(bench.isSet).toBe(true);
		expect(bench.state.slips).toEqual([['follow speed 50 → 44']]);
		bench.undo();
		expect(bench.state.now.pan).toEqual(testFeel().now.pan);
		bench.redo();
		expect(bench.state.now.pan).toEqual(aim);
	});

	it('a setting tried stays on the scale, keeps the others as found, and is let go of by another shot', () => {
		const bench = found();
		const suggested = bench.suggested!;
		bench.tryOne('follow', 180);
		expect(bench.aim).toEqual({ ...suggested, follow: 100 });
		bench.tryOne('deadband', -7);
		expect(bench.aim).toEqual({ ...suggested, follow: 100, deadband: 0 });
		bench.untry();
		expect(bench.aim).toEqual(suggested);
		bench.tryOne('smooth', 5);
		bench.chooseShot('whipPan');
		expect(bench.state).toMatchObject({ shotId: 'whipPan', gesture: 'whipPan', tried: null });
	});

	it('where the mode holds, only the stiffness is the search’s word', () => {
		const bench = found();
		bench.change({ shotId: 'interview' });
		expect(bench.aimMode.mode?.kind).toBe('holds');
		expect(bench.suggested).toEqual({ ...bench.now!, stiffness: bench.suggested!.stiffness });
	});

	it('takes the other school’s mode where the gimbal lacks the first, and says that it does', () => {
		const sheet = testSheet();
		const without = { ...sheet, modes: sheet.modes.filter(({ kind }) => kind !== 'holds') };
		const bench = new FeelBench(data({ sheet: { value: without, version: 1 } }));
		bench.change({ shotId: 'interview' });
		expect(bench.aimMode).toMatchObject({ missing: true, mode: { kind: 'panFollows' } });
	});

	it('a tilt down on a gimbal without a tilt motor shows the axis there is', () => {
		const bench = new FeelBench(
			data({ turnings: { pan: lightTurnings.pan! }, setting: { value: testFeel({ axis: 'tilt' }), version: 1 } })
		);
		expect(bench.axis).toBe('pan');
		expect(new FeelBench(data({ turnings: {} })).axis).toBeNull();
		expect(new FeelBench(data({ turnings: {} })).recipe()).toBeNull();
	});

	it('undo takes back what was changed last, whichever paper it is on', () => {
		stubServer(() => ({ status: 200, body: { version: 2 } }));
		const bench = new FeelBench(data());
		bench.change({ focalM: 0.085 });
		bench.changeSheet({ resets: 'another word' });
		bench.undo();
		expect(bench.sheet.resets).toBe(testSheet().resets);
		expect(bench.state.focalM).toBe(0.085);
		expect(bench.canRedo).toBe(true);
	});

	it('tells the battery’s minutes from the power sheet, and nothing without one', () => {
		const power = {
			sources: [{ id: 's', name: 'Battery', capacityWh: 50, voltageV: 14.4, count: 1, atOnce: 1, ageFactor: 1 }],
			taps: [{ id: 't', name: 'Plate', sourceId: 's', voltageV: 14.4, limitA: 8, efficiency: 1 }],
			loads: [{ id: 'l', name: 'Camera', tapId: 't', drawW: 20 }],
			marginShare: 0,
			jobS: 3600,
			indicator: [0, 0.5],
			lit: 2
		};
		const bench = new FeelBench(data({ power }));
		// 50 Wh at 20 W last 150 minutes, at 25 W 120.
		expect(bench.minutesLess(5)).toBeCloseTo(30, 6);
		expect(bench.minutesLess(0)).toBeNull();
		expect(new FeelBench(data()).minutesLess(5)).toBeNull();
	});

	it('a save over somebody else’s is told apart from its own', async () => {
		const asked = stubServer(({ method }) =>
			method === 'PUT'
				? { status: 409, body: { error: { code: 'stale', message: 'Somebody else has saved.' } } }
				: { status: 200, body: { value: testFeel({ focalM: 0.1 }), version: 7 } }
		);
		const bench = new FeelBench(data());
		bench.change({ focalM: 0.085 });
		await bench.save();
		expect(bench.settingDocument.saving).toBe('stale');
		expect(bench.settingDocument.theirs?.value.focalM).toBe(0.1);
		expect(bench.state.focalM).toBe(0.085);
		await bench.settingDocument.takeTheirs();
		expect(bench.state.focalM).toBe(0.1);
		expect(asked.length).toBeGreaterThan(0);
	});
});
