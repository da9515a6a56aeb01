CREATE TABLE "programme_feeds" (
	"room_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"feed" text NOT NULL,
	"holder_id" uuid NOT NULL,
	"device" uuid NOT NULL,
	"renewed_at" timestamp(3) with time zone NOT NULL,
	"last_piece" integer DEFAULT 0 NOT NULL,
	"last_init" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "programme_feeds_room_id_feed_pk" PRIMARY KEY("room_id","feed")
);
--> statement-breakpoint
CREATE TABLE "recorded_pieces" (
	"room_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"feed" text NOT NULL,
	"number" integer NOT NULL,
	"init_number" integer NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"duration_ms" integer NOT NULL,
	"is_holding" boolean NOT NULL,
	"size_bytes" integer NOT NULL,
	CONSTRAINT "recorded_pieces_room_id_feed_number_pk" PRIMARY KEY("room_id","feed","number")
);
--> statement-breakpoint
ALTER TABLE "programme_feeds" ADD CONSTRAINT "programme_feeds_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recorded_pieces" ADD CONSTRAINT "recorded_pieces_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "recorded_pieces_organisation" ON "recorded_pieces" USING btree ("organisation_id");