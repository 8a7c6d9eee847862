ALTER TABLE "people" DROP CONSTRAINT "people_theme_known";--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_theme_known" CHECK ("people"."theme" in ('day', 'house', 'blackout'));