CREATE TABLE "job_results" (
	"owner_id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"step" integer NOT NULL,
	"result" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "job_results_job_id_step_pk" PRIMARY KEY("job_id","step")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" uuid NOT NULL,
	"site_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"params" jsonb NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"done" integer DEFAULT 0 NOT NULL,
	"of" integer DEFAULT 0 NOT NULL,
	"attempt" integer DEFAULT 0 NOT NULL,
	"beat_at" timestamp with time zone,
	"problem" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "jobs_owner_id_id_unique" UNIQUE("owner_id","id")
);
--> statement-breakpoint
CREATE TABLE "look_revisions" (
	"owner_id" uuid NOT NULL,
	"trial_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"look" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "look_revisions_trial_id_revision_pk" PRIMARY KEY("trial_id","revision")
);
--> statement-breakpoint
ALTER TABLE "job_results" ADD CONSTRAINT "job_results_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_results" ADD CONSTRAINT "job_results_owner_id_job_id_jobs_owner_id_id_fk" FOREIGN KEY ("owner_id","job_id") REFERENCES "public"."jobs"("owner_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_owner_id_site_id_sites_owner_id_id_fk" FOREIGN KEY ("owner_id","site_id") REFERENCES "public"."sites"("owner_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look_revisions" ADD CONSTRAINT "look_revisions_owner_id_owners_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."owners"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look_revisions" ADD CONSTRAINT "look_revisions_owner_id_trial_id_trials_owner_id_id_fk" FOREIGN KEY ("owner_id","trial_id") REFERENCES "public"."trials"("owner_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "jobs_site_id_index" ON "jobs" USING btree ("site_id");--> statement-breakpoint
INSERT INTO "look_revisions" ("owner_id", "trial_id", "revision", "look", "created_at") SELECT "owner_id", "id", "revision", "look", "updated_at" FROM "trials";
