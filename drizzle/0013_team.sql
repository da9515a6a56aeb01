CREATE TABLE "letters" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"to_name" text NOT NULL,
	"to_email" text NOT NULL,
	"body" jsonb NOT NULL,
	"state" text DEFAULT 'planned' NOT NULL,
	"attempts" integer DEFAULT 0 NOT NULL,
	"due_at" timestamp(3) with time zone NOT NULL,
	"sent_at" timestamp(3) with time zone,
	"message_id" text NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "team_invitations" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"standing" text NOT NULL,
	"invited_by" text,
	"created_at" timestamp(3) with time zone NOT NULL,
	"expires_at" timestamp(3) with time zone NOT NULL,
	"accepted_at" timestamp(3) with time zone,
	"withdrawn_at" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE INDEX "letters_due" ON "letters" USING btree ("due_at") WHERE state = 'planned';--> statement-breakpoint
CREATE INDEX "letters_invitation" ON "letters" USING btree ((body ->> 'invitationId'));--> statement-breakpoint
CREATE INDEX "team_invitations_organisation" ON "team_invitations" USING btree ("organisation_id","created_at");