CREATE TABLE "overflow_watchers" (
	"occurrence_id" uuid NOT NULL,
	"watcher" uuid NOT NULL,
	"last_at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "overflow_watchers_occurrence_id_watcher_pk" PRIMARY KEY("occurrence_id","watcher")
);
--> statement-breakpoint
ALTER TABLE "overflow_watchers" ADD CONSTRAINT "overflow_watchers_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "overflow_watchers_date" ON "overflow_watchers" USING btree ("occurrence_id","last_at");--> statement-breakpoint
CREATE INDEX "overflow_watchers_last" ON "overflow_watchers" USING btree ("last_at");