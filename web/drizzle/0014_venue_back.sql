ALTER TABLE "venues" DROP CONSTRAINT "venues_name_in_crew";--> statement-breakpoint
ALTER TABLE "venues" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "venues" ADD COLUMN "stood_there" jsonb;--> statement-breakpoint
CREATE UNIQUE INDEX "venues_name_in_crew" ON "venues" USING btree ("crew_id","name") WHERE "venues"."deleted_at" is null;