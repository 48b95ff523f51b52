ALTER TABLE "kit_gear" DROP CONSTRAINT "kit_gear_kind";--> statement-breakpoint
UPDATE "kit_gear" SET "kind" = 'roofs' WHERE "kind" = 'roof';--> statement-breakpoint
ALTER TABLE "kit_gear" ADD CONSTRAINT "kit_gear_kind" CHECK ("kit_gear"."kind" in ('roofs', 'pegs', 'beds', 'straps'));
