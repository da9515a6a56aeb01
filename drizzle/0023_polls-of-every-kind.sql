ALTER TABLE "ballots" ADD COLUMN "question_id" text;--> statement-breakpoint
ALTER TABLE "ballots" ADD COLUMN "choice" jsonb;--> statement-breakpoint
ALTER TABLE "polls" ADD COLUMN "questions" jsonb;--> statement-breakpoint
ALTER TABLE "polls" ADD COLUMN "is_anonymous" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "polls" ADD COLUMN "is_locked" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "polls" ADD COLUMN "limit_seconds" integer;--> statement-breakpoint
ALTER TABLE "polls" ADD COLUMN "is_sample" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "polls" ADD COLUMN "closes_at" timestamp(3) with time zone;--> statement-breakpoint
UPDATE "polls" SET "questions" = jsonb_build_array(jsonb_build_object('id', 'q1', 'kind', "kind", 'text', "question", 'options', "options", 'rightIds', '[]'::jsonb));--> statement-breakpoint
UPDATE "ballots" SET "question_id" = 'q1', "choice" = jsonb_build_array("option_id");--> statement-breakpoint
ALTER TABLE "ballots" ALTER COLUMN "question_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "ballots" ALTER COLUMN "choice" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "polls" ALTER COLUMN "questions" SET NOT NULL;
