import { sql } from 'drizzle-orm';
import {
	type AnyPgColumn,
	boolean,
	check,
	customType,
	doublePrecision,
	foreignKey,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	text,
	timestamp,
	unique,
	uuid
} from 'drizzle-orm/pg-core';

/*
 * Every row belongs to a crew. References between rows carry the crew along, so that the database itself refuses a row
 * that points into another crew's data. Quantities are SI with the unit in the name; geometry that is always read whole
 * is JSONB, validated on the way in and out.
 */

const id = () => uuid('id').primaryKey();
const crewId = () =>
	uuid('crew_id')
		.notNull()
		.references(() => crews.id);
const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' }).notNull().defaultNow();
const namedSensibly = (table: string, name: Parameters<typeof sql>[1]) =>
	check(`${table}_name_length`, sql`char_length(btrim(${name})) between 1 and 120`);

/** A support: what it carries, and its shape. */
const supportColumns = () => ({
	id: id(),
	crewId: crewId(),
	name: text('name').notNull(),
	leastPayloadKg: doublePrecision('least_payload_kg').notNull(),
	greatestPayloadKg: doublePrecision('greatest_payload_kg').notNull(),
	geometry: jsonb('geometry').notNull(),
	version: integer('version').notNull().default(1)
});
type Columns<Of extends string> = Record<Of, AnyPgColumn>;
const supportRules = (
	called: string,
	table: Columns<'id' | 'crewId' | 'name' | 'leastPayloadKg' | 'greatestPayloadKg'>
) => [
	unique(`${called}_name_in_crew`).on(table.crewId, table.name),
	unique(`${called}_id_in_crew`).on(table.crewId, table.id),
	namedSensibly(called, table.name),
	check(
		`${called}_payload_range`,
		sql`${table.leastPayloadKg} >= 0 and ${table.greatestPayloadKg} > ${table.leastPayloadKg}`
	)
];
/** How a support stands today with one payload on it. */
const benchColumns = () => ({
	crewId: crewId(),
	payloadId: uuid('payload_id').notNull(),
	state: jsonb('state').notNull(),
	updatedAt: moment('updated_at'),
	updatedBy: uuid('updated_by')
});
const payloadOfCrew = (called: string, table: Columns<'crewId' | 'payloadId'>) =>
	foreignKey({
		name: `${called}_payload_of_crew`,
		columns: [table.crewId, table.payloadId],
		foreignColumns: [payloads.crewId, payloads.id]
	}).onDelete('cascade');

export const crews = pgTable('crews', {
	id: id(),
	name: text('name').notNull().unique()
});

export const people = pgTable(
	'people',
	{
		id: id(),
		crewId: crewId(),
		name: text('name').notNull(),
		units: text('units', { enum: ['metric', 'imperial'] })
			.notNull()
			.default('metric'),
		theme: text('theme', { enum: ['day', 'house', 'blackout'] })
			.notNull()
			.default('day'),
		payloadId: uuid('payload_id').references(() => payloads.id, { onDelete: 'set null' }),
		rigId: uuid('rig_id').references(() => rigs.id, { onDelete: 'set null' }),
		/** On a sled rather than a rig, when it is not null. */
		sledId: uuid('sled_id').references(() => sleds.id, { onDelete: 'set null' }),
		/** On a crane, when it is not null. */
		craneId: uuid('crane_id').references(() => cranes.id, { onDelete: 'set null' }),
		/** `{ lagS, spreadS }` of this person's thumb on the timer; null: never measured. */
		thumb: jsonb('thumb')
	},
	(table) => [
		unique('people_name_in_crew').on(table.crewId, table.name),
		unique('people_id_in_crew').on(table.crewId, table.id),
		namedSensibly('people', table.name),
		check('people_units_known', sql`${table.units} in ('metric', 'imperial')`),
		check('people_theme_known', sql`${table.theme} in ('day', 'house', 'blackout')`)
	]
);

export const parts = pgTable(
	'parts',
	{
		id: id(),
		crewId: crewId(),
		name: text('name').notNull(),
		kind: text('kind').notNull(),
		massKg: doublePrecision('mass_kg').notNull(),
		shape: jsonb('shape').notNull()
	},
	(table) => [
		unique('parts_name_in_crew').on(table.crewId, table.name),
		unique('parts_id_in_crew').on(table.crewId, table.id),
		namedSensibly('parts', table.name),
		check('parts_mass_positive', sql`${table.massKg} > 0 and ${table.massKg} < 'Infinity'`)
	]
);

