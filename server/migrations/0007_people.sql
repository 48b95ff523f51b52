ALTER TABLE "kit_cords" ADD COLUMN "gone" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "kit_gear" ADD COLUMN "gone" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "position" serial NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "gone" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "places" ADD COLUMN "gone" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "gone" boolean DEFAULT false NOT NULL;--> statement-breakpoint
-- until now one person measured: what was paced says so from here on, so that another's pace never stands in
UPDATE "rigs" SET "document" = jsonb_set("document", '{span,by}', jsonb_build_object('id', p."id", 'name', p."name", 'pace', p."body"->'pace', 'paceSpread', p."body"->'paceSpread'))
FROM (SELECT * FROM "people" LIMIT 1) p WHERE "document"#>>'{span,how}' = 'paces';--> statement-breakpoint
UPDATE "rig_revisions" SET "document" = jsonb_set("document", '{span,by}', jsonb_build_object('id', p."id", 'name', p."name", 'pace', p."body"->'pace', 'paceSpread', p."body"->'paceSpread'))
FROM (SELECT * FROM "people" LIMIT 1) p WHERE "document"#>>'{span,how}' = 'paces';--> statement-breakpoint
UPDATE "places" SET "document" = "document" || jsonb_build_object(
  'measurers', jsonb_build_array(jsonb_build_object('id', p."id", 'name', p."name", 'body', p."body", 'calibrations', p."calibrations")),
  'measures', (SELECT jsonb_agg(CASE WHEN m->>'how' IN ('paces', 'feet', 'spans') THEN m || jsonb_build_object('by', p."id") ELSE m END ORDER BY n) FROM jsonb_array_elements("document"->'measures') WITH ORDINALITY AS t(m, n)))
FROM (SELECT * FROM "people" LIMIT 1) p WHERE jsonb_path_exists("document", '$.measures[*] ? (@.how == "paces" || @.how == "feet" || @.how == "spans")');--> statement-breakpoint
UPDATE "place_revisions" SET "document" = "document" || jsonb_build_object(
  'measurers', jsonb_build_array(jsonb_build_object('id', p."id", 'name', p."name", 'body', p."body", 'calibrations', p."calibrations")),
  'measures', (SELECT jsonb_agg(CASE WHEN m->>'how' IN ('paces', 'feet', 'spans') THEN m || jsonb_build_object('by', p."id") ELSE m END ORDER BY n) FROM jsonb_array_elements("document"->'measures') WITH ORDINALITY AS t(m, n)))
FROM (SELECT * FROM "people" LIMIT 1) p WHERE jsonb_path_exists("document", '$.measures[*] ? (@.how == "paces" || @.how == "feet" || @.how == "spans")');
