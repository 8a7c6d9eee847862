import type { SupportKind } from '../kind';

/** Hand-held gimbals: three motors and a slide to balance each of their axes by. */
export const gimbal: SupportKind = {
	key: 'gimbal',
	one: 'gimbal',
	many: 'gimbals',
	sheets: [
		{ path: '', words: 'Bench', view: 'GimbalBenchView' },
		{ path: 'guide', words: 'Guide', view: 'GuideView' },
		{ path: 'fit', words: 'Fit', view: 'FitView' },
		{ path: 'poses', words: 'Poses', view: 'PosesView' }
	],
	ownSheets: [
		{ path: 'horizon', words: 'Horizon', view: 'HorizonView' },
		{ path: '', words: 'Gimbal', view: 'GimbalEditor' }
	],
	follows: true,
	links: [{ href: '/learn', words: 'What it learned' }]
};
