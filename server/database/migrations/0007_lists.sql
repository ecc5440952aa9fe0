CREATE INDEX "log_of_a_kind" ON "log" USING btree ("kind","received");--> statement-breakpoint
CREATE INDEX "proofs_on_a_rig" ON "log" USING btree (("content" -> 'cut' ->> 'rigId')) WHERE kind = 'proof';--> statement-breakpoint
CREATE INDEX "things_by_last_change" ON "things" USING btree ("kind",("archived_at" is null),"updated_at" DESC NULLS FIRST,"id" DESC NULLS FIRST);--> statement-breakpoint
CREATE INDEX "things_by_words" ON "things" USING gin (to_tsvector('simple'::regconfig, "name" || ' ' || coalesce("content" ->> 'owner', '')));--> statement-breakpoint
CREATE INDEX "jobs_with_a_blade" ON "things" USING btree (("content" ->> 'bladeId')) WHERE kind = 'jobs';--> statement-breakpoint
CREATE INDEX "jobs_on_a_rig" ON "things" USING btree (("content" ->> 'rigId')) WHERE kind = 'jobs';