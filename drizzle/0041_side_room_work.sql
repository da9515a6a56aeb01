ALTER TABLE "drawing_boards" DROP CONSTRAINT "drawing_boards_pkey";--> statement-breakpoint
ALTER TABLE "drawing_boards" ADD CONSTRAINT "drawing_boards_occurrence_id_id_pk" PRIMARY KEY("occurrence_id","id");--> statement-breakpoint
ALTER TABLE "chat_lines" ADD COLUMN "answered_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "drawing_boards" ADD COLUMN "side_room" integer;
