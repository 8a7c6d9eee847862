CREATE TABLE "crane_benches" (
	"crew_id" uuid NOT NULL,
	"crane_id" uuid NOT NULL,
	"payload_id" uuid NOT NULL,
	"state" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "crane_benches_crane_id_payload_id_pk" PRIMARY KEY("crane_id","payload_id")
);
--> statement-breakpoint
CREATE TABLE "cranes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"least_payload_kg" double precision NOT NULL,
	"greatest_payload_kg" double precision NOT NULL,
	"geometry" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "cranes_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "cranes_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "cranes_name_length" CHECK (char_length(btrim("cranes"."name")) between 1 and 120),
	CONSTRAINT "cranes_payload_range" CHECK ("cranes"."least_payload_kg" >= 0 and "cranes"."greatest_payload_kg" > "cranes"."least_payload_kg")
);
--> statement-breakpoint
ALTER TABLE "balances" DROP CONSTRAINT "balances_kind_known";--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "crane_id" uuid;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "crane_id" uuid;--> statement-breakpoint
ALTER TABLE "crane_benches" ADD CONSTRAINT "crane_benches_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "crane_benches" ADD CONSTRAINT "crane_benches_crane_of_crew" FOREIGN KEY ("crew_id","crane_id") REFERENCES "public"."cranes"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "crane_benches" ADD CONSTRAINT "crane_benches_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cranes" ADD CONSTRAINT "cranes_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_crane_id_cranes_id_fk" FOREIGN KEY ("crane_id") REFERENCES "public"."cranes"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_crane_id_cranes_id_fk" FOREIGN KEY ("crane_id") REFERENCES "public"."cranes"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_kind_known" CHECK ("balances"."kind" in ('gimbal', 'sled', 'crane'));