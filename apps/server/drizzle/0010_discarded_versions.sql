ALTER TABLE "trials" DROP CONSTRAINT "trials_component_id_name_unique";--> statement-breakpoint
ALTER TABLE "trials" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
CREATE UNIQUE INDEX "trials_name_of_component" ON "trials" USING btree ("component_id","name") WHERE "trials"."removed_at" is null;