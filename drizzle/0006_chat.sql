CREATE TABLE "chat_entry_notes" (
	"room_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"text" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "chat_lines" (
	"room_id" uuid NOT NULL,
	"topic" text NOT NULL,
	"seq" integer NOT NULL,
	"rev" integer NOT NULL,
	"organisation_id" uuid NOT NULL,
	"line_id" uuid NOT NULL,
	"author_ticket_id" uuid NOT NULL,
	"target" text NOT NULL,
	"with_ticket_id" uuid,
	"text" text NOT NULL,
	"state" text NOT NULL,
	"is_question" integer DEFAULT 0 NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "chat_lines_room_id_topic_seq_pk" PRIMARY KEY("room_id","topic","seq")
);
--> statement-breakpoint
CREATE TABLE "log_heads" (
	"room_id" uuid NOT NULL,
	"topic" text NOT NULL,
	"organisation_id" uuid NOT NULL,
	"head" integer NOT NULL,
	CONSTRAINT "log_heads_room_id_topic_pk" PRIMARY KEY("room_id","topic")
);
--> statement-breakpoint
ALTER TABLE "chat_entry_notes" ADD CONSTRAINT "chat_entry_notes_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "chat_lines" ADD CONSTRAINT "chat_lines_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_heads" ADD CONSTRAINT "log_heads_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "chat_lines_rev" ON "chat_lines" USING btree ("room_id","topic","rev");--> statement-breakpoint
CREATE UNIQUE INDEX "chat_lines_line" ON "chat_lines" USING btree ("room_id","topic","line_id");--> statement-breakpoint
CREATE INDEX "chat_lines_author" ON "chat_lines" USING btree ("author_ticket_id");--> statement-breakpoint
CREATE INDEX "chat_lines_with" ON "chat_lines" USING btree ("with_ticket_id");