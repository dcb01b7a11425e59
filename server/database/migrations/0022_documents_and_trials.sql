CREATE TABLE "trial" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"created_by_id" text,
	"draft" jsonb NOT NULL,
	"state" text DEFAULT 'trying' NOT NULL,
	"packages" integer,
	"tried" integer DEFAULT 0 NOT NULL,
	"differing" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "documents" jsonb;--> statement-breakpoint
ALTER TABLE "trial" ADD CONSTRAINT "trial_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trial" ADD CONSTRAINT "trial_created_by_id_user_id_fk" FOREIGN KEY ("created_by_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "trial_organisation" ON "trial" USING btree ("organisation_id","created_at");