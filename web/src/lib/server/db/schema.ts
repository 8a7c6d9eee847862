/* eslint-disable max-lines -- every table in one place: they refer to one another, and a migration is made from this file. */
import { sql } from 'drizzle-orm';
import { type Limit, limits } from '../../model/limits';
import {
	type AnyPgColumn,
	boolean,
	check,
	customType,
	doublePrecision,
	foreignKey,
	type ForeignKeyBuilder,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	text,
	timestamp,
	unique,
	uniqueIndex,
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

type Columns<Of extends string> = Record<Of, AnyPgColumn>;
/** The same limits as at the door: what gets past every door by some way not thought of stops here. */
const isWithin = (column: Parameters<typeof sql>[1], { least, most, above }: Limit) =>
	sql`${column} ${sql.raw(above === true ? '>' : '>=')} ${sql.raw(String(least))} and ${column} <= ${sql.raw(String(most))}`;
/** A key of the registry: the database knows what a word is, the registry which words there are. */
const kindIsAWord = (table: string, kind: Parameters<typeof sql>[1]) =>
	check(`${table}_kind_is_a_word`, sql`${kind} ~ '^[a-z]{3,20}$'`);
const supportOfCrew = (called: string, table: Columns<'crewId' | 'supportId'>): ForeignKeyBuilder =>
	foreignKey({
		name: `${called}_support_of_crew`,
		columns: [table.crewId, table.supportId],
		foreignColumns: [supports.crewId, supports.id]
	}).onDelete('cascade');
const personOfCrew = (called: string, table: Columns<'crewId' | 'personId'>): ForeignKeyBuilder =>
	foreignKey({
		name: `${called}_person_of_crew`,
		columns: [table.crewId, table.personId],
		foreignColumns: [people.crewId, people.id]
	});
const writerOfCrew = (called: string, table: Columns<'crewId' | 'updatedBy'>): ForeignKeyBuilder =>
	foreignKey({
		name: `${called}_writer_of_crew`,
		columns: [table.crewId, table.updatedBy],
		foreignColumns: [people.crewId, people.id]
	});

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

/** What a person had on the bench last, and on which support. */
export const atHand = pgTable(
	'at_hand',
	{
		crewId: crewId(),
		personId: uuid('person_id').primaryKey(),
		payloadId: uuid('payload_id'),
		supportId: uuid('support_id')
	},
	(table) => [
		index('at_hand_of_payload').on(table.payloadId),
		index('at_hand_of_support').on(table.supportId),
		foreignKey({
			name: 'at_hand_person_of_crew',
			columns: [table.crewId, table.personId],
			foreignColumns: [people.crewId, people.id]
		}).onDelete('cascade'),
		// Only the id is set to null, not the crew: the migration names the column, which the library cannot.
		foreignKey({
			name: 'at_hand_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('set null'),
		foreignKey({
			name: 'at_hand_support_of_crew',
			columns: [table.crewId, table.supportId],
			foreignColumns: [supports.crewId, supports.id]
		}).onDelete('set null')
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
		check('parts_mass_positive', isWithin(table.massKg, limits.partMass))
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
		writerOfCrew('payloads', table),
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

/** Whatever carries a payload. Its kind is a key of the registry (`lib/supports/registry.ts`), and says how to read the rest. */
export const supports = pgTable(
	'supports',
	{
		id: id(),
		crewId: crewId(),
		kind: text('kind').notNull(),
		name: text('name').notNull(),
		leastPayloadKg: doublePrecision('least_payload_kg').notNull(),
		greatestPayloadKg: doublePrecision('greatest_payload_kg').notNull(),
		geometry: jsonb('geometry').notNull(),
		version: integer('version').notNull().default(1)
	},
	(table) => [
		unique('supports_name_in_crew').on(table.crewId, table.kind, table.name),
		unique('supports_id_in_crew').on(table.crewId, table.id),
		namedSensibly('supports', table.name),
		kindIsAWord('supports', table.kind),
		check(
			'supports_payload_range',
			sql`${isWithin(table.leastPayloadKg, limits.supportPayload)} and ${isWithin(table.greatestPayloadKg, limits.supportPayload)} and ${table.greatestPayloadKg} > ${table.leastPayloadKg}`
		)
	]
);

/** How each support stands today with each payload on it. */
export const benches = pgTable(
	'benches',
	{
		crewId: crewId(),
		supportId: uuid('support_id').notNull(),
		payloadId: uuid('payload_id').notNull(),
		state: jsonb('state').notNull(),
		updatedAt: moment('updated_at'),
		updatedBy: uuid('updated_by')
	},
	(table) => [
		index('benches_of_payload').on(table.payloadId),
		primaryKey({ columns: [table.supportId, table.payloadId] }),
		supportOfCrew('benches', table),
		foreignKey({
			name: 'benches_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('cascade'),
		writerOfCrew('benches', table)
	]
);

/** How one person sets a support up for their own body: side, fit, stance. */
export const personSetups = pgTable(
	'person_setups',
	{
		crewId: crewId(),
		supportId: uuid('support_id').notNull(),
		personId: uuid('person_id').notNull(),
		content: jsonb('content').notNull(),
		updatedAt: moment('updated_at')
	},
	(table) => [
		primaryKey({ columns: [table.supportId, table.personId] }),
		supportOfCrew('person_setups', table),
		personOfCrew('person_setups', table)
	]
);

/** What is noted about a support over its days: threads of a socket block, spells in a vest, looks at the horizon. */
export const supportEntries = pgTable(
	'support_entries',
	{
		id: id(),
		crewId: crewId(),
		supportId: uuid('support_id').notNull(),
		personId: uuid('person_id').notNull(),
		entry: jsonb('entry').notNull(),
		at: moment('at')
	},
	(table) => [
		index('support_entries_newest').on(table.supportId, table.at),
		supportOfCrew('support_entries', table),
		personOfCrew('support_entries', table)
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
		version: integer('version').notNull().default(1),
		/** When it was deleted, and ids of what stood there: it is kept a while, so that this can be taken back. */
		deletedAt: timestamp('deleted_at', { withTimezone: true, mode: 'string' }),
		stoodThere: jsonb('stood_there')
	},
	(table) => [
		uniqueIndex('venues_name_in_crew')
			.on(table.crewId, table.name)
			.where(sql`${table.deletedAt} is null`),
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

/** The logbook. A record keeps its own copy of payload and support; the references only lead back while those exist. */
export const balances = pgTable(
	'balances',
	{
		id: id(),
		crewId: crewId(),
		personId: uuid('person_id').notNull(),
		kind: text('kind').notNull(),
		payloadId: uuid('payload_id'),
		supportId: uuid('support_id'),
		payloadName: text('payload_name').notNull(),
		supportName: text('support_name').notNull(),
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
		/** `{ shape, snapshot, support, … }`, the rest as the kind says. */
		record: jsonb('record').notNull()
	},
	(table) => [
		index('balances_of_payload').on(table.payloadId),
		unique('balances_id_in_crew').on(table.crewId, table.id),
		index('balances_newest').on(table.crewId, table.loggedAt),
		kindIsAWord('balances', table.kind),
		index('balances_of_support').on(table.supportId, table.loggedAt),
		foreignKey({
			name: 'balances_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('set null'),
		foreignKey({
			name: 'balances_support_of_crew',
			columns: [table.crewId, table.supportId],
			foreignColumns: [supports.crewId, supports.id]
		}).onDelete('set null'),
		check('balances_mass_positive', isWithin(table.payloadMassKg, limits.balanceMass)),
		personOfCrew('balances', table)
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
		personOfCrew('balance_changes', table)
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
		writerOfCrew('papers', table),
		foreignKey({
			name: 'papers_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('cascade')
	]
);

/**
 * The papers of Feel: the mode sheet of a support, how a payload on it is set, the crew's shots. Which of the two it hangs
 * on is for its kind; there is one of each.
 */
export const feelPapers = pgTable(
	'feel_papers',
	{
		id: id(),
		crewId: crewId(),
		kind: text('kind', { enum: ['sheet', 'setting', 'shots'] }).notNull(),
		supportId: uuid('support_id'),
		payloadId: uuid('payload_id'),
		content: jsonb('content').notNull(),
		version: integer('version').notNull().default(1),
		updatedAt: moment('updated_at'),
		updatedBy: uuid('updated_by')
	},
	(table) => [
		index('feel_papers_of_payload').on(table.payloadId),
		index('feel_papers_of_support').on(table.supportId),
		unique('feel_papers_one_of_each').on(table.crewId, table.kind, table.supportId, table.payloadId).nullsNotDistinct(),
		check('feel_papers_kind_known', sql`${table.kind} in ('sheet', 'setting', 'shots')`),
		check(
			'feel_papers_hang_on',
			sql`(${table.kind} <> 'shots') = (${table.supportId} is not null) and (${table.kind} = 'setting') = (${table.payloadId} is not null)`
		),
		check('feel_papers_version_counts', sql`${table.version} >= 1`),
		supportOfCrew('feel_papers', table),
		foreignKey({
			name: 'feel_papers_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('cascade'),
		writerOfCrew('feel_papers', table)
	]
);

/** Recipes of Feel: what was set for which shot. They keep their own words; the references only lead back while those exist. */
export const recipes = pgTable(
	'recipes',
	{
		id: id(),
		crewId: crewId(),
		personId: uuid('person_id').notNull(),
		supportId: uuid('support_id'),
		payloadId: uuid('payload_id'),
		supportName: text('support_name').notNull(),
		payloadName: text('payload_name').notNull(),
		note: text('note').notNull().default(''),
		/** What a search looks through. */
		words: text('words').notNull(),
		struck: boolean('struck').notNull().default(false),
		detail: jsonb('detail').notNull(),
		at: moment('at')
	},
	(table) => [
		index('recipes_of_payload').on(table.payloadId),
		index('recipes_of_support').on(table.supportId),
		index('recipes_newest').on(table.crewId, table.at),
		foreignKey({
			name: 'recipes_payload_of_crew',
			columns: [table.crewId, table.payloadId],
			foreignColumns: [payloads.crewId, payloads.id]
		}).onDelete('set null'),
		foreignKey({
			name: 'recipes_support_of_crew',
			columns: [table.crewId, table.supportId],
			foreignColumns: [supports.crewId, supports.id]
		}).onDelete('set null'),
		personOfCrew('recipes', table)
	]
);

/** Heads on the shelf: what their axes can do. */
export const heads = pgTable(
	'heads',
	{
		id: id(),
		crewId: crewId(),
		name: text('name').notNull(),
		head: jsonb('head').notNull(),
		version: integer('version').notNull().default(1)
	},
	(table) => [
		unique('heads_name_in_crew').on(table.crewId, table.name),
		unique('heads_id_in_crew').on(table.crewId, table.id),
		namedSensibly('heads', table.name),
		check('heads_version_counts', sql`${table.version} >= 1`)
	]
);

/** Moves as they were left. A move keeps its own copy of what it stands on; the venue only while that exists. */
export const moves = pgTable(
	'moves',
	{
		id: id(),
		crewId: crewId(),
		name: text('name').notNull(),
		venueId: uuid('venue_id'),
		content: jsonb('content').notNull(),
		version: integer('version').notNull().default(1),
		updatedAt: moment('updated_at'),
		updatedBy: uuid('updated_by')
	},
	(table) => [
		index('moves_of_venue').on(table.venueId),
		unique('moves_id_in_crew').on(table.crewId, table.id),
		index('moves_newest').on(table.crewId, table.updatedAt),
		namedSensibly('moves', table.name),
		check('moves_version_counts', sql`${table.version} >= 1`),
		foreignKey({
			name: 'moves_venue_of_crew',
			columns: [table.crewId, table.venueId],
			foreignColumns: [venues.crewId, venues.id]
		}).onDelete('set null'),
		writerOfCrew('moves', table)
	]
);

/** What ran: a copy of the move as it was then, and what was seen. */
export const moveRuns = pgTable(
	'move_runs',
	{
		id: id(),
		crewId: crewId(),
		personId: uuid('person_id').notNull(),
		moveId: uuid('move_id'),
		moveName: text('move_name').notNull(),
		venueName: text('venue_name').notNull().default(''),
		note: text('note').notNull().default(''),
		/** What a search looks through. */
		words: text('words').notNull(),
		struck: boolean('struck').notNull().default(false),
		detail: jsonb('detail').notNull(),
		at: moment('at')
	},
	(table) => [
		index('move_runs_of_move').on(table.moveId),
		index('move_runs_newest').on(table.crewId, table.at),
		foreignKey({
			name: 'move_runs_move_of_crew',
			columns: [table.crewId, table.moveId],
			foreignColumns: [moves.crewId, moves.id]
		}).onDelete('set null'),
		personOfCrew('move_runs', table)
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
		index('measurements_of_payload').on(table.payloadId),
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
		personOfCrew('measurements', table)
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
		supportId: uuid('support_id'),
		slideId: text('slide_id'),
		from: text('came_from').notNull(),
		before: jsonb('before').notNull(),
		after: jsonb('after').notNull(),
		/** What a lesson of the logbook said beside it; null: it was measured. */
		taught: jsonb('taught'),
		undone: boolean('undone').notNull().default(false),
		at: moment('at')
	},
	(table) => [
		index('gear_changes_of_part').on(table.partId),
		index('gear_changes_of_support').on(table.supportId),
		index('gear_changes_newest').on(table.crewId, table.at),
		foreignKey({
			name: 'gear_changes_part_of_crew',
			columns: [table.crewId, table.partId],
			foreignColumns: [parts.crewId, parts.id]
		}).onDelete('cascade'),
		foreignKey({
			name: 'gear_changes_support_of_crew',
			columns: [table.crewId, table.supportId],
			foreignColumns: [supports.crewId, supports.id]
		}).onDelete('cascade'),
		check('gear_changes_one_subject', sql`(${table.partId} is null) <> (${table.supportId} is null)`),
		personOfCrew('gear_changes', table)
	]
);

/**
 * What documents were: who left them so, and when. One row a spell of work of one person; the newest is what stands now.
 * `document` names it as `lib/server/db/edits.ts` does.
 */
export const edits = pgTable(
	'edits',
	{
		id: id(),
		crewId: crewId(),
		document: text('document').notNull(),
		personId: uuid('person_id').notNull(),
		/** As it was stored then, with the number of its shape. */
		content: jsonb('content').notNull(),
		since: moment('since'),
		at: moment('at')
	},
	(table) => [
		index('edits_newest').on(table.crewId, table.document, table.at),
		check('edits_document_named', sql`char_length(${table.document}) between 3 and 120`),
		personOfCrew('edits', table)
	]
);

/** Heads that this crew has claimed: their key, and what is kept of them at the desk. */
export const liveHeads = pgTable(
	'live_heads',
	{
		id: id(),
		crewId: crewId(),
		boxId: text('box_id').notNull(),
		kind: text('kind').notNull(),
		/** Agreed when it was claimed; null: it has to be claimed anew. */
		key: text('key'),
		name: text('name').notNull(),
		number: integer('number').notNull(),
		venueId: uuid('venue_id'),
		settings: jsonb('settings').notNull(),
		version: integer('version').notNull().default(1)
	},
	(table) => [
		index('live_heads_of_venue').on(table.venueId),
		unique('live_heads_id_in_crew').on(table.crewId, table.id),
		unique('live_heads_box_in_crew').on(table.crewId, table.boxId),
		unique('live_heads_number_in_crew').on(table.crewId, table.number),
		namedSensibly('live_heads', table.name),
		check('live_heads_number_within', sql`${table.number} between 1 and 99`),
		check('live_heads_version_counts', sql`${table.version} >= 1`),
		foreignKey({
			name: 'live_heads_venue_of_crew',
			columns: [table.crewId, table.venueId],
			foreignColumns: [venues.crewId, venues.id]
		}).onDelete('set null')
	]
);
export const livePoses = pgTable(
	'live_poses',
	{
		id: id(),
		crewId: crewId(),
		headId: uuid('head_id').notNull(),
		name: text('name').notNull(),
		ordinal: integer('ordinal').notNull(),
		locked: boolean('locked').notNull().default(false),
		content: jsonb('content').notNull(),
		version: integer('version').notNull().default(1)
	},
	(table) => [
		unique('live_poses_name_of_head').on(table.headId, table.name),
		index('live_poses_of_head').on(table.crewId, table.headId, table.ordinal),
		namedSensibly('live_poses', table.name),
		check('live_poses_version_counts', sql`${table.version} >= 1`),
		foreignKey({
			name: 'live_poses_head_of_crew',
			columns: [table.crewId, table.headId],
			foreignColumns: [liveHeads.crewId, liveHeads.id]
		}).onDelete('cascade')
	]
);
/** Where the process is that owns a crew's heads; it owns them by a lock, not by this. */
export const deskOwners = pgTable('desk_owners', {
	crewId: uuid('crew_id')
		.primaryKey()
		.references(() => crews.id),
	origin: text('origin').notNull(),
	since: moment('since')
});
