import { describe, expect, it } from 'vitest';
import { bodies, payload } from '$lib/testing/scenario';
import { benchState, sled } from '$lib/testing/sled';
import { sledFigures } from './figures';
import { poisedFrom } from './poisedFrom';
import { rigSteps } from './rigging';
import { sledSlip } from './slip';

const heavy = sled('heavy');
const cine = bodies(payload('Cine'));
const stepsOf = (state: ReturnType<typeof benchState>, checksOpen = 0) => {
	const figures = sledFigures(heavy, cine, state, null);
	return rigSteps(
		heavy,
		state,
		cine,
		figures,
		sledSlip(heavy, state.setting, figures, 0, 'metric'),
		checksOpen,
		'metric'
	);
};

describe('the rigging sequence', () => {
	it('goes from the stand to the arm, gimbal high before docking, static before drop before spin', () => {
		expect(stepsOf(benchState(heavy)).map(({ id }) => id)).toEqual([
			'prepare',
			'mark',
			'gimbalHigh',
			'dock',
			'camera',
			'cables',
			'side',
			'static',
			'drop',
			'dynamic',
			'undock'
		]);
	});
	it('says who holds what in every step, and warns where it bites', () => {
		const steps = stepsOf(benchState(heavy));
		for (const { operator, assistant } of steps) {
			expect(operator).not.toBe('');
			expect(assistant).not.toBe('');
		}
		const warned = steps.filter(({ caution }) => caution !== null).map(({ id }) => id);
		expect(warned).toEqual(
			expect.arrayContaining(['gimbalHigh', 'dock', 'camera', 'static', 'drop', 'dynamic', 'undock'])
		);
	});
	it('carries this sled’s own figures', () => {
		const steps = stepsOf(benchState(heavy), 3);
		const step = (id: string) => steps.find((each) => each.id === id)!;
		expect(step('prepare').detail).toContain('3 checks are');
		expect(step('gimbalHigh')).toMatchObject({ strong: 'high, 820 mm', right: true });
		expect(step('dock').detail).toContain('600 mm');
		expect(step('static')).toMatchObject({ right: false, lead: 'Turn the fore-aft knob: ' });
		expect(step('drop').strong).toMatch(/^down \d/);
		expect(step('dynamic').lines.length).toBeGreaterThan(0);
		expect(step('undock').detail).toContain('19.28 kg');
	});
	it('has nothing left to move once it is in place, and says that it is only computed', () => {
		const steps = stepsOf(poisedFrom(heavy, cine, benchState(heavy)));
		const [fixed, timed, spun] = ['static', 'drop', 'dynamic'].map((id) => steps.find((step) => step.id === id)!);
		expect([fixed!.right, timed!.right, spun!.right]).toEqual([true, true, true]);
		expect([fixed!.lead, timed!.lead, spun!.lead].every((lead) => lead.startsWith('As computed'))).toBe(true);
		expect([fixed!.strong, spun!.strong]).toEqual(['open your fingers', 'spin it once by hand']);
		expect(timed!.strong).toMatch(/^2\.[45] s$/);
	});
});
