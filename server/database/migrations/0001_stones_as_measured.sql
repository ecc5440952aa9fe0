ALTER TABLE "stones" ADD COLUMN "grit" jsonb;--> statement-breakpoint
ALTER TABLE "stones" ADD COLUMN "face_offset_ends" jsonb;--> statement-breakpoint
ALTER TABLE "stones" ADD COLUMN "lubricant" text DEFAULT '' NOT NULL;