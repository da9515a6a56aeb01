CREATE TABLE "hand_out_takings" (
	"hand_out_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "hand_out_takings_hand_out_id_ticket_id_pk" PRIMARY KEY("hand_out_id","ticket_id")
);
--> statement-breakpoint
ALTER TABLE "hand_out_takings" ADD CONSTRAINT "hand_out_takings_hand_out_id_hand_outs_id_fk" FOREIGN KEY ("hand_out_id") REFERENCES "public"."hand_outs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "hand_out_takings_ticket" ON "hand_out_takings" USING btree ("ticket_id");