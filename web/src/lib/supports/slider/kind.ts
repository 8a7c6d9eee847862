import type { SupportKind } from '../kind';

/** Rails with a carriage, on one clamp or two supports. */
export const slider: SupportKind = {
	key: 'slider',
	one: 'slider',
	many: 'sliders',
	sheets: [{ path: '', words: 'Loads', view: 'SliderBenchView' }],
	ownSheets: [{ path: '', words: 'Slider', view: 'SliderEditor' }]
};
