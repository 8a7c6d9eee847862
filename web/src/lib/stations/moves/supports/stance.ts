import type { Attitude } from '@poise/core';
import type { PictureSign } from '$lib/model/turns';
import type { MoveSupport, Stance } from '../model';

/** How a head's base is turned in the room: upright on its plate or on a bracket at a wall, or hung under a plate. */
export const baseOf = (stance: Stance, headingRad: number): Attitude => ({
	headingRad,
	tiltRad: 0,
	rollRad: stance === 'hung' ? Math.PI : 0
});
/** Hung upside down a head's own pan and tilt go the other way round than its picture. */
export const pictureSign = (support: MoveSupport): PictureSign =>
	(support.kind === 'arm' ? support.hung : support.kind !== 'walk' && support.stance === 'hung') ? -1 : 1;
export const stanceWords: Readonly<Record<Stance, string>> = {
	up: 'stands on top',
	hung: 'hangs upside down',
	wall: 'stands on a bracket at a wall'
};
export const stanceCautions: Readonly<Record<Stance, readonly string[]>> = {
	up: [],
	hung: [
		'It hangs over heads: two fixings, a safety bond on camera, lens and head, and nobody under it while it is put up.',
		'Turn the picture over in the camera, or in the head’s own settings, before anything is framed.'
	],
	wall: ['A bracket pulls its upper fixing out of the wall: one made for this load, and a safety bond on everything.']
};
