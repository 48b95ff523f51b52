CREATE TABLE "rig_verdicts" (
	"rig_id" text PRIMARY KEY NOT NULL,
	"of" text NOT NULL,
	"verdict" jsonb NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "camps" ADD COLUMN "away" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "rig_verdicts" ADD CONSTRAINT "rig_verdicts_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE cascade ON UPDATE no action;