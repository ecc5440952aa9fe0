CREATE TABLE "last_edges" (
	"blade_id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" text,
	"usual_days" double precision
);
--> statement-breakpoint
CREATE TABLE "standings" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"standing" text NOT NULL
);
--> statement-breakpoint
DROP INDEX "jobs_with_a_blade";--> statement-breakpoint
CREATE INDEX "jobs_standing_so" ON "standings" USING btree ("standing");--> statement-breakpoint
CREATE INDEX "jobs_wanted_back" ON "things" USING btree (("content" ->> 'dueOn')) WHERE kind = 'jobs' and archived_at is null and content ->> 'dueOn' is not null;--> statement-breakpoint
CREATE INDEX "blades_of_an_owner" ON "things" USING btree (("content" ->> 'owner')) WHERE kind = 'blades';--> statement-breakpoint
CREATE INDEX "jobs_with_a_blade" ON "things" USING btree (("content" ->> 'bladeId'),"updated_at") WHERE kind = 'jobs';