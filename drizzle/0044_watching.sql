CREATE TABLE "plays" (
	"viewer_id" uuid NOT NULL,
	"play_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"view_id" uuid NOT NULL,
	"from_seconds" real NOT NULL,
	"to_seconds" real NOT NULL,
	CONSTRAINT "plays_viewer_id_play_id_pk" PRIMARY KEY("viewer_id","play_id")
);
--> statement-breakpoint
CREATE TABLE "viewers" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"recording_id" uuid NOT NULL,
	"ticket_id" uuid,
	"browser" text,
	"first_at" timestamp(3) with time zone NOT NULL,
	"last_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "plays" ADD CONSTRAINT "plays_viewer_id_viewers_id_fk" FOREIGN KEY ("viewer_id") REFERENCES "public"."viewers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "viewers" ADD CONSTRAINT "viewers_recording_id_recordings_id_fk" FOREIGN KEY ("recording_id") REFERENCES "public"."recordings"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "viewers_ticket" ON "viewers" USING btree ("recording_id","ticket_id") WHERE ticket_id is not null;--> statement-breakpoint
CREATE UNIQUE INDEX "viewers_browser" ON "viewers" USING btree ("recording_id","browser") WHERE browser is not null;--> statement-breakpoint
CREATE INDEX "viewers_by_ticket" ON "viewers" USING btree ("ticket_id");