import { cameraPose, type Mount, type Vec3 } from '@poise/core';
import { lensOffset } from '$lib/model/lensAt';
import type { LivePlace, LiveSettings } from '$lib/model/liveHead';

type Values = Readonly<Record<string, number>>;
/** Of a small jib: how its head stands at the nose, forward and up. */
const noseToCentreM = [0.12, 0.18] as const;

/** What a head at the desk stands on, as the core takes it. Pan 0 looks along its heading; hung, it is turned over. */
export function mountOf({ stands, atM, headingRad, looksRad, armM }: LivePlace): Mount {
	switch (stands) {
		case 'rail':
			return {
				kind: 'track',
				startM: atM,
				headingRad,
				inclineRad: 0,
				base: { headingRad: looksRad, tiltRad: 0, rollRad: 0 }
			};
		case 'arm':
			return { kind: 'crane', pivotM: atM, headingRad, armM, noseToCentreM, keptLevel: true };
		default:
			return {
				kind: 'fixed',
				centreM: atM,
				base: { headingRad, tiltRad: 0, rollRad: stands === 'ceiling' ? Math.PI : 0 }
			};
	}
}
/** What steers, steers as the picture goes: to the left and up. Hung upside down a head's pan and tilt go the other way round. */
export const asPictured = ({ stands }: Pick<LivePlace, 'stands'>): 1 | -1 => (stands === 'ceiling' ? -1 : 1);
export const axesAt = (at: Values) => ({ ...at, panRad: at.panRad ?? 0, tiltRad: at.tiltRad ?? 0 });

/** What a head's picture depends on beside where its axes stand. */
export interface Seen {
	readonly place: LivePlace;
	readonly camera: Pick<LiveSettings['camera'], 'lens'>;
}
/** Where its lens is and looks. A hung head's picture is turned upright. */
export function livePose({ place, camera }: Seen, at: Values) {
	const { trackM, swingRad, boomRad, panRad, tiltRad, rollRad } = at;
	const given = Object.fromEntries(
		Object.entries({ trackM, swingRad, boomRad, rollRad }).filter(([, value]) => value !== undefined)
	);
	const pose = cameraPose({
		mount: mountOf(place),
		axes: axesAt({ ...given, panRad: panRad ?? 0, tiltRad: tiltRad ?? 0 }),
		lensM: lensOffset(camera.lens)
	});
	return place.stands === 'ceiling' ? { ...pose, rollRad: 0 } : pose;
}

/** The axes that its picture depends on. */
export const pictured = ['trackM', 'swingRad', 'boomRad', 'panRad', 'tiltRad', 'rollRad', 'zoom'] as const;

/** How wide its picture is, of the lens's ring: the zoom's share between its short and its long end; unknown, the short end. */
export function focalOf(focalM: readonly [number, number], zoom: number | undefined): number {
	const [short, long] = focalM;
	return short * (long / short) ** Math.min(1, Math.max(0, zoom ?? 0));
}

/** The arm it is on, on the plan: from pivot to nose; null: it is on none. */
export function armOf(seen: Seen, at: Values): readonly [Vec3, Vec3] | null {
	if (seen.place.stands !== 'arm') return null;
	return [seen.place.atM, livePose(seen, at).centreM];
}
