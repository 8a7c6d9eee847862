import { sql } from 'drizzle-orm';
import type { Attitude } from '$lib/model/attitude';
import type { Payload, PayloadDraft } from '$lib/model/payload';
import { attitude as attitudeSchema } from '../schemas/payload';
import type { StoredAs } from '../stored';
import { toStore } from '../stored';
import { database } from './client';
import { noteWith, trimEdits } from './edits';

export const attitudeAs: StoredAs<Attitude> = { schema: attitudeSchema };

/** What a build is saved as beside its parts, as it lies in the database. */
export interface SavedRow {
	readonly crewId: string;
	readonly personId: string;
	readonly id: string;
	readonly version: number;
	readonly correction: object | null;
	/** How the history is to have it. */
	readonly document: string;
	readonly content: object;
}

/**
 * A save that only moves the parts that stand there already, or changes nothing but the name: most of them, while a hand drags. One
 * statement, so that nothing is half saved, and of the parts only those are written that moved. Null, and nothing is written, where
 * other parts or another plate stand there, or another version.
 */
export async function saveWhereItStands(
	draft: PayloadDraft,
	{ crewId, personId, id, version, correction, document, content }: SavedRow
): Promise<Pick<Payload, 'version' | 'updatedAt' | 'familyId'> | null> {
	const wanted = JSON.stringify(
		draft.placements.map(({ id: placement, partId, positionM: [x, y, z], attitude = null }, ordinal) => ({
			...{ id: placement, part: partId, ordinal, x, y, z },
			attitude: attitude === null ? null : toStore(attitudeAs, attitude)
		}))
	);
	const { rows } = await database().execute<{
		version: number;
		at: Date | string;
		family: string | null;
		begun: boolean;
	}>(sql`
		with wanted as materialized (
			select * from jsonb_to_recordset(${wanted}::jsonb) as w(id uuid, part uuid, ordinal int, x float8, y float8, z float8, attitude jsonb)
		), saved as (
			update payloads set name = ${draft.name}, correction = ${correction === null ? null : JSON.stringify(correction)}::jsonb,
				version = version + 1, updated_at = now(), updated_by = ${personId}
			where crew_id = ${crewId} and id = ${id} and version = ${version} and plate_part_id = ${draft.platePartId}
				and not exists (
					select from (select id, part_id, ordinal from placements where payload_id = ${id}) stands
					full join wanted on wanted.id = stands.id and wanted.part = stands.part_id and wanted.ordinal = stands.ordinal
					where stands.id is null or wanted.id is null
				)
			returning version, updated_at, family_id
		), moved as (
			update placements stands set x_m = wanted.x, y_m = wanted.y, z_m = wanted.z, attitude = wanted.attitude
			from wanted
			where exists (select from saved) and stands.payload_id = ${id} and stands.id = wanted.id
				and (stands.x_m, stands.y_m, stands.z_m, stands.attitude) is distinct from (wanted.x, wanted.y, wanted.z, wanted.attitude)
			returning stands.id
		), ${noteWith({ crewId, personId, document, content })}
		select version, updated_at as at, family_id as family, exists (select from begun) as begun from saved`);
	const [saved] = rows;
	if (saved === undefined) return null;
	if (saved.begun) await trimEdits(crewId, document);
	return { version: saved.version, updatedAt: new Date(saved.at).toISOString(), familyId: saved.family };
}
