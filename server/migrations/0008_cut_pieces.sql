ALTER TABLE "camps" ADD COLUMN "tonight" jsonb;--> statement-breakpoint
ALTER TABLE "kit_cords" ADD COLUMN "pieces" jsonb;--> statement-breakpoint
ALTER TABLE "kit_cords" ADD COLUMN "cuts" jsonb;