CREATE TABLE "sled_benches" (
	"crew_id" uuid NOT NULL,
	"sled_id" uuid NOT NULL,
	"payload_id" uuid NOT NULL,
	"state" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "sled_benches_sled_id_payload_id_pk" PRIMARY KEY("sled_id","payload_id")
);
--> statement-breakpoint
CREATE TABLE "sled_entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"sled_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"entry" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sled_worn" (
	"crew_id" uuid NOT NULL,
	"sled_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"content" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sled_worn_sled_id_person_id_pk" PRIMARY KEY("sled_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "sleds" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"least_payload_kg" double precision NOT NULL,
	"greatest_payload_kg" double precision NOT NULL,
	"geometry" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "sleds_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "sleds_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "sleds_name_length" CHECK (char_length(btrim("sleds"."name")) between 1 and 120),
	CONSTRAINT "sleds_payload_range" CHECK ("sleds"."least_payload_kg" >= 0 and "sleds"."greatest_payload_kg" > "sleds"."least_payload_kg")
);
--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "kind" text DEFAULT 'gimbal' NOT NULL;--> statement-breakpoint
ALTER TABLE "balances" ADD COLUMN "sled_id" uuid;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "sled_id" uuid;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "thumb" jsonb;--> statement-breakpoint
ALTER TABLE "sled_benches" ADD CONSTRAINT "sled_benches_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_benches" ADD CONSTRAINT "sled_benches_sled_of_crew" FOREIGN KEY ("crew_id","sled_id") REFERENCES "public"."sleds"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_benches" ADD CONSTRAINT "sled_benches_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_entries" ADD CONSTRAINT "sled_entries_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_entries" ADD CONSTRAINT "sled_entries_sled_of_crew" FOREIGN KEY ("crew_id","sled_id") REFERENCES "public"."sleds"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_entries" ADD CONSTRAINT "sled_entries_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_worn" ADD CONSTRAINT "sled_worn_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_worn" ADD CONSTRAINT "sled_worn_sled_of_crew" FOREIGN KEY ("crew_id","sled_id") REFERENCES "public"."sleds"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sled_worn" ADD CONSTRAINT "sled_worn_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sleds" ADD CONSTRAINT "sleds_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sled_entries_newest" ON "sled_entries" USING btree ("sled_id","at");--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_sled_id_sleds_id_fk" FOREIGN KEY ("sled_id") REFERENCES "public"."sleds"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_sled_id_sleds_id_fk" FOREIGN KEY ("sled_id") REFERENCES "public"."sleds"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_kind_known" CHECK ("balances"."kind" in ('gimbal', 'sled'));