CREATE TABLE "person_setups" (
	"crew_id" uuid NOT NULL,
	"support_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"content" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "person_setups_support_id_person_id_pk" PRIMARY KEY("support_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "support_entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"support_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"entry" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "supports" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"least_payload_kg" double precision NOT NULL,
	"greatest_payload_kg" double precision NOT NULL,
	"geometry" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "supports_name_in_crew" UNIQUE("crew_id","kind","name"),
	CONSTRAINT "supports_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "supports_name_length" CHECK (char_length(btrim("supports"."name")) between 1 and 120),
	CONSTRAINT "supports_kind_is_a_word" CHECK ("supports"."kind" ~ '^[a-z]{3,20}$'),
	CONSTRAINT "supports_payload_range" CHECK ("supports"."least_payload_kg" >= 0 and "supports"."greatest_payload_kg" > "supports"."least_payload_kg" and "supports"."greatest_payload_kg" < 'Infinity')
);
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_kind_known";
--> statement-breakpoint
ALTER TABLE "gear_changes" DROP CONSTRAINT "gear_changes_one_subject";
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_payload_id_payloads_id_fk";
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_rig_id_rigs_id_fk";
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_sled_id_sleds_id_fk";
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_crane_id_cranes_id_fk";
--> statement-breakpoint
ALTER TABLE "benches" DROP CONSTRAINT "benches_rig_of_crew";
--> statement-breakpoint
ALTER TABLE "gear_changes" DROP CONSTRAINT "gear_changes_rig_of_crew";
--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_payload_id_payloads_id_fk";
--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_rig_id_rigs_id_fk";
--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_sled_id_sleds_id_fk";
--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_crane_id_cranes_id_fk";
--> statement-breakpoint
ALTER TABLE "benches" DROP CONSTRAINT "benches_rig_id_payload_id_pk";
--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "support_id" uuid;
--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "support_name" text;
--> statement-breakpoint
ALTER TABLE "benches" ADD COLUMN "support_id" uuid;
--> statement-breakpoint
ALTER TABLE "gear_changes" ADD COLUMN "support_id" uuid;
--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "support_id" uuid;
--> statement-breakpoint
-- Gimbals, sleds and cranes become supports of three kinds; nothing of any row is lost.
INSERT INTO "supports" ("id", "crew_id", "kind", "name", "least_payload_kg", "greatest_payload_kg", "geometry", "version")
	SELECT "id", "crew_id", 'gimbal', "name", "least_payload_kg", "greatest_payload_kg", "geometry", "version" FROM "rigs"
	UNION ALL SELECT "id", "crew_id", 'sled', "name", "least_payload_kg", "greatest_payload_kg", "geometry", "version" FROM "sleds"
	UNION ALL SELECT "id", "crew_id", 'crane', "name", "least_payload_kg", "greatest_payload_kg", "geometry", "version" FROM "cranes";
--> statement-breakpoint
UPDATE "benches" SET "support_id" = "rig_id";
--> statement-breakpoint
ALTER TABLE "benches" ALTER COLUMN "rig_id" DROP NOT NULL;
--> statement-breakpoint
INSERT INTO "benches" ("crew_id", "support_id", "payload_id", "state", "updated_at", "updated_by")
	SELECT "crew_id", "sled_id", "payload_id", "state", "updated_at", "updated_by" FROM "sled_benches"
	UNION ALL SELECT "crew_id", "crane_id", "payload_id", "state", "updated_at", "updated_by" FROM "crane_benches";
--> statement-breakpoint
INSERT INTO "person_setups" SELECT "crew_id", "sled_id", "person_id", "content", "updated_at" FROM "sled_worn";
--> statement-breakpoint
INSERT INTO "support_entries" ("id", "crew_id", "support_id", "person_id", "entry", "at")
	SELECT "id", "crew_id", "sled_id", "person_id", "entry", "at" FROM "sled_entries"
	UNION ALL SELECT "id", "crew_id", "rig_id", "person_id", jsonb_build_object(
		'kind', "kind", 'minutes', "minutes", 'rollRad', "roll_rad", 'temperatureC', "temperature_c"
	), "at" FROM "horizon_entries";
--> statement-breakpoint
UPDATE "balances" SET
	"support_id" = CASE "kind" WHEN 'sled' THEN "sled_id" WHEN 'crane' THEN "crane_id" ELSE "rig_id" END,
	"support_name" = "rig_name";
--> statement-breakpoint
UPDATE "gear_changes" SET "support_id" = "rig_id";
--> statement-breakpoint
UPDATE "people" SET "support_id" = coalesce("sled_id", "crane_id", "rig_id");
--> statement-breakpoint
-- References did not carry the crew until now: what points into another crew's data points nowhere from here on.
UPDATE "people" SET "support_id" = NULL WHERE NOT EXISTS (
	SELECT FROM "supports" WHERE "supports"."id" = "people"."support_id" AND "supports"."crew_id" = "people"."crew_id");
--> statement-breakpoint
UPDATE "people" SET "payload_id" = NULL WHERE NOT EXISTS (
	SELECT FROM "payloads" WHERE "payloads"."id" = "people"."payload_id" AND "payloads"."crew_id" = "people"."crew_id");
--> statement-breakpoint
UPDATE "balances" SET "support_id" = NULL WHERE NOT EXISTS (
	SELECT FROM "supports" WHERE "supports"."id" = "balances"."support_id" AND "supports"."crew_id" = "balances"."crew_id");
--> statement-breakpoint
UPDATE "balances" SET "payload_id" = NULL WHERE NOT EXISTS (
	SELECT FROM "payloads" WHERE "payloads"."id" = "balances"."payload_id" AND "payloads"."crew_id" = "balances"."crew_id");
--> statement-breakpoint
UPDATE "benches" SET "updated_by" = NULL WHERE NOT EXISTS (
	SELECT FROM "people" WHERE "people"."id" = "benches"."updated_by" AND "people"."crew_id" = "benches"."crew_id");
--> statement-breakpoint
UPDATE "papers" SET "updated_by" = NULL WHERE NOT EXISTS (
	SELECT FROM "people" WHERE "people"."id" = "papers"."updated_by" AND "people"."crew_id" = "papers"."crew_id");
--> statement-breakpoint
UPDATE "payloads" SET "updated_by" = NULL WHERE NOT EXISTS (
	SELECT FROM "people" WHERE "people"."id" = "payloads"."updated_by" AND "people"."crew_id" = "payloads"."crew_id");
--> statement-breakpoint
ALTER TABLE "balances" DROP COLUMN "rig_id";
--> statement-breakpoint
ALTER TABLE "balances" DROP COLUMN "sled_id";
--> statement-breakpoint
ALTER TABLE "balances" DROP COLUMN "crane_id";
--> statement-breakpoint
ALTER TABLE "balances" DROP COLUMN "rig_name";
--> statement-breakpoint
ALTER TABLE "benches" DROP COLUMN "rig_id";
--> statement-breakpoint
ALTER TABLE "gear_changes" DROP COLUMN "rig_id";
--> statement-breakpoint
ALTER TABLE "people" DROP COLUMN "rig_id";
--> statement-breakpoint
ALTER TABLE "people" DROP COLUMN "sled_id";
--> statement-breakpoint
ALTER TABLE "people" DROP COLUMN "crane_id";
--> statement-breakpoint
DROP TABLE "crane_benches" CASCADE;
--> statement-breakpoint
DROP TABLE "cranes" CASCADE;
--> statement-breakpoint
DROP TABLE "horizon_entries" CASCADE;
--> statement-breakpoint
DROP TABLE "rigs" CASCADE;
--> statement-breakpoint
DROP TABLE "sled_benches" CASCADE;
--> statement-breakpoint
DROP TABLE "sled_entries" CASCADE;
--> statement-breakpoint
DROP TABLE "sled_worn" CASCADE;
--> statement-breakpoint
DROP TABLE "sleds" CASCADE;
--> statement-breakpoint
ALTER TABLE "balances" ALTER COLUMN "support_name" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "benches" ALTER COLUMN "support_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "benches" ADD CONSTRAINT "benches_support_id_payload_id_pk" PRIMARY KEY("support_id","payload_id");
--> statement-breakpoint
ALTER TABLE "balances" ALTER COLUMN "kind" DROP DEFAULT;
--> statement-breakpoint
ALTER TABLE "person_setups" ADD CONSTRAINT "person_setups_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "person_setups" ADD CONSTRAINT "person_setups_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "person_setups" ADD CONSTRAINT "person_setups_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "support_entries" ADD CONSTRAINT "support_entries_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "support_entries" ADD CONSTRAINT "support_entries_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "support_entries" ADD CONSTRAINT "support_entries_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "supports" ADD CONSTRAINT "supports_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "support_entries_newest" ON "support_entries" USING btree ("support_id","at");
--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE set null ("payload_id") ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE set null ("support_id") ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "benches" ADD CONSTRAINT "benches_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "benches" ADD CONSTRAINT "benches_writer_of_crew" FOREIGN KEY ("crew_id","updated_by") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "gear_changes" ADD CONSTRAINT "gear_changes_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "papers" ADD CONSTRAINT "papers_writer_of_crew" FOREIGN KEY ("crew_id","updated_by") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "payloads" ADD CONSTRAINT "payloads_writer_of_crew" FOREIGN KEY ("crew_id","updated_by") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE set null ("payload_id") ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE set null ("support_id") ON UPDATE no action;
--> statement-breakpoint
CREATE INDEX "balances_of_support" ON "balances" USING btree ("support_id","logged_at");
--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_kind_is_a_word" CHECK ("balances"."kind" ~ '^[a-z]{3,20}$');
--> statement-breakpoint
ALTER TABLE "gear_changes" ADD CONSTRAINT "gear_changes_one_subject" CHECK (("gear_changes"."part_id" is null) <> ("gear_changes"."support_id" is null));
