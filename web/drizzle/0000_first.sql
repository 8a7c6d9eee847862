CREATE TABLE "balances" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"payload_id" uuid,
	"rig_id" uuid,
	"payload_name" text NOT NULL,
	"rig_name" text NOT NULL,
	"payload_mass_kg" double precision NOT NULL,
	"poised" boolean NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"logged_at" timestamp with time zone DEFAULT now() NOT NULL,
	"record" jsonb NOT NULL,
	CONSTRAINT "balances_mass_positive" CHECK ("balances"."payload_mass_kg" > 0 and "balances"."payload_mass_kg" < 'Infinity')
);
--> statement-breakpoint
CREATE TABLE "benches" (
	"crew_id" uuid NOT NULL,
	"rig_id" uuid NOT NULL,
	"payload_id" uuid NOT NULL,
	"state" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "benches_rig_id_payload_id_pk" PRIMARY KEY("rig_id","payload_id")
);
--> statement-breakpoint
CREATE TABLE "crews" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "crews_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "parts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"mass_kg" double precision NOT NULL,
	"shape" jsonb NOT NULL,
	CONSTRAINT "parts_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "parts_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "parts_name_length" CHECK (char_length(btrim("parts"."name")) between 1 and 120),
	CONSTRAINT "parts_mass_positive" CHECK ("parts"."mass_kg" > 0 and "parts"."mass_kg" < 'Infinity')
);
--> statement-breakpoint
CREATE TABLE "payloads" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"plate_part_id" uuid NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "payloads_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "payloads_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "payloads_name_length" CHECK (char_length(btrim("payloads"."name")) between 1 and 120),
	CONSTRAINT "payloads_version_counts" CHECK ("payloads"."version" >= 1)
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"units" text DEFAULT 'metric' NOT NULL,
	"theme" text DEFAULT 'day' NOT NULL,
	"payload_id" uuid,
	"rig_id" uuid,
	CONSTRAINT "people_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "people_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "people_name_length" CHECK (char_length(btrim("people"."name")) between 1 and 120),
	CONSTRAINT "people_units_known" CHECK ("people"."units" in ('metric', 'imperial')),
	CONSTRAINT "people_theme_known" CHECK ("people"."theme" in ('day', 'house'))
);
--> statement-breakpoint
CREATE TABLE "placements" (
	"id" uuid NOT NULL,
	"crew_id" uuid NOT NULL,
	"payload_id" uuid NOT NULL,
	"part_id" uuid NOT NULL,
	"ordinal" integer NOT NULL,
	"x_m" double precision NOT NULL,
	"y_m" double precision NOT NULL,
	"z_m" double precision NOT NULL,
	CONSTRAINT "placements_payload_id_id_pk" PRIMARY KEY("payload_id","id"),
	CONSTRAINT "placements_ordinal_in_payload" UNIQUE("payload_id","ordinal")
);
--> statement-breakpoint
CREATE TABLE "rigs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"least_payload_kg" double precision NOT NULL,
	"greatest_payload_kg" double precision NOT NULL,
	"geometry" jsonb NOT NULL,
	CONSTRAINT "rigs_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "rigs_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "rigs_name_length" CHECK (char_length(btrim("rigs"."name")) between 1 and 120),
	CONSTRAINT "rigs_payload_range" CHECK ("rigs"."least_payload_kg" >= 0 and "rigs"."greatest_payload_kg" > "rigs"."least_payload_kg")
);
--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_payload_id_payloads_id_fk" FOREIGN KEY ("payload_id") REFERENCES "public"."payloads"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "balances" ADD CONSTRAINT "balances_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "benches" ADD CONSTRAINT "benches_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "benches" ADD CONSTRAINT "benches_rig_of_crew" FOREIGN KEY ("crew_id","rig_id") REFERENCES "public"."rigs"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "benches" ADD CONSTRAINT "benches_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parts" ADD CONSTRAINT "parts_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payloads" ADD CONSTRAINT "payloads_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payloads" ADD CONSTRAINT "payloads_plate_of_crew" FOREIGN KEY ("crew_id","plate_part_id") REFERENCES "public"."parts"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_payload_id_payloads_id_fk" FOREIGN KEY ("payload_id") REFERENCES "public"."payloads"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "placements" ADD CONSTRAINT "placements_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "placements" ADD CONSTRAINT "placements_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "placements" ADD CONSTRAINT "placements_part_of_crew" FOREIGN KEY ("crew_id","part_id") REFERENCES "public"."parts"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rigs" ADD CONSTRAINT "rigs_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "balances_newest" ON "balances" USING btree ("crew_id","logged_at");--> statement-breakpoint
CREATE INDEX "placements_by_part" ON "placements" USING btree ("part_id");