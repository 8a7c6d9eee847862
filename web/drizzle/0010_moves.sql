CREATE TABLE "heads" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"head" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "heads_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "heads_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "heads_name_length" CHECK (char_length(btrim("heads"."name")) between 1 and 120),
	CONSTRAINT "heads_version_counts" CHECK ("heads"."version" >= 1)
);
--> statement-breakpoint
CREATE TABLE "move_runs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"move_id" uuid,
	"move_name" text NOT NULL,
	"venue_name" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"words" text NOT NULL,
	"struck" boolean DEFAULT false NOT NULL,
	"detail" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "moves" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"venue_id" uuid,
	"content" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid,
	CONSTRAINT "moves_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "moves_name_length" CHECK (char_length(btrim("moves"."name")) between 1 and 120),
	CONSTRAINT "moves_version_counts" CHECK ("moves"."version" >= 1)
);
--> statement-breakpoint
ALTER TABLE "heads" ADD CONSTRAINT "heads_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "move_runs" ADD CONSTRAINT "move_runs_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "move_runs" ADD CONSTRAINT "move_runs_move_of_crew" FOREIGN KEY ("crew_id","move_id") REFERENCES "public"."moves"("crew_id","id") ON DELETE set null ("move_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "move_runs" ADD CONSTRAINT "move_runs_person_of_crew" FOREIGN KEY ("crew_id","person_id") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "moves" ADD CONSTRAINT "moves_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "moves" ADD CONSTRAINT "moves_venue_of_crew" FOREIGN KEY ("crew_id","venue_id") REFERENCES "public"."venues"("crew_id","id") ON DELETE set null ("venue_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "moves" ADD CONSTRAINT "moves_writer_of_crew" FOREIGN KEY ("crew_id","updated_by") REFERENCES "public"."people"("crew_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "move_runs_newest" ON "move_runs" USING btree ("crew_id","at");--> statement-breakpoint
CREATE INDEX "moves_newest" ON "moves" USING btree ("crew_id","updated_at");