export const payloads = pgTable(
	'payloads',
	{
		id: id(),
		crewId: crewId(),
		name: text('name').notNull(),
		platePartId: uuid('plate_part_id').notNull(),
		/** Variants of one build share it. */
		familyId: uuid('family_id'),
		/** A measured centre of the whole build; null: none. */
		correction: jsonb('correction'),
		version: integer('version').notNull().default(1),
		updatedAt: moment('updated_at'),
		updatedBy: uuid('updated_by')
	},
	(table) => [
		unique('payloads_name_in_crew').on(table.crewId, table.name),
		unique('payloads_id_in_crew').on(table.crewId, table.id),
		namedSensibly('payloads', table.name),
		check('payloads_version_counts', sql`${table.version} >= 1`),
		foreignKey({
			name: 'payloads_plate_of_crew',
			columns: [table.crewId, table.platePartId],
			foreignColumns: [parts.crewId, parts.id]
		})
	]
);

export const placements = pgTable(
	'placements',
	{
		id: uuid('id').notNull(),
		crewId: crewId(),
		payloadId: uuid('payload_id').notNull(),
		partId: uuid('part_id').notNull(),
		/** Place in the list, from 0. */
		ordinal: integer('ordinal').notNull(),
		xM: doublePrecision('x_m').notNull(),
		yM: doublePrecision('y_m').notNull(),
		zM: doublePrecision('z_m').notNull(),
		/** Turns, arm, extension, group; null: as it comes. */
		attitude: jsonb('attitude')
	},
	(table) => [
		primaryKey({ columns: [table.payloadId, table.id] }),
		unique('placements_ordinal_in_payload').on(table.payloadId, table.ordinal),
		foreignKey({
			name: 'placements_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'placements_part_of_crew',
			columns: [table.crewId, table.partId],
			foreignColumns: [parts.crewId, parts.id]
		}),
		index('placements_by_part').on(table.partId)
	]
);

export const rigs = pgTable('rigs', supportColumns(), (table) => supportRules('rigs', table));

/** How each rig stands today with each payload on it. */
export const benches = pgTable('benches', { rigId: uuid('rig_id').notNull(), ...benchColumns() }, (table) => [
	primaryKey({ columns: [table.rigId, table.payloadId] }),
	foreignKey({
		name: 'benches_rig_of_crew',
		columns: [table.crewId, table.rigId],
		foreignColumns: [rigs.crewId, rigs.id]
	}).onDelete('cascade'),
	payloadOfCrew('benches', table)
]);

/** Body-worn sleds. */
export const sleds = pgTable('sleds', supportColumns(), (table) => supportRules('sleds', table));

/** How each sled stands today with each payload on it. */
export const sledBenches = pgTable(
	'sled_benches',
	{ sledId: uuid('sled_id').notNull(), ...benchColumns() },
	(table) => [
		primaryKey({ columns: [table.sledId, table.payloadId] }),
		foreignKey({
			name: 'sled_benches_sled_of_crew',
			columns: [table.crewId, table.sledId],
			foreignColumns: [sleds.crewId, sleds.id]
		}).onDelete('cascade'),
		payloadOfCrew('sled_benches', table)
	]
);

