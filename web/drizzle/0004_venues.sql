CREATE TABLE "venue_pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"venue_id" uuid NOT NULL,
	"type" text NOT NULL,
	"content" "bytea" NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "venue_pictures_type_known" CHECK ("venue_pictures"."type" in ('image/png', 'image/jpeg', 'image/webp'))
);
--> statement-breakpoint
CREATE TABLE "venues" (
	"id" uuid PRIMARY KEY NOT NULL,
	"crew_id" uuid NOT NULL,
	"name" text NOT NULL,
	"plan" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "venues_name_in_crew" UNIQUE("crew_id","name"),
	CONSTRAINT "venues_id_in_crew" UNIQUE("crew_id","id"),
	CONSTRAINT "venues_name_length" CHECK (char_length(btrim("venues"."name")) between 1 and 120)
);
--> statement-breakpoint
ALTER TABLE "venue_pictures" ADD CONSTRAINT "venue_pictures_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "venue_pictures" ADD CONSTRAINT "venue_pictures_venue_of_crew" FOREIGN KEY ("crew_id","venue_id") REFERENCES "public"."venues"("crew_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "venues" ADD CONSTRAINT "venues_crew_id_crews_id_fk" FOREIGN KEY ("crew_id") REFERENCES "public"."crews"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "venue_pictures_by_venue" ON "venue_pictures" USING btree ("venue_id","at");