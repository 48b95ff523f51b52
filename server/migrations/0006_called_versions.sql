ALTER TABLE "place_revisions" ADD COLUMN "called" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "rig_revisions" ADD COLUMN "called" text DEFAULT '' NOT NULL;