CREATE TABLE "at_hand" (
	"crew_id" uuid NOT NULL,
	"person_id" uuid PRIMARY KEY NOT NULL,
	"payload_id" uuid,
	"support_id" uuid
);
--> statement-breakpoint
INSERT INTO "at_hand" SELECT "crew_id", "id", "payload_id", "support_id" FROM "people";--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_payload_of_crew";--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_support_of_crew";--> statement-breakpoint
ALTER TABLE "at_hand" ADD CONSTRAINT "at_hand_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "at_hand" ADD CONSTRAINT "at_hand_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "at_hand" ADD CONSTRAINT "at_hand_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE set null ("payload_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "at_hand" ADD CONSTRAINT "at_hand_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE set null ("support_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" DROP COLUMN "payload_id";--> statement-breakpoint
ALTER TABLE "people" DROP COLUMN "support_id";--> statement-breakpoint
CREATE INDEX "at_hand_of_payload" ON "at_hand" USING btree ("payload_id");--> statement-breakpoint
CREATE INDEX "at_hand_of_support" ON "at_hand" USING btree ("support_id");--> statement-breakpoint
CREATE INDEX "balances_of_payload" ON "balances" USING btree ("payload_id");--> statement-breakpoint
CREATE INDEX "benches_of_payload" ON "benches" USING btree ("payload_id");--> statement-breakpoint
CREATE INDEX "feel_papers_of_payload" ON "feel_papers" USING btree ("payload_id");--> statement-breakpoint
CREATE INDEX "feel_papers_of_support" ON "feel_papers" USING btree ("support_id");--> statement-breakpoint
CREATE INDEX "gear_changes_of_part" ON "gear_changes" USING btree ("part_id");--> statement-breakpoint
CREATE INDEX "gear_changes_of_support" ON "gear_changes" USING btree ("support_id");--> statement-breakpoint
CREATE INDEX "live_heads_of_venue" ON "live_heads" USING btree ("venue_id");--> statement-breakpoint
CREATE INDEX "measurements_of_payload" ON "measurements" USING btree ("payload_id");--> statement-breakpoint
CREATE INDEX "move_runs_of_move" ON "move_runs" USING btree ("move_id");--> statement-breakpoint
CREATE INDEX "moves_of_venue" ON "moves" USING btree ("venue_id");--> statement-breakpoint
CREATE INDEX "recipes_of_payload" ON "recipes" USING btree ("payload_id");--> statement-breakpoint
CREATE INDEX "recipes_of_support" ON "recipes" USING btree ("support_id");--> statement-breakpoint
-- No balance of more than six tonnes was ever set up: what was logged as one keeps its own words in its record.
UPDATE "balances" SET "payload_mass_kg" = 6000 WHERE "payload_mass_kg" > 6000;--> statement-breakpoint
ALTER TABLE "balances" VALIDATE CONSTRAINT "balances_mass_positive";--> statement-breakpoint
-- One word a crew and transaction: something of it was written. Whoever keeps what is made from its rows makes it anew.
DO $$
DECLARE
	name text;
BEGIN
	FOR name IN SELECT DISTINCT tgrelid::regclass::text FROM pg_trigger WHERE tgname IN ('tells_rows', 'tells_table') LOOP
		EXECUTE format('DROP TRIGGER IF EXISTS tells_rows ON %s', name);
		EXECUTE format('DROP TRIGGER IF EXISTS tells_table ON %s', name);
	END LOOP;
END $$;
--> statement-breakpoint
DROP FUNCTION poise_tells_row();--> statement-breakpoint
DROP FUNCTION poise_tells_table();--> statement-breakpoint
CREATE FUNCTION poise_revised() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
	crew uuid;
BEGIN
	FOR crew IN EXECUTE format('SELECT DISTINCT %I FROM written', TG_ARGV[0]) LOOP
		PERFORM pg_notify('poise_revisions', crew::text);
	END LOOP;
	RETURN NULL;
END $$;
--> statement-breakpoint
-- For the migration of a new table: SELECT poise_revises('notes'). A trigger that sees the rows of its statement is for one kind of statement.
CREATE FUNCTION poise_revises(name text, crew text DEFAULT 'crew_id') RETURNS void LANGUAGE plpgsql AS $$
BEGIN
	EXECUTE format('CREATE TRIGGER revised_new AFTER INSERT ON %I REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION poise_revised(%L)', name, crew);
	EXECUTE format('CREATE TRIGGER revised_other AFTER UPDATE ON %I REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION poise_revised(%L)', name, crew);
	EXECUTE format('CREATE TRIGGER revised_gone AFTER DELETE ON %I REFERENCING OLD TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION poise_revised(%L)', name, crew);
END $$;
--> statement-breakpoint
SELECT poise_revises('crews', 'id');--> statement-breakpoint
DO $$
DECLARE
	name text;
BEGIN
	FOR name IN SELECT relname FROM pg_class JOIN pg_attribute ON attrelid = pg_class.oid
		WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace AND attname = 'crew_id' LOOP
		PERFORM poise_revises(name);
	END LOOP;
END $$;
