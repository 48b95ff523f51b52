CREATE TABLE "log_entries" (
	"id" text NOT NULL,
	"camp_id" text NOT NULL,
	"position" serial NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"by" text NOT NULL,
	"rig" text,
	"what" jsonb NOT NULL,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "log_entries_camp_id_id_pk" PRIMARY KEY("camp_id","id")
);
--> statement-breakpoint
ALTER TABLE "log_entries" ADD CONSTRAINT "log_entries_camp_id_camps_id_fk" FOREIGN KEY ("camp_id") REFERENCES "public"."camps"("id") ON DELETE cascade ON UPDATE no action;