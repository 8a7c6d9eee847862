import type { SupportKind } from '../kind';

/** Rails with a carriage, on one clamp or two supports. */
export const slider: SupportKind = {
	key: 'slider',
	one: 'slider',
	many: 'sliders',
	carriesMoves: true,
	seen: [
		'The carriage was walked from end to end, and it was seen to stay.',
		'It was in place as computed; nobody walked the carriage.'
	],
	sheets: [{ path: '', words: 'Loads', view: 'SliderBenchView' }],
	ownSheets: [{ path: '', words: 'Slider', view: 'SliderEditor' }]
};
