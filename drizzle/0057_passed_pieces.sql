CREATE TABLE "passed_pieces" (
	"name" text PRIMARY KEY NOT NULL,
	"room_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"is_init" boolean NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"bytes" "bytea" NOT NULL
);
--> statement-breakpoint
ALTER TABLE "passed_pieces" ADD CONSTRAINT "passed_pieces_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "passed_pieces_at" ON "passed_pieces" USING btree ("at");--> statement-breakpoint
CREATE INDEX "passed_pieces_room" ON "passed_pieces" USING btree ("room_id");