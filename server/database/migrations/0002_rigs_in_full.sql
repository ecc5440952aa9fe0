CREATE TABLE "rig_versions" (
	"rig_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"content" jsonb NOT NULL,
	CONSTRAINT "rig_versions_rig_id_revision_pk" PRIMARY KEY("rig_id","revision")
);
--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "more_jaws" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "stops" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "position_marks" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "stroke" jsonb;--> statement-breakpoint
ALTER TABLE "rigs" ADD COLUMN "pivot_play_mm" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "rig_revision" integer;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "jaws_name" text;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "hold_tolerance" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "progression" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "gauge_zero" text DEFAULT 'centre-plane' NOT NULL;--> statement-breakpoint
ALTER TABLE "stones" ADD COLUMN "dish_mm" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "stones" ADD COLUMN "worn_out_at_mm" double precision;--> statement-breakpoint
ALTER TABLE "stones" ADD COLUMN "log" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "rig_versions" ADD CONSTRAINT "rig_versions_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
UPDATE "setups" SET "rig_revision" = (SELECT "revision" FROM "rigs" WHERE "rigs"."id" = "setups"."rig_id");
