CREATE TABLE "kit_gear" (
	"id" text NOT NULL,
	"camp_id" text NOT NULL,
	"position" serial NOT NULL,
	"kind" text NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "kit_gear_camp_id_kind_id_pk" PRIMARY KEY("camp_id","kind","id"),
	CONSTRAINT "kit_gear_kind" CHECK ("kit_gear"."kind" in ('roof', 'pegs'))
);
--> statement-breakpoint
ALTER TABLE "kit_gear" ADD CONSTRAINT "kit_gear_camp_id_camps_id_fk" FOREIGN KEY ("camp_id") REFERENCES "public"."camps"("id") ON DELETE cascade ON UPDATE no action;