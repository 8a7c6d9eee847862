import { readFileSync } from 'node:fs';
import { aimAxes, radFromDeg, type Vec3 } from '@poise/core';
import { scenario } from '@poise/demo';
import { env } from '$env/dynamic/private';
import { v7 as newId } from 'uuid';
import { type LensAt, lensOffset } from '$lib/model/lensAt';
import type { LivePlace, LiveSettings } from '$lib/model/liveHead';
import { axesAt, mountOf } from './stand';
import { claimLiveHead, createPose, freshSettings, listLiveHeads, saveLiveHead } from '$lib/server/db/liveHeads';
import { listVenues } from '$lib/server/db/venues';
import type { DemoCrew } from '$lib/server/station';

/** The keys of the simulated heads that were made for this demo; without that process, none. */
function demoKeys(): Readonly<Record<string, string>> {
	try {
		return env.POISE_DEMO_HEADS
			? (JSON.parse(readFileSync(env.POISE_DEMO_HEADS, 'utf8')) as Record<string, string>)
			: {};
	} catch {
		return {};
	}
}

/** The chapel's heads with their poses, through the same doors as a claimed head's. */
export async function loadLive({ crewId, personIds }: DemoCrew): Promise<void> {
	const [personId] = personIds.values();
	if (personId === undefined) throw new Error('The scenario has nobody.');
	const keys = demoKeys();
	const chapel = (await listVenues(crewId)).find(({ name }) => name === 'Saltmarsh Road Chapel');
	for (const each of scenario.liveHeads) {
		await claimLiveHead(crewId, { boxId: each.box, name: each.name, kind: each.pattern, key: keys[each.box] ?? null });
		const head = (await listLiveHeads(crewId)).find(({ boxId }) => boxId === each.box);
		if (head === undefined) throw new Error(`The scenario's head ${each.box} was not kept.`);
		const place: LivePlace = {
			...head.settings.place,
			stands: each.stands,
			atM: each.atM,
			headingRad: radFromDeg(each.headingDeg),
			looksRad: radFromDeg(each.looksDeg)
		};
		const lens: LensAt | null = 'lensM' in each ? { atM: each.lensM as Vec3, from: 'measured' } : null;
		const ids = new Map<string, string>();
		for (const pose of each.poses) {
			const given = pose as { readonly track?: number; readonly swing?: number; readonly boom?: number };
			const stands: Record<string, number> = {
				...(given.track === undefined ? {} : { trackM: given.track }),
				...(given.swing === undefined ? {} : { swingRad: radFromDeg(given.swing) }),
				...(given.boom === undefined ? {} : { boomRad: radFromDeg(given.boom) })
			};
			const { panRad, tiltRad } = aimAxes({
				mount: mountOf(place),
				axes: axesAt(stands),
				subjectM: pose.lookM as Vec3,
				lensM: lensOffset(lens)
			});
			const id = newId();
			ids.set(pose.name, id);
			await createPose(crewId, head.id, { id, name: pose.name, values: { ...stands, panRad, tiltRad } });
		}
		const programme = 'programme' in each ? each.programme : null;
		const fresh = freshSettings(each.pattern);
		const settings: LiveSettings = {
			...fresh,
			camera: { ...fresh.camera, lens },
			place,
			hold: each.hold,
			zoneBy: each.hold === 'watched' ? 'Joss Averley' : null,
			programmes:
				programme === null
					? []
					: [
							{
								id: 'p1',
								name: programme.name,
								laps: null,
								legs: programme.poses.map((name) => ({
									poseId: ids.get(name)!,
									restS: programme.restS,
									wantedS: programme.wantedS
								}))
							}
						]
		};
		await saveLiveHead(crewId, personId, head.id, head.version, {
			name: each.name,
			number: head.number,
			venueId: chapel?.id ?? null,
			settings
		});
	}
}
