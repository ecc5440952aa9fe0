CREATE TABLE "blades" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"name" text NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"owner" text DEFAULT '' NOT NULL,
	"use" text DEFAULT '' NOT NULL,
	"steel" text DEFAULT '' NOT NULL,
	"hardness_hrc" double precision,
	"grind" text NOT NULL,
	"bevels" text NOT NULL,
	"width_mm" double precision NOT NULL,
	"spine_thickness_mm" double precision NOT NULL,
	"thickness_behind_edge_mm" double precision NOT NULL,
	"primary_grind_height_mm" double precision NOT NULL,
	"edge" jsonb NOT NULL,
	"spine" jsonb,
	"handle_length_mm" double precision DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "preferences" (
	"id" integer PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"unit" text NOT NULL,
	"angles" text NOT NULL,
	"side_names" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rigs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"name" text NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"kind" text NOT NULL,
	"jaws" jsonb,
	"rod_length_mm" double precision NOT NULL,
	"pivot" jsonb NOT NULL,
	"pivot_b" jsonb,
	"height" jsonb NOT NULL,
	"tolerance" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "setups" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"name" text NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"rig_id" uuid NOT NULL,
	"blade_id" uuid NOT NULL,
	"stone_id" uuid NOT NULL,
	"held" jsonb NOT NULL,
	"blade_height_tolerance_mm" double precision NOT NULL,
	"dialled" jsonb NOT NULL,
	"wanted" jsonb NOT NULL,
	"look_at_mm" double precision,
	"read" jsonb NOT NULL,
	"proved" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stones" (
	"id" uuid PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"name" text NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"kind" text NOT NULL,
	"grain_um" double precision NOT NULL,
	"face_offset_mm" double precision NOT NULL,
	"face_offset_tolerance_mm" double precision NOT NULL,
	"length_mm" double precision NOT NULL,
	"width_mm" double precision NOT NULL
);
--> statement-breakpoint
ALTER TABLE "setups" ADD CONSTRAINT "setups_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "setups" ADD CONSTRAINT "setups_blade_id_blades_id_fk" FOREIGN KEY ("blade_id") REFERENCES "public"."blades"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "setups" ADD CONSTRAINT "setups_stone_id_stones_id_fk" FOREIGN KEY ("stone_id") REFERENCES "public"."stones"("id") ON DELETE no action ON UPDATE no action;