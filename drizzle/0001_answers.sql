ALTER TABLE "messages" DROP CONSTRAINT "messages_once";--> statement-breakpoint
ALTER TABLE "messages" ADD COLUMN "question_id" uuid;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_once" UNIQUE NULLS NOT DISTINCT("kind","mailing_id","occurrence_id","person_id","planned_due_at","question_id");