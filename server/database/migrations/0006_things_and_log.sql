-- The tables before these stay until their rows are carried over: server/store/carryOver.ts drops them then.
CREATE TABLE "log" (
	"received" bigserial PRIMARY KEY NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"job_id" uuid,
	"blade_id" uuid,
	"stone_id" uuid,
	"version" integer NOT NULL,
	"content" jsonb NOT NULL,
	CONSTRAINT "log_id_unique" UNIQUE("id")
);
--> statement-breakpoint
CREATE TABLE "photos" (
	"id" uuid PRIMARY KEY NOT NULL,
	"blade_id" uuid NOT NULL,
	"caption" text NOT NULL,
	"image" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"id" integer PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"content" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "thing_versions" (
	"thing_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"version" integer NOT NULL,
	"content" jsonb NOT NULL,
	CONSTRAINT "thing_versions_thing_id_revision_pk" PRIMARY KEY("thing_id","revision")
);
--> statement-breakpoint
CREATE TABLE "things" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"revision" integer NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"updated_at" timestamp with time zone NOT NULL,
	"archived_at" timestamp with time zone,
	"name" text NOT NULL,
	"version" integer NOT NULL,
	"content" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_blade_id_things_id_fk" FOREIGN KEY ("blade_id") REFERENCES "public"."things"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "thing_versions" ADD CONSTRAINT "thing_versions_thing_id_things_id_fk" FOREIGN KEY ("thing_id") REFERENCES "public"."things"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "log_of_a_job" ON "log" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "log_of_a_blade" ON "log" USING btree ("blade_id");--> statement-breakpoint
CREATE INDEX "things_of_a_kind" ON "things" USING btree ("kind","created_at");