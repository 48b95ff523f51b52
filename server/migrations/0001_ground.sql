CREATE TABLE "place_revisions" (
	"id" serial PRIMARY KEY NOT NULL,
	"place_id" text NOT NULL,
	"version" integer NOT NULL,
	"name" text NOT NULL,
	"note" text NOT NULL,
	"document" jsonb NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "places" (
	"id" text PRIMARY KEY NOT NULL,
	"camp_id" text NOT NULL,
	"position" serial NOT NULL,
	"name" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"document" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "calibrations" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "place_revisions" ADD CONSTRAINT "place_revisions_place_id_places_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."places"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "places" ADD CONSTRAINT "places_camp_id_camps_id_fk" FOREIGN KEY ("camp_id") REFERENCES "public"."camps"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "place_revisions_version" ON "place_revisions" USING btree ("place_id","version");--> statement-breakpoint
CREATE INDEX "places_camp" ON "places" USING btree ("camp_id");