import { asc } from 'drizzle-orm';
import type Joi from 'joi';
import type { GearDraft } from '$lib/model/gear';
import { validated } from '../api';
import { type DraftStore, draftStore } from './draftStore';
import type { cranes, rigs, sleds } from './schema';

/** Supports of one kind, the lightest first; their geometry is checked on the way out too. */
export const gearStore = <Geometry>(
	table: typeof rigs | typeof sleds | typeof cranes,
	called: string,
	geometry: Joi.Schema<Geometry>
): DraftStore<GearDraft<Geometry>> =>
	draftStore(
		table,
		called,
		({ name, leastPayloadKg, greatestPayloadKg, geometry: kept }) => ({
			name,
			leastPayloadKg,
			greatestPayloadKg,
			geometry: validated<Geometry>(kept, geometry)
		}),
		[asc(table.greatestPayloadKg)]
	);
