CREATE TABLE "last_edges" (
	"blade_id" uuid PRIMARY KEY NOT NULL,
	"job_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" text,
	"usual_days" double precision,
	"dull_from" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "record_words" (
	"id" uuid PRIMARY KEY NOT NULL,
	"words" "tsvector" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "standings" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"standing" text NOT NULL
);
--> statement-breakpoint
DROP INDEX "things_by_words";--> statement-breakpoint
DROP INDEX "proofs_on_a_rig";--> statement-breakpoint
DROP INDEX "jobs_with_a_blade";--> statement-breakpoint
ALTER TABLE "thing_versions" ADD COLUMN "until" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "records_by_words" ON "record_words" USING gin ("words");--> statement-breakpoint
CREATE INDEX "jobs_standing_so" ON "standings" USING btree ("standing");--> statement-breakpoint
CREATE INDEX "jobs_wanted_back" ON "things" USING btree (("content" ->> 'dueOn')) WHERE kind = 'jobs' and archived_at is null and content ->> 'dueOn' is not null;--> statement-breakpoint
CREATE INDEX "blades_of_an_owner" ON "things" USING btree (("content" ->> 'owner')) WHERE kind = 'blades';--> statement-breakpoint
CREATE INDEX "proofs_on_a_rig" ON "log" USING btree (coalesce("content" -> 'setup' ->> 'rigId', "content" -> 'cut' ->> 'rigId')) WHERE kind = 'proof';--> statement-breakpoint
CREATE INDEX "jobs_with_a_blade" ON "things" USING btree (("content" ->> 'bladeId'),"updated_at") WHERE kind = 'jobs';--> statement-breakpoint
CREATE FUNCTION "note_words"("ids" uuid[]) RETURNS void LANGUAGE sql AS $$
	INSERT INTO "record_words" ("id", "words")
	SELECT "one"."id", to_tsvector('simple'::regconfig, concat_ws(' ', "one"."name", "one"."content" ->> 'owner', "one"."content" ->> 'use',
		"blade"."name", "blade"."content" ->> 'owner', "blade"."content" ->> 'use', "rig"."name"))
	FROM "things" "one"
	LEFT JOIN "things" "blade" ON "one"."kind" = 'jobs' AND "blade"."kind" = 'blades' AND "blade"."id" =
		CASE WHEN "one"."content" ->> 'bladeId' ~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$' THEN ("one"."content" ->> 'bladeId')::uuid END
	LEFT JOIN "things" "rig" ON "one"."kind" = 'jobs' AND "rig"."kind" = 'rigs' AND "rig"."id" =
		CASE WHEN "one"."content" ->> 'rigId' ~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$' THEN ("one"."content" ->> 'rigId')::uuid END
	WHERE "one"."id" = ANY ("ids")
	ON CONFLICT ("id") DO UPDATE SET "words" = excluded."words"
$$;--> statement-breakpoint
CREATE FUNCTION "words_written"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	PERFORM note_words(ARRAY[new."id"]);
	-- A job is found by the words of its blade and its rig.
	IF tg_op = 'UPDATE' AND new."kind" = 'blades' THEN
		PERFORM note_words(ARRAY(SELECT "id" FROM "things" WHERE kind = 'jobs' AND "content" ->> 'bladeId' = new."id"::text));
	ELSIF tg_op = 'UPDATE' AND new."kind" = 'rigs' THEN
		PERFORM note_words(ARRAY(SELECT "id" FROM "things" WHERE kind = 'jobs' AND "content" ->> 'rigId' = new."id"::text));
	END IF;
	RETURN NULL;
END $$;--> statement-breakpoint
CREATE FUNCTION "words_gone"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	DELETE FROM "record_words" WHERE "id" = old."id";
	RETURN NULL;
END $$;--> statement-breakpoint
CREATE TRIGGER "words_written" AFTER INSERT OR UPDATE OF "name", "content" ON "things" FOR EACH ROW EXECUTE FUNCTION "words_written"();--> statement-breakpoint
CREATE TRIGGER "words_gone" AFTER DELETE ON "things" FOR EACH ROW EXECUTE FUNCTION "words_gone"();--> statement-breakpoint
SELECT note_words(ARRAY(SELECT "id" FROM "things"));
