CREATE TABLE "blade_photos" (
	"id" uuid PRIMARY KEY NOT NULL,
	"blade_id" uuid NOT NULL,
	"caption" text DEFAULT '' NOT NULL,
	"image" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "blades" ADD COLUMN "choil" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "blade_photos" ADD CONSTRAINT "blade_photos_blade_id_blades_id_fk" FOREIGN KEY ("blade_id") REFERENCES "public"."blades"("id") ON DELETE no action ON UPDATE no action;