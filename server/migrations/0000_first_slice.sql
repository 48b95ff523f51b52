CREATE TABLE "camps" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"about" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "kit_cords" (
	"id" text NOT NULL,
	"camp_id" text NOT NULL,
	"position" serial NOT NULL,
	"name" text NOT NULL,
	"cord" text NOT NULL,
	"length" double precision NOT NULL,
	"sun" text NOT NULL,
	"wear" text NOT NULL,
	CONSTRAINT "kit_cords_camp_id_id_pk" PRIMARY KEY("camp_id","id"),
	CONSTRAINT "kit_cords_length" CHECK ("kit_cords"."length" >= 0)
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"body" jsonb NOT NULL,
	"required" jsonb NOT NULL,
	"units" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rig_revisions" (
	"id" serial PRIMARY KEY NOT NULL,
	"rig_id" text NOT NULL,
	"version" integer NOT NULL,
	"name" text NOT NULL,
	"note" text NOT NULL,
	"document" jsonb NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rigs" (
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
ALTER TABLE "kit_cords" ADD CONSTRAINT "kit_cords_camp_id_camps_id_fk" FOREIGN KEY ("camp_id") REFERENCES "public"."camps"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rig_revisions" ADD CONSTRAINT "rig_revisions_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rigs" ADD CONSTRAINT "rigs_camp_id_camps_id_fk" FOREIGN KEY ("camp_id") REFERENCES "public"."camps"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "rig_revisions_version" ON "rig_revisions" USING btree ("rig_id","version");--> statement-breakpoint
CREATE INDEX "rigs_camp" ON "rigs" USING btree ("camp_id");