/** How a person wears a sled: side, fit, stance. */
export const sledWorn = pgTable(
	'sled_worn',
	{
		crewId: crewId(),
		sledId: uuid('sled_id').notNull(),
		personId: uuid('person_id').notNull(),
		content: jsonb('content').notNull(),
		updatedAt: moment('updated_at')
	},
	(table) => [
		primaryKey({ columns: [table.sledId, table.personId] }),
		foreignKey({
			name: 'sled_worn_sled_of_crew',
			columns: [table.crewId, table.sledId],
			foreignColumns: [sleds.crewId, sleds.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'sled_worn_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);

/** Thread counts of the socket block, and spells in the vest. */
export const sledEntries = pgTable(
	'sled_entries',
	{
		id: id(),
		crewId: crewId(),
		sledId: uuid('sled_id').notNull(),
		personId: uuid('person_id').notNull(),
		entry: jsonb('entry').notNull(),
		at: moment('at')
	},
	(table) => [
		index('sled_entries_newest').on(table.sledId, table.at),
		foreignKey({
			name: 'sled_entries_sled_of_crew',
			columns: [table.crewId, table.sledId],
			foreignColumns: [sleds.crewId, sleds.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'sled_entries_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);

/** Counterweighted cranes and jibs. */
export const cranes = pgTable('cranes', supportColumns(), (table) => supportRules('cranes', table));

/** How each crane stands today with each payload on it. */
export const craneBenches = pgTable(
	'crane_benches',
	{ craneId: uuid('crane_id').notNull(), ...benchColumns() },
	(table) => [
		primaryKey({ columns: [table.craneId, table.payloadId] }),
		foreignKey({
			name: 'crane_benches_crane_of_crew',
			columns: [table.crewId, table.craneId],
			foreignColumns: [cranes.crewId, cranes.id]
		}).onDelete('cascade'),
		payloadOfCrew('crane_benches', table)
	]
);

/** Places to work in, with what stands there drawn to scale. */
export const venues = pgTable(
	'venues',
	{
		id: id(),
		crewId: crewId(),
		name: text('name').notNull(),
		plan: jsonb('plan').notNull(),
		version: integer('version').notNull().default(1)
	},
	(table) => [
		unique('venues_name_in_crew').on(table.crewId, table.name),
		unique('venues_id_in_crew').on(table.crewId, table.id),
		namedSensibly('venues', table.name)
	]
);

const bytes = customType<{ data: Uint8Array }>({ dataType: () => 'bytea' });

/** Pictures that lie under a venue's plan. */
export const venuePictures = pgTable(
	'venue_pictures',
	{
		id: id(),
		crewId: crewId(),
		venueId: uuid('venue_id').notNull(),
		type: text('type', { enum: ['image/png', 'image/jpeg', 'image/webp'] }).notNull(),
		content: bytes('content').notNull(),
		at: moment('at')
	},
	(table) => [
		index('venue_pictures_by_venue').on(table.venueId, table.at),
		check('venue_pictures_type_known', sql`${table.type} in ('image/png', 'image/jpeg', 'image/webp')`),
		foreignKey({
			name: 'venue_pictures_venue_of_crew',
			columns: [table.crewId, table.venueId],
			foreignColumns: [venues.crewId, venues.id]
		}).onDelete('cascade')
	]
);

/** The logbook. A record keeps its own copy of payload and rig; the references only lead back while those exist. */
export const balances = pgTable(
	'balances',
	{
		id: id(),
		crewId: crewId(),
		personId: uuid('person_id').notNull(),
		payloadId: uuid('payload_id').references(() => payloads.id, { onDelete: 'set null' }),
		rigId: uuid('rig_id').references(() => rigs.id, { onDelete: 'set null' }),
		kind: text('kind', { enum: ['gimbal', 'sled', 'crane'] })
			.notNull()
			.default('gimbal'),
		sledId: uuid('sled_id').references(() => sleds.id, { onDelete: 'set null' }),
		craneId: uuid('crane_id').references(() => cranes.id, { onDelete: 'set null' }),
		payloadName: text('payload_name').notNull(),
		rigName: text('rig_name').notNull(),
		payloadMassKg: doublePrecision('payload_mass_kg').notNull(),
		/** As computed. */
		placed: boolean('placed').notNull(),
		/** As seen. */
		poised: boolean('poised').notNull().default(false),
		struck: boolean('struck').notNull().default(false),
		/** Names of payload, support and every part, and the note: what a search looks through. */
		words: text('words').notNull().default(''),
		note: text('note').notNull().default(''),
		loggedAt: moment('logged_at'),
		/** `{ snapshot, rig, positionsM, axes, nudges }` */
		record: jsonb('record').notNull()
	},
	(table) => [
		unique('balances_id_in_crew').on(table.crewId, table.id),
		index('balances_newest').on(table.crewId, table.loggedAt),
		check('balances_kind_known', sql`${table.kind} in ('gimbal', 'sled', 'crane')`),
		check('balances_mass_positive', sql`${table.payloadMassKg} > 0 and ${table.payloadMassKg} < 'Infinity'`),
		foreignKey({
			name: 'balances_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);

/** Corrections of the logbook: who, when, why, and what stood there before. Lines are struck out, never deleted. */
export const balanceChanges = pgTable(
	'balance_changes',
	{
		id: id(),
		crewId: crewId(),
		balanceId: uuid('balance_id').notNull(),
		personId: uuid('person_id').notNull(),
		kind: text('kind', { enum: ['corrected', 'struck', 'restored'] }).notNull(),
		why: text('why').notNull(),
		/** `{ note?, positionsM? }` */
		before: jsonb('before').notNull(),
		at: moment('at')
	},
	(table) => [
		index('balance_changes_of').on(table.balanceId, table.at),
		check('balance_changes_kind_known', sql`${table.kind} in ('corrected', 'struck', 'restored')`),
		check('balance_changes_why', sql`char_length(btrim(${table.why})) between 1 and 500`),
		foreignKey({
			name: 'balance_changes_balance_of_crew',
			columns: [table.crewId, table.balanceId],
			foreignColumns: [balances.crewId, balances.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'balance_changes_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);

/** Papers that hang on a payload: its power, its checklist. */
export const papers = pgTable(
	'papers',
	{
		crewId: crewId(),
		payloadId: uuid('payload_id').notNull(),
		kind: text('kind', { enum: ['power', 'checklist'] }).notNull(),
		content: jsonb('content').notNull(),
		updatedAt: moment('updated_at'),
		updatedBy: uuid('updated_by')
	},
	(table) => [
		primaryKey({ columns: [table.payloadId, table.kind] }),
		check('papers_kind_known', sql`${table.kind} in ('power', 'checklist')`),
		foreignKey({
			name: 'papers_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('cascade')
	]
);

/** Measured centres of gravity, of a part or of a whole payload. */
export const measurements = pgTable(
	'measurements',
	{
		id: id(),
		crewId: crewId(),
		personId: uuid('person_id').notNull(),
		partId: uuid('part_id'),
		payloadId: uuid('payload_id'),
		way: text('way').notNull(),
		found: jsonb('found').notNull(),
		readings: text('readings').notNull(),
		at: moment('at')
	},
	(table) => [
		index('measurements_by_part').on(table.crewId, table.partId),
		foreignKey({
			name: 'measurements_part_of_crew',
			columns: [table.crewId, table.partId],
			foreignColumns: [parts.crewId, parts.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'measurements_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('cascade'),
		check('measurements_one_subject', sql`(${table.partId} is null) <> (${table.payloadId} is null)`),
		foreignKey({
			name: 'measurements_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);

/** Figures of the gear changed by a measurement or a lesson, with what they were, so that each can be taken back. */
export const gearChanges = pgTable(
	'gear_changes',
	{
		id: id(),
		crewId: crewId(),
		personId: uuid('person_id').notNull(),
		about: text('about', { enum: ['part', 'zero'] }).notNull(),
		partId: uuid('part_id'),
		rigId: uuid('rig_id'),
		slideId: text('slide_id'),
		from: text('came_from').notNull(),
		before: jsonb('before').notNull(),
		after: jsonb('after').notNull(),
		undone: boolean('undone').notNull().default(false),
		at: moment('at')
	},
	(table) => [
		index('gear_changes_newest').on(table.crewId, table.at),
		foreignKey({
			name: 'gear_changes_part_of_crew',
			columns: [table.crewId, table.partId],
			foreignColumns: [parts.crewId, parts.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'gear_changes_rig_of_crew',
			columns: [table.crewId, table.rigId],
			foreignColumns: [rigs.crewId, rigs.id]
		}).onDelete('cascade'),
		check('gear_changes_one_subject', sql`(${table.partId} is null) <> (${table.rigId} is null)`),
		foreignKey({
			name: 'gear_changes_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);

/** Looks at the horizon and recalibrations, by rig. */
export const horizonEntries = pgTable(
	'horizon_entries',
	{
		id: id(),
		crewId: crewId(),
		rigId: uuid('rig_id').notNull(),
		personId: uuid('person_id').notNull(),
		kind: text('kind', { enum: ['reading', 'calibration'] }).notNull(),
		minutes: doublePrecision('minutes').notNull(),
		rollRad: doublePrecision('roll_rad').notNull(),
		temperatureC: doublePrecision('temperature_c').notNull(),
		at: moment('at')
	},
	(table) => [
		index('horizon_entries_newest').on(table.rigId, table.at),
		foreignKey({
			name: 'horizon_entries_rig_of_crew',
			columns: [table.crewId, table.rigId],
			foreignColumns: [rigs.crewId, rigs.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'horizon_entries_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		})
	]
);
