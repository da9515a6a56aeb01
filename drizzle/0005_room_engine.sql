CREATE TABLE "room_checkpoints" (
	"room_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"state" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "room_outbox" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"actor_id" text NOT NULL,
	"act" jsonb NOT NULL,
	"at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
-- rooms get ids of their own; the journal hangs on them
ALTER TABLE "rooms" DROP CONSTRAINT "rooms_pkey";--> statement-breakpoint
ALTER TABLE "rooms" ADD COLUMN "id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL;--> statement-breakpoint
ALTER TABLE "rooms" ADD COLUMN "parent_id" uuid;--> statement-breakpoint
ALTER TABLE "journal" ADD COLUMN "room_id" uuid;--> statement-breakpoint
UPDATE "journal" j SET "room_id" = r."id" FROM "rooms" r WHERE r."occurrence_id" = j."occurrence_id";--> statement-breakpoint
ALTER TABLE "journal" ALTER COLUMN "room_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "journal" DROP CONSTRAINT "journal_occurrence_id_occurrences_id_fk";--> statement-breakpoint
DROP INDEX "journal_command";--> statement-breakpoint
ALTER TABLE "journal" DROP CONSTRAINT "journal_occurrence_id_seq_pk";--> statement-breakpoint
ALTER TABLE "journal" ADD CONSTRAINT "journal_room_id_seq_pk" PRIMARY KEY("room_id","seq");--> statement-breakpoint
-- rows begin with their capability's name
UPDATE "journal" SET "body" = jsonb_set("body", '{type}', to_jsonb(CASE
  WHEN "body"->>'type' = 'date.ended' THEN 'hour.ended'
  WHEN "body"->>'type' IN ('date.cancelled', 'date.restored', 'date.not-held') THEN replace("body"->>'type', 'date.', 'hour.')
  WHEN "body"->>'type' IN ('doors.opened', 'doors.held', 'doors.released') THEN replace("body"->>'type', 'doors.', 'hour.doors-')
  WHEN "body"->>'type' LIKE 'curtain.%' THEN replace("body"->>'type', 'curtain.', 'hour.curtain-')
  WHEN "body"->>'type' = 'backstage.opened' THEN 'hour.backstage-opened'
  WHEN "body"->>'type' = 'show.imported' THEN 'hour.show-imported'
  WHEN "body"->>'type' = 'run-sheet.changed' THEN 'cues.sheet-changed'
  WHEN "body"->>'type' = 'microphone.set' THEN 'stage.microphone-set'
  WHEN "body"->>'type' = 'microphones.closed' THEN 'stage.microphones-closed'
  WHEN "body"->>'type' LIKE 'cue.%' THEN replace("body"->>'type', 'cue.', 'cues.')
  WHEN "body"->>'type' LIKE 'question.%' THEN replace("body"->>'type', 'question.', 'questions.')
  WHEN "body"->>'type' LIKE 'poll.%' THEN replace("body"->>'type', 'poll.', 'polls.')
  ELSE "body"->>'type' END));--> statement-breakpoint
ALTER TABLE "connections" ADD COLUMN "stream_id" uuid;--> statement-breakpoint
UPDATE "connections" SET "stream_id" = "id";--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "chat_to" text DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "chat_held" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "barred_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "room_checkpoints" ADD CONSTRAINT "room_checkpoints_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "room_outbox" ADD CONSTRAINT "room_outbox_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "room_outbox_at" ON "room_outbox" USING btree ("at");--> statement-breakpoint
ALTER TABLE "journal" ADD CONSTRAINT "journal_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rooms" ADD CONSTRAINT "rooms_parent_id_rooms_id_fk" FOREIGN KEY ("parent_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "connections_stream" ON "connections" USING btree ("stream_id");--> statement-breakpoint
CREATE INDEX "connections_silent" ON "connections" USING btree ("last_sign_at") WHERE out_at is null;--> statement-breakpoint
CREATE INDEX "messages_message_id" ON "messages" USING btree ("message_id");--> statement-breakpoint
CREATE INDEX "messages_person" ON "messages" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "messages_mailing" ON "messages" USING btree ("mailing_id");--> statement-breakpoint
CREATE INDEX "questions_asker" ON "questions" USING btree ("asker_ticket_id");--> statement-breakpoint
CREATE UNIQUE INDEX "rooms_main" ON "rooms" USING btree ("occurrence_id") WHERE parent_id is null;--> statement-breakpoint
CREATE UNIQUE INDEX "journal_command" ON "journal" USING btree ("room_id","command_id");--> statement-breakpoint
ALTER TABLE "journal" DROP COLUMN "occurrence_id";