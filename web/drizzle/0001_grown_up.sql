CREATE TABLE "gear_changes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"about" text NOT NULL,
	"part_id" uuid,
	"rig_id" uuid,
	"slide_id" text,
	"came_from" text NOT NULL,
	"before" jsonb NOT NULL,
	"after" jsonb NOT NULL,
	"undone" boolean DEFAULT false NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "gear_changes_one_subject" CHECK (("gear_changes"."part_id" is null) <> ("gear_changes"."rig_id" is null))
);
--> statement-breakpoint
CREATE TABLE "horizon_entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"rig_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"minutes" double precision NOT NULL,
	"roll_rad" double precision NOT NULL,
	"temperature_c" double precision NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "measurements" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"part_id" uuid,
	"payload_id" uuid,
	"way" text NOT NULL,
	"found" jsonb NOT NULL,
	"readings" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "measurements_one_subject" CHECK (("measurements"."part_id" is null) <> ("measurements"."payload_id" is null))
);
--> statement-breakpoint
CREATE TABLE "papers" (
	"crew_id" uuid NOT NULL,
	"payload_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"content" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "papers_payload_id_kind_pk" PRIMARY KEY("payload_id","kind"),
	CONSTRAINT "papers_kind_known" CHECK ("papers"."kind" in ('power', 'checklist'))
);
--> statement-breakpoint
ALTER TABLE "payloads" ADD COLUMN "family_id" uuid;--> statement-breakpoint
ALTER TABLE "payloads" ADD COLUMN "correction" jsonb;--> statement-breakpoint
ALTER TABLE "placements" ADD COLUMN "attitude" jsonb;--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "gear_changes" ADD CONSTRAINT "gear_changes_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gear_changes" ADD CONSTRAINT "gear_changes_part_of_crew" FOREIGN KEY ("crew_id","part_id") REFERENCES "public"."parts"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gear_changes" ADD CONSTRAINT "gear_changes_rig_of_crew" FOREIGN KEY ("crew_id","rig_id") REFERENCES "public"."rigs"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gear_changes" ADD CONSTRAINT "gear_changes_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "horizon_entries" ADD CONSTRAINT "horizon_entries_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "horizon_entries" ADD CONSTRAINT "horizon_entries_rig_of_crew" FOREIGN KEY ("crew_id","rig_id") REFERENCES "public"."rigs"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "horizon_entries" ADD CONSTRAINT "horizon_entries_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurements" ADD CONSTRAINT "measurements_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurements" ADD CONSTRAINT "measurements_part_of_crew" FOREIGN KEY ("crew_id","part_id") REFERENCES "public"."parts"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurements" ADD CONSTRAINT "measurements_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measurements" ADD CONSTRAINT "measurements_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "papers" ADD CONSTRAINT "papers_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "papers" ADD CONSTRAINT "papers_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "gear_changes_newest" ON "gear_changes" USING btree ("crew_id","at");--> statement-breakpoint
CREATE INDEX "horizon_entries_newest" ON "horizon_entries" USING btree ("rig_id","at");--> statement-breakpoint
CREATE INDEX "measurements_by_part" ON "measurements" USING btree ("crew_id","part_id");