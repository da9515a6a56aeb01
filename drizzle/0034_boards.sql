CREATE TABLE "drawing_boards" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"title" text NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ink_acts" (
	"room_id" uuid NOT NULL,
	"surface_id" uuid NOT NULL,
	"page" integer NOT NULL,
	"n" integer NOT NULL,
	"topic" text NOT NULL,
	"rev" integer NOT NULL,
	"organisation_id" uuid NOT NULL,
	"act_id" uuid NOT NULL,
	"author_ticket_id" uuid NOT NULL,
	"body" jsonb NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "ink_acts_room_id_surface_id_page_n_pk" PRIMARY KEY("room_id","surface_id","page","n")
);
--> statement-breakpoint
ALTER TABLE "drawing_boards" ADD CONSTRAINT "drawing_boards_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ink_acts" ADD CONSTRAINT "ink_acts_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "drawing_boards_occurrence" ON "drawing_boards" USING btree ("occurrence_id","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "ink_acts_feed" ON "ink_acts" USING btree ("room_id","topic","rev");--> statement-breakpoint
CREATE UNIQUE INDEX "ink_acts_act" ON "ink_acts" USING btree ("room_id","act_id");--> statement-breakpoint
CREATE INDEX "ink_acts_author" ON "ink_acts" USING btree ("author_ticket_id");