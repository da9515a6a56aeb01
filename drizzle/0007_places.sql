CREATE TABLE "date_places" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"taken" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "date_places" ADD CONSTRAINT "date_places_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
INSERT INTO "date_places" ("occurrence_id", "organisation_id", "taken")
SELECT o.id, o.organisation_id, count(t.id)
FROM "occurrences" o LEFT JOIN "tickets" t ON t.occurrence_id = o.id AND t.role = 'attendee' AND t.status = 'registered'
GROUP BY o.id;
--> statement-breakpoint
CREATE FUNCTION places_begin() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO date_places (occurrence_id, organisation_id) SELECT id, organisation_id FROM new_rows ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER occurrences_places AFTER INSERT ON "occurrences" REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION places_begin();
--> statement-breakpoint
-- one function a kind of change: a trigger sees the rows only of its own kind. The rows are locked in the order of
-- their ids, so that two statements over several dates never wait for each other in a circle.
CREATE FUNCTION places_add(dates uuid[], steps integer[]) RETURNS void LANGUAGE sql AS $$
  WITH step AS (SELECT d, sum(n)::int AS n FROM unnest(dates, steps) AS s(d, n) GROUP BY d HAVING sum(n) <> 0),
    held AS (SELECT p.occurrence_id FROM date_places p JOIN step ON step.d = p.occurrence_id ORDER BY p.occurrence_id FOR NO KEY UPDATE OF p)
  UPDATE date_places p SET taken = p.taken + step.n FROM step, held WHERE p.occurrence_id = step.d AND held.occurrence_id = p.occurrence_id;
$$;
--> statement-breakpoint
CREATE FUNCTION places_inserted() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM places_add(array_agg(occurrence_id), array_agg(1)) FROM new_rows
    WHERE role = 'attendee' AND status = 'registered' AND occurrence_id IS NOT NULL;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION places_deleted() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM places_add(array_agg(occurrence_id), array_agg(-1)) FROM old_rows
    WHERE role = 'attendee' AND status = 'registered' AND occurrence_id IS NOT NULL;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION places_updated() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM places_add(array_agg(d), array_agg(n)) FROM (
    SELECT occurrence_id AS d, 1 AS n FROM new_rows WHERE role = 'attendee' AND status = 'registered' AND occurrence_id IS NOT NULL
    UNION ALL
    SELECT occurrence_id, -1 FROM old_rows WHERE role = 'attendee' AND status = 'registered' AND occurrence_id IS NOT NULL
  ) AS both_sides;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER tickets_places_inserted AFTER INSERT ON "tickets" REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION places_inserted();
--> statement-breakpoint
CREATE TRIGGER tickets_places_deleted AFTER DELETE ON "tickets" REFERENCING OLD TABLE AS old_rows FOR EACH STATEMENT EXECUTE FUNCTION places_deleted();
--> statement-breakpoint
CREATE TRIGGER tickets_places_updated AFTER UPDATE ON "tickets" REFERENCING OLD TABLE AS old_rows NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION places_updated();
