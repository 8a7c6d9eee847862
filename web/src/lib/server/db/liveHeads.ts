import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import {
	type LiveHead,
	type LiveHeadDraft,
	type LivePose,
	type LiveSettings,
	liveStands,
	mostLive
} from '$lib/model/liveHead';
import { Refusal } from '../refusal';
import { liveSettings, poseContent } from '../schemas/live';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database, holdAlone, inTransaction } from './client';
import { documentName, noteEdit, forgetEdits } from './edits';
import { liveHeads, livePoses } from './schema';

export const liveSettingsAs: StoredAs<LiveSettings> = { schema: liveSettings };
const poseAs: StoredAs<{ readonly values: LivePose['values'] }> = { schema: poseContent };
/** What the process that owns the desk listens to. */
export const liveChannel = 'poise_live';

const headOf = (row: typeof liveHeads.$inferSelect): LiveHead => ({
	id: row.id,
	boxId: row.boxId,
	kind: row.kind,
	name: row.name,
	number: row.number,
	venueId: row.venueId,
	settings: fromStore(liveSettingsAs, row.settings),
	version: row.version
});
const poseOf = (row: typeof livePoses.$inferSelect): LivePose => ({
	id: row.id,
	headId: row.headId,
	name: row.name,
	ordinal: row.ordinal,
	locked: row.locked,
	values: fromStore(poseAs, row.content).values,
	version: row.version
});
const ofCrew = (crewId: string, id: string) => and(eq(liveHeads.crewId, crewId), eq(liveHeads.id, id));
/** The desk, in whatever process, takes up what was saved. */
const tellDesk = (crewId: string) => database().execute(sql`select pg_notify(${liveChannel}, ${crewId})`);

export async function listLiveHeads(crewId: string): Promise<LiveHead[]> {
	const rows = await database()
		.select()
		.from(liveHeads)
		.where(eq(liveHeads.crewId, crewId))
		.orderBy(asc(liveHeads.number));
	return readable('head at the desk', rows, headOf);
}
/** With the key of each: for the desk alone. */
export async function liveHeadsWithKeys(crewId: string): Promise<(LiveHead & { readonly key: string | null })[]> {
	const rows = await database().select().from(liveHeads).where(eq(liveHeads.crewId, crewId));
	return readable('head at the desk', rows, (row) => ({ ...headOf(row), key: row.key }));
}
export async function countLiveHeads(crewId: string): Promise<number> {
	return database().$count(liveHeads, eq(liveHeads.crewId, crewId));
}
export async function findLiveHead(crewId: string, id: string): Promise<LiveHead> {
	const [row] = await database().select().from(liveHeads).where(ofCrew(crewId, id));
	if (row === undefined) throw new Refusal('notFound', 'That head is not at this desk any more.');
	return headOf(row);
}

const freshPlace = (kind: string): LiveSettings['place'] => ({
	stands: kind === 'jib' ? 'arm' : kind === 'rail' ? 'rail' : liveStands[0],
	atM: [2, 2, 1.6],
	headingRad: 0,
	looksRad: Math.PI / 2,
	armM: 2.4
});
export const freshSettings = (kind: string): LiveSettings => ({
	place: freshPlace(kind),
	hold: 'held',
	zoneBy: null,
	soft: {},
	cable: 'either',
	camera: { focalM: [0.024, 0.12], sensorWidthM: 0.036, sensorHeightM: 0.02025 },
	programmes: []
});

/** A head that somebody has claimed: new at the desk with the next free number, or back with a new key. */
export const claimLiveHead = (
	crewId: string,
	{
		boxId,
		name,
		kind,
		key
	}: { readonly boxId: string; readonly name: string; readonly kind: string; readonly key: string | null }
): Promise<void> =>
	inTransaction(async () => {
		await holdAlone(`live heads ${crewId}`);
		const all = await database().select().from(liveHeads).where(eq(liveHeads.crewId, crewId));
		const had = all.find((each) => each.boxId === boxId);
		if (had !== undefined) await database().update(liveHeads).set({ key, kind }).where(eq(liveHeads.id, had.id));
		else {
			if (all.length >= mostLive.heads)
				throw new Refusal('invalid', `A desk has at most ${mostLive.heads} heads. Take one off first.`);
			const taken = new Set(all.map(({ number }) => number));
			let number = 1;
			while (taken.has(number)) number += 1;
			await database()
				.insert(liveHeads)
				.values({
					...{ id: newId(), crewId, boxId, kind, key, number },
					name: name.trim() === '' ? `Head ${number}` : name.trim().slice(0, 120),
					settings: toStore(liveSettingsAs, freshSettings(kind))
				});
		}
		await tellDesk(crewId);
	});

/** It is nobody's any more; its poses and settings stay for when it is claimed again. */
export async function forgetKey(crewId: string, boxId: string): Promise<void> {
	await database()
		.update(liveHeads)
		.set({ key: null })
		.where(and(eq(liveHeads.crewId, crewId), eq(liveHeads.boxId, boxId)));
	await tellDesk(crewId);
}

/** Over the version the person had in front of them; refuses as stale when somebody saved in between. */
export const saveLiveHead = (
	crewId: string,
	personId: string,
	id: string,
	version: number,
	{ settings, ...rest }: LiveHeadDraft
): Promise<LiveHead> =>
	inTransaction(async () => {
		const [saved] = await database()
			.update(liveHeads)
			.set({ ...rest, settings: toStore(liveSettingsAs, settings), version: sql`${liveHeads.version} + 1` })
			.where(and(ofCrew(crewId, id), eq(liveHeads.version, version)))
			.returning();
		if (saved === undefined) {
			await findLiveHead(crewId, id);
			throw new Refusal('stale');
		}
		await noteEdit(crewId, personId, documentName.liveHead(id), {
			...rest,
			settings: toStore(liveSettingsAs, settings)
		});
		await tellDesk(crewId);
		return headOf(saved);
	});

export const deleteLiveHead = (crewId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const gone = await database().delete(liveHeads).where(ofCrew(crewId, id)).returning({ id: liveHeads.id });
		if (gone.length === 0) throw new Refusal('notFound', 'That head is gone already.');
		await tellDesk(crewId);
		await forgetEdits(crewId, id);
	});

export async function listPoses(crewId: string): Promise<LivePose[]> {
	const rows = await database()
		.select()
		.from(livePoses)
		.where(eq(livePoses.crewId, crewId))
		.orderBy(asc(livePoses.headId), asc(livePoses.ordinal), asc(livePoses.id));
	return readable('pose', rows, poseOf);
}

/** Once, however often it is sent: the page names it. */
export const createPose = (
	crewId: string,
	headId: string,
	{ id, name, values }: Pick<LivePose, 'id' | 'name' | 'values'>
): Promise<LivePose> =>
	inTransaction(async () => {
		// One at a time: two that are saved at once have two places in the order.
		const [head] = await database()
			.select({ id: liveHeads.id })
			.from(liveHeads)
			.where(ofCrew(crewId, headId))
			.for('update');
		if (head === undefined) throw new Refusal('notFound', 'That head is not at this desk any more.');
		const had = await database().select().from(livePoses).where(eq(livePoses.headId, headId));
		const same = had.find((each) => each.id === id);
		if (same !== undefined) return poseOf(same);
		if (had.length >= mostLive.poses)
			throw new Refusal('invalid', `A head keeps at most ${mostLive.poses} poses. Delete one first.`);
		const ordinal = had.reduce((most, each) => Math.max(most, each.ordinal), 0) + 1;
		const [made] = await database()
			.insert(livePoses)
			.values({ id, crewId, headId, name, ordinal, content: toStore(poseAs, { values }) })
			.returning();
		return poseOf(made!);
	});

const ofCrewPose = (crewId: string, id: string) => and(eq(livePoses.crewId, crewId), eq(livePoses.id, id));

/** A locked pose takes nothing but being unlocked. */
export const savePose = (
	crewId: string,
	id: string,
	{ version, values, ...rest }: Pick<LivePose, 'name' | 'values' | 'locked' | 'ordinal' | 'version'>
): Promise<LivePose> =>
	inTransaction(async () => {
		const [had] = await database().select().from(livePoses).where(ofCrewPose(crewId, id)).for('update');
		if (had === undefined) throw new Refusal('notFound', 'That pose is gone.');
		if (had.version !== version) throw new Refusal('stale');
		const before = poseOf(had);
		const changes = before.name !== rest.name || JSON.stringify(before.values) !== JSON.stringify(values);
		if (had.locked && rest.locked && changes)
			throw new Refusal('invalid', undefined, { name: 'This pose is locked. Unlock it first.' });
		const [saved] = await database()
			.update(livePoses)
			.set({ ...rest, content: toStore(poseAs, { values }), version: version + 1 })
			.where(ofCrewPose(crewId, id))
			.returning();
		return poseOf(saved!);
	});

export const deletePose = (crewId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const [had] = await database().select().from(livePoses).where(ofCrewPose(crewId, id)).for('update');
		if (had === undefined) throw new Refusal('notFound', 'That pose is gone already.');
		if (had.locked) throw new Refusal('invalid', 'This pose is locked. Unlock it first.');
		await database().delete(livePoses).where(ofCrewPose(crewId, id));
	});
