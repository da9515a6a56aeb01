ALTER TABLE "events" ALTER COLUMN "credit_points" SET DATA TYPE numeric(6, 2);--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "granted_seats" integer;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "place" text DEFAULT '' NOT NULL;