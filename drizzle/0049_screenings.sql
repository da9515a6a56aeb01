ALTER TABLE "occurrences" ADD COLUMN "screening_of" uuid;--> statement-breakpoint
CREATE INDEX "occurrences_screening" ON "occurrences" USING btree ("start_at") WHERE screening_of is not null;