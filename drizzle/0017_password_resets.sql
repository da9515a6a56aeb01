CREATE TABLE "password_resets" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"user_id" text NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL,
	"expires_at" timestamp(3) with time zone NOT NULL,
	"used_at" timestamp(3) with time zone
);
--> statement-breakpoint
ALTER TABLE "mailings" ALTER COLUMN "audience" SET DEFAULT '{"dateId":null,"standing":[],"groups":[],"tags":[],"personIds":[],"except":[],"pasted":"","past":[]}'::jsonb;--> statement-breakpoint
CREATE INDEX "password_resets_user" ON "password_resets" USING btree ("user_id");