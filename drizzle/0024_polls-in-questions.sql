ALTER TABLE "ballots" DROP CONSTRAINT "ballots_poll_id_ticket_id_pk";--> statement-breakpoint
ALTER TABLE "ballots" ADD CONSTRAINT "ballots_poll_id_ticket_id_question_id_pk" PRIMARY KEY("poll_id","ticket_id","question_id");--> statement-breakpoint
ALTER TABLE "ballots" DROP COLUMN "option_id";--> statement-breakpoint
ALTER TABLE "polls" DROP COLUMN "kind";--> statement-breakpoint
ALTER TABLE "polls" DROP COLUMN "question";--> statement-breakpoint
ALTER TABLE "polls" DROP COLUMN "options";