ALTER TABLE "events" ADD COLUMN "switches" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "credit_checks" integer;--> statement-breakpoint
UPDATE "events" SET "switches" = jsonb_build_object(
  'questions', jsonb_build_object('on', "questions_on", 'othersSee', CASE WHEN "others_questions_shown" THEN 'all' ELSE 'answered' END),
  'polls', jsonb_build_object('on', "polls_on"),
  'chat', jsonb_build_object('to', "chat_to", 'isHeld', "chat_held"),
  'hands', jsonb_build_object('on', "hands_on"),
  'signals', jsonb_build_object('on', "signals_on"));
