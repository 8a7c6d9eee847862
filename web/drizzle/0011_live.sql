CREATE TABLE "desk_owners" (
	"crew_id" uuid PRIMARY KEY NOT NULL,
	"origin" text NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "live_heads" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"box_id" text NOT NULL,
	"kind" text NOT NULL,
	"key" text,
	"name" text NOT NULL,
	"number" integer NOT NULL,
	"venue_id" uuid,
	"settings" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "live_heads_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "live_heads_box_in_crew" UNIQUE("crew_id","box_id"),
	CONSTRAINT "live_heads_number_in_crew" UNIQUE("crew_id","number"),
	CONSTRAINT "live_heads_name_length" CHECK (char_length(btrim("live_heads"."name")) between 1 and 120),
	CONSTRAINT "live_heads_number_within" CHECK ("live_heads"."number" between 1 and 99),
	CONSTRAINT "live_heads_version_counts" CHECK ("live_heads"."version" >= 1)
);
--> statement-breakpoint
CREATE TABLE "live_poses" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"head_id" uuid NOT NULL,
	"name" text NOT NULL,
	"ordinal" integer NOT NULL,
	"locked" boolean DEFAULT false NOT NULL,
	"content" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "live_poses_name_of_head" UNIQUE("head_id","name"),
	CONSTRAINT "live_poses_name_length" CHECK (char_length(btrim("live_poses"."name")) between 1 and 120),
	CONSTRAINT "live_poses_version_counts" CHECK ("live_poses"."version" >= 1)
);
--> statement-breakpoint
ALTER TABLE "desk_owners" ADD CONSTRAINT "desk_owners_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_heads" ADD CONSTRAINT "live_heads_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_heads" ADD CONSTRAINT "live_heads_venue_of_crew" FOREIGN KEY ("crew_id","venue_id") REFERENCES "public"."venues"("crew_id","id") ON DELETE set null ("venue_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_poses" ADD CONSTRAINT "live_poses_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_poses" ADD CONSTRAINT "live_poses_head_of_crew" FOREIGN KEY ("crew_id","head_id") REFERENCES "public"."live_heads"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "live_poses_of_head" ON "live_poses" USING btree ("crew_id","head_id","ordinal");