CREATE TABLE "palettes" (
	"owner_id" uuid NOT NULL,
	"site_id" uuid PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"swatches" jsonb NOT NULL,
	"handed_over_as" text NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "palettes" ADD CONSTRAINT "palettes_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "palettes" ADD CONSTRAINT "palettes_owner_id_site_id_sites_owner_id_id_fk" FOREIGN KEY ("owner_id","site_id") REFERENCES "public"."sites"("owner_id","id") ON DELETE cascade ON UPDATE no action;