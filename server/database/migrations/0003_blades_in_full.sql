ALTER TABLE "blades" ADD COLUMN "complaint" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "coating" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "false_edge" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "spine_thickness_tip_mm" double precision;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "thickness_behind_edge_tip_mm" double precision;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "bevel_deg" jsonb;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "shape" jsonb;--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "zones" jsonb;