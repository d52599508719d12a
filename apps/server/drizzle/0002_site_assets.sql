CREATE TABLE "site_assets" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" uuid NOT NULL,
	"site_id" uuid NOT NULL,
	"name" text NOT NULL,
	"address" text NOT NULL,
	"hash" text NOT NULL,
	"content_type" text NOT NULL,
	"size" integer NOT NULL,
	"origin" text NOT NULL,
	"picture" jsonb,
	"font" jsonb,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "site_assets_owner_id_id_unique" UNIQUE("owner_id","id"),
	CONSTRAINT "site_assets_one_per_address" UNIQUE("site_id","address")
);
--> statement-breakpoint
ALTER TABLE "site_assets" ADD CONSTRAINT "site_assets_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "site_assets" ADD CONSTRAINT "site_assets_owner_id_site_id_sites_owner_id_id_fk" FOREIGN KEY ("owner_id","site_id") REFERENCES "public"."sites"("owner_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "site_assets" ADD CONSTRAINT "site_assets_owner_id_hash_blobs_owner_id_hash_fk" FOREIGN KEY ("owner_id","hash") REFERENCES "public"."blobs"("owner_id","hash") ON DELETE no action ON UPDATE no action;