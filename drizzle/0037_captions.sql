CREATE TABLE "caption_lines" (
	"room_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"rev" integer NOT NULL,
	"organisation_id" uuid NOT NULL,
	"line_id" uuid NOT NULL,
	"language" text NOT NULL,
	"author_ticket_id" uuid NOT NULL,
	"text" text NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "caption_lines_room_id_seq_pk" PRIMARY KEY("room_id","seq")
);
--> statement-breakpoint
ALTER TABLE "caption_lines" ADD CONSTRAINT "caption_lines_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "caption_lines_rev" ON "caption_lines" USING btree ("room_id","rev");--> statement-breakpoint
CREATE UNIQUE INDEX "caption_lines_line" ON "caption_lines" USING btree ("room_id","line_id");--> statement-breakpoint
CREATE INDEX "caption_lines_language" ON "caption_lines" USING btree ("room_id","language","seq");--> statement-breakpoint
CREATE INDEX "caption_lines_author" ON "caption_lines" USING btree ("author_ticket_id");