CREATE TABLE "page_changes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" uuid NOT NULL,
	"page_id" uuid NOT NULL,
	"kind" text,
	"name" text NOT NULL,
	"locator" jsonb NOT NULL,
	"place" text NOT NULL,
	"html" text NOT NULL,
	"css" text NOT NULL,
	"before" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "page_changes_owner_id_id_unique" UNIQUE("owner_id","id")
);
--> statement-breakpoint
ALTER TABLE "page_changes" ADD CONSTRAINT "page_changes_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "page_changes" ADD CONSTRAINT "page_changes_owner_id_page_id_pages_owner_id_id_fk" FOREIGN KEY ("owner_id","page_id") REFERENCES "public"."pages"("owner_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "page_changes_page_id_index" ON "page_changes" USING btree ("page_id");