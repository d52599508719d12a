CREATE TABLE "page_geometries" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" uuid NOT NULL,
	"page_id" uuid NOT NULL,
	"edition" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"opened" text DEFAULT '' NOT NULL,
	"geometry" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "page_geometries_one" UNIQUE("page_id","edition","width","height","opened")
);
--> statement-breakpoint
CREATE TABLE "pixel_fields" (
	"owner_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"bytes" "bytea",
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "pixel_fields_owner_id_hash_pk" PRIMARY KEY("owner_id","hash")
);
--> statement-breakpoint
ALTER TABLE "page_geometries" ADD CONSTRAINT "page_geometries_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "page_geometries" ADD CONSTRAINT "page_geometries_owner_id_page_id_pages_owner_id_id_fk" FOREIGN KEY ("owner_id","page_id") REFERENCES "public"."pages"("owner_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pixel_fields" ADD CONSTRAINT "pixel_fields_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pixel_fields" ADD CONSTRAINT "pixel_fields_owner_id_hash_blobs_owner_id_hash_fk" FOREIGN KEY ("owner_id","hash") REFERENCES "public"."blobs"("owner_id","hash") ON DELETE cascade ON UPDATE no action;