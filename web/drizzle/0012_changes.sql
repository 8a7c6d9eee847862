-- Every table says which of its rows is written, when that is kept: the table, for a change the columns after a "~", then what stands
-- in the columns that name a row, or in those that the trigger is given. Whoever keeps something made from rows hears by it that it is out of date.
CREATE FUNCTION poise_tells_row() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
	it jsonb;
	was jsonb := CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE to_jsonb(OLD) END;
	is_now jsonb := CASE WHEN TG_OP = 'DELETE' THEN NULL ELSE to_jsonb(NEW) END;
	what text := TG_TABLE_NAME;
BEGIN
	IF TG_OP = 'UPDATE' THEN
		IF was = is_now THEN
			RETURN NULL;
		END IF;
		what := what || ' ~' || (SELECT string_agg(name, ',' ORDER BY name)
			FROM jsonb_object_keys(is_now) AS name WHERE is_now -> name IS DISTINCT FROM was -> name);
	END IF;
	FOREACH it IN ARRAY ARRAY[was, is_now] LOOP
		CONTINUE WHEN it IS NULL;
		PERFORM pg_notify('poise_changes', what || coalesce(
			(SELECT string_agg(' ' || name || '=' || coalesce(it ->> name, ''), '' ORDER BY name)
				FROM jsonb_object_keys(it) AS name WHERE (CASE WHEN TG_NARGS = 0 THEN name ~ '(^|_)id$' ELSE name = ANY (TG_ARGV) END) AND length(coalesce(it ->> name, '')) < 80), ''));
	END LOOP;
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION poise_tells_table() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	PERFORM pg_notify('poise_changes', TG_TABLE_NAME);
	RETURN NULL;
END $$;
--> statement-breakpoint
DO $$
DECLARE
	name text;
BEGIN
	FOREACH name IN ARRAY ARRAY['balance_changes', 'balances', 'benches', 'crews', 'desk_owners', 'feel_papers',
		'gear_changes', 'heads', 'live_heads', 'live_poses', 'measurements', 'move_runs', 'moves', 'papers', 'parts', 'payloads',
		'people', 'person_setups', 'recipes', 'support_entries', 'supports', 'venues'] LOOP
		EXECUTE format('CREATE TRIGGER tells_rows AFTER INSERT OR UPDATE OR DELETE ON %I FOR EACH ROW EXECUTE FUNCTION poise_tells_row()', name);
		EXECUTE format('CREATE TRIGGER tells_table AFTER TRUNCATE ON %I FOR EACH STATEMENT EXECUTE FUNCTION poise_tells_table()', name);
	END LOOP;
END $$;
--> statement-breakpoint
-- A picture is megabytes: which one is not worth spelling them out.
CREATE TRIGGER tells_rows AFTER INSERT OR UPDATE OR DELETE ON "venue_pictures" FOR EACH STATEMENT EXECUTE FUNCTION poise_tells_table();
--> statement-breakpoint
CREATE TRIGGER tells_table AFTER TRUNCATE ON "venue_pictures" FOR EACH STATEMENT EXECUTE FUNCTION poise_tells_table();
--> statement-breakpoint
-- They are written together, all of one payload: one word for all of them. (Nobody keeps what is made from "edits": they say nothing.)
CREATE TRIGGER tells_rows AFTER INSERT OR UPDATE OR DELETE ON "placements" FOR EACH ROW EXECUTE FUNCTION poise_tells_row('crew_id', 'payload_id');
--> statement-breakpoint
CREATE TRIGGER tells_table AFTER TRUNCATE ON "placements" FOR EACH STATEMENT EXECUTE FUNCTION poise_tells_table();
