ALTER TABLE "events" DROP COLUMN "questions_on";--> statement-breakpoint
ALTER TABLE "events" DROP COLUMN "polls_on";--> statement-breakpoint
ALTER TABLE "events" DROP COLUMN "others_questions_shown";--> statement-breakpoint
ALTER TABLE "events" DROP COLUMN "chat_to";--> statement-breakpoint
ALTER TABLE "events" DROP COLUMN "chat_held";--> statement-breakpoint
ALTER TABLE "events" DROP COLUMN "hands_on";--> statement-breakpoint
ALTER TABLE "events" DROP COLUMN "signals_on";