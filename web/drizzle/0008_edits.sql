CREATE TABLE "edits" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"document" text NOT NULL,
	"person_id" uuid NOT NULL,
	"content" jsonb NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "edits_document_named" CHECK (char_length("edits"."document") between 3 and 120)
);
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_mass_positive";--> statement-breakpoint
ALTER TABLE "parts" DROP CONSTRAINT "parts_mass_positive";--> statement-breakpoint
ALTER TABLE "supports" DROP CONSTRAINT "supports_payload_range";--> statement-breakpoint
ALTER TABLE "edits" ADD CONSTRAINT "edits_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edits" ADD CONSTRAINT "edits_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "edits_newest" ON "edits" USING btree ("crew_id","document","at");--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_mass_positive" CHECK ("balances"."payload_mass_kg" > 0 and "balances"."payload_mass_kg" <= 6000) NOT VALID;--> statement-breakpoint
ALTER TABLE "parts" ADD CONSTRAINT "parts_mass_positive" CHECK ("parts"."mass_kg" > 0 and "parts"."mass_kg" <= 60) NOT VALID;--> statement-breakpoint
ALTER TABLE "supports" ADD CONSTRAINT "supports_payload_range" CHECK ("supports"."least_payload_kg" >= 0 and "supports"."least_payload_kg" <= 200 and "supports"."greatest_payload_kg" >= 0 and "supports"."greatest_payload_kg" <= 200 and "supports"."greatest_payload_kg" > "supports"."least_payload_kg") NOT VALID;