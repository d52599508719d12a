ALTER TABLE "components" DROP CONSTRAINT "components_one_per_selector";--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "medium_up_to" integer DEFAULT 1023 NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "narrow_up_to" integer DEFAULT 599 NOT NULL;--> statement-breakpoint
-- Of the same component kept from several pages the oldest goes by the selector; the others stay as they are, under one of their own.
UPDATE "components" SET "selector" = "selector" || ' /* ' || "id" || ' */' WHERE EXISTS (SELECT 1 FROM "components" AS "older" WHERE "older"."site_id" = "components"."site_id" AND "older"."kind" = "components"."kind" AND "older"."selector" = "components"."selector" AND ("older"."created_at", "older"."id") < ("components"."created_at", "components"."id"));--> statement-breakpoint
ALTER TABLE "components" ADD CONSTRAINT "components_one_per_site" UNIQUE("site_id","kind","selector");