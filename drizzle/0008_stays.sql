-- a connection was one row with the moment from which it was in the house; it becomes one row a place
ALTER TABLE "connections" RENAME TO "stays";--> statement-breakpoint
ALTER TABLE "stays" RENAME CONSTRAINT "connections_pkey" TO "stays_pkey";--> statement-breakpoint
ALTER TABLE "stays" RENAME CONSTRAINT "connections_occurrence_id_occurrences_id_fk" TO "stays_occurrence_id_occurrences_id_fk";--> statement-breakpoint
ALTER TABLE "stays" RENAME COLUMN "stream_id" TO "connection_id";--> statement-breakpoint
ALTER TABLE "stays" RENAME COLUMN "in_at" TO "from_at";--> statement-breakpoint
ALTER TABLE "stays" RENAME COLUMN "out_at" TO "to_at";--> statement-breakpoint
ALTER TABLE "stays" ADD COLUMN "room_id" uuid;--> statement-breakpoint
ALTER TABLE "stays" ADD COLUMN "place" text;--> statement-breakpoint
UPDATE "stays" s SET "room_id" = r.id FROM "rooms" r WHERE r.occurrence_id = s.occurrence_id AND r.parent_id IS NULL;--> statement-breakpoint
UPDATE "stays" SET "connection_id" = "id" WHERE "connection_id" IS NULL;--> statement-breakpoint
UPDATE "stays" SET "place" = CASE WHEN "house_from_at" IS NULL THEN 'foyer' WHEN "role" IN ('producer', 'crew', 'panelist', 'interpreter', 'captioner') THEN 'backstage' ELSE 'house' END;--> statement-breakpoint
INSERT INTO "stays" ("id", "connection_id", "organisation_id", "occurrence_id", "room_id", "ticket_id", "person_id", "chain_id", "role", "device", "place", "from_at", "last_sign_at", "to_at", "level")
SELECT gen_random_uuid(), "connection_id", "organisation_id", "occurrence_id", "room_id", "ticket_id", "person_id", "chain_id", "role", "device", 'foyer', "from_at", "house_from_at", "house_from_at", "level"
FROM "stays" WHERE "house_from_at" > "from_at";--> statement-breakpoint
UPDATE "stays" SET "from_at" = "house_from_at", "last_sign_at" = greatest("last_sign_at", "house_from_at") WHERE "house_from_at" > "from_at";--> statement-breakpoint
DELETE FROM "stays" WHERE "room_id" IS NULL;--> statement-breakpoint
ALTER TABLE "stays" ALTER COLUMN "room_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "stays" ALTER COLUMN "connection_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "stays" ALTER COLUMN "place" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "stays" DROP COLUMN "house_from_at";--> statement-breakpoint
ALTER TABLE "stays" ADD CONSTRAINT "stays_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER INDEX "connections_occurrence" RENAME TO "stays_occurrence";--> statement-breakpoint
ALTER INDEX "connections_ticket" RENAME TO "stays_ticket";--> statement-breakpoint
ALTER INDEX "connections_stream" RENAME TO "stays_connection";--> statement-breakpoint
ALTER INDEX "connections_silent" RENAME TO "stays_silent";--> statement-breakpoint
ALTER INDEX "connections_import" RENAME TO "stays_import";--> statement-breakpoint
CREATE INDEX "stays_room" ON "stays" USING btree ("room_id","to_at");
