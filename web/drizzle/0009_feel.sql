CREATE TABLE "feel_papers" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"support_id" uuid,
	"payload_id" uuid,
	"content" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "feel_papers_one_of_each" UNIQUE NULLS NOT DISTINCT("crew_id","kind","support_id","payload_id"),
	CONSTRAINT "feel_papers_kind_known" CHECK ("feel_papers"."kind" in ('sheet', 'setting', 'shots')),
	CONSTRAINT "feel_papers_hang_on" CHECK (("feel_papers"."kind" <> 'shots') = ("feel_papers"."support_id" is not null) and ("feel_papers"."kind" = 'setting') = ("feel_papers"."payload_id" is not null)),
	CONSTRAINT "feel_papers_version_counts" CHECK ("feel_papers"."version" >= 1)
);
--> statement-breakpoint
CREATE TABLE "recipes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"support_id" uuid,
	"payload_id" uuid,
	"support_name" text NOT NULL,
	"payload_name" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"words" text NOT NULL,
	"struck" boolean DEFAULT false NOT NULL,
	"detail" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "feel_papers" ADD CONSTRAINT "feel_papers_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feel_papers" ADD CONSTRAINT "feel_papers_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feel_papers" ADD CONSTRAINT "feel_papers_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feel_papers" ADD CONSTRAINT "feel_papers_writer_of_crew" FOREIGN KEY ("crew_id","updated_by") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipes" ADD CONSTRAINT "recipes_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipes" ADD CONSTRAINT "recipes_payload_of_crew" FOREIGN KEY ("crew_id","payload_id") REFERENCES "public"."payloads"("crew_id","id") ON DELETE set null ("payload_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipes" ADD CONSTRAINT "recipes_support_of_crew" FOREIGN KEY ("crew_id","support_id") REFERENCES "public"."supports"("crew_id","id") ON DELETE set null ("support_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipes" ADD CONSTRAINT "recipes_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "recipes_newest" ON "recipes" USING btree ("crew_id","at");