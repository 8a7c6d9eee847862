CREATE TABLE "balance_changes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"balance_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"why" text NOT NULL,
	"before" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "balance_changes_kind_known" CHECK ("balance_changes"."kind" in ('corrected', 'struck', 'restored')),
	CONSTRAINT "balance_changes_why" CHECK (char_length(btrim("balance_changes"."why")) between 1 and 500)
);
--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_id_in_crew" UNIQUE("crew_id","id");--> statement-breakpoint
ALTER TABLE "balances" ALTER COLUMN "poised" SET DEFAULT false;--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "placed" boolean;--> statement-breakpoint
-- What was called poised until now was computed; nobody had said whether it was seen.
UPDATE "balances" SET "placed" = "poised", "poised" = false;--> statement-breakpoint
ALTER TABLE "balances" ALTER COLUMN "placed" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "struck" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "balance_changes" ADD CONSTRAINT "balance_changes_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balance_changes" ADD CONSTRAINT "balance_changes_balance_of_crew" FOREIGN KEY ("crew_id","balance_id") REFERENCES "public"."balances"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balance_changes" ADD CONSTRAINT "balance_changes_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "balance_changes_of" ON "balance_changes" USING btree ("balance_id","at");--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "words" text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE "balances" SET "words" = concat_ws(' ', "payload_name", "rig_name", "note", (
	SELECT string_agg(part->>'name', ' ') FROM jsonb_array_elements("record"->'snapshot'->'parts') AS part
));