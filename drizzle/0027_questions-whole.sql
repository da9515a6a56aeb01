CREATE TABLE "question_comments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"question_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"text" text NOT NULL,
	"at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "questions" ADD COLUMN "is_anonymous" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "questions" ADD COLUMN "is_by_mail" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "questions" ADD COLUMN "merged_into" uuid;--> statement-breakpoint
ALTER TABLE "question_comments" ADD CONSTRAINT "question_comments_question_id_questions_id_fk" FOREIGN KEY ("question_id") REFERENCES "public"."questions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "question_comments_question" ON "question_comments" USING btree ("question_id","at");--> statement-breakpoint
CREATE INDEX "question_comments_ticket" ON "question_comments" USING btree ("ticket_id");--> statement-breakpoint
CREATE INDEX "questions_merged" ON "questions" USING btree ("merged_into") WHERE merged_into is not null;--> statement-breakpoint
UPDATE "room_outbox" SET "act" = jsonb_build_object('act', 'mail-answers', 'questionIds', jsonb_build_array("act"->'questionId')) WHERE "act"->>'act' = 'mail-answer';
