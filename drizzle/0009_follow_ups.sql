-- A follow-up that reaches nobody is looked at once, as every other: those after it are not held up.
ALTER TABLE "occurrences" ADD COLUMN "followed_up" uuid[] DEFAULT '{}'::uuid[] NOT NULL;
--> statement-breakpoint
UPDATE "occurrences" o SET "followed_up" = d.ids FROM (
  SELECT occurrence_id, array_agg(DISTINCT mailing_id) AS ids FROM "messages"
  WHERE mailing_id IS NOT NULL AND kind IN ('follow-up-came', 'follow-up-missed') GROUP BY occurrence_id
) d WHERE d.occurrence_id = o.id;
