CREATE TABLE "failed_job" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"organisation_id" text,
	"package_id" uuid,
	"task" text NOT NULL,
	"payload" jsonb NOT NULL,
	"error" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "retention" (
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"program" text NOT NULL,
	"days" integer NOT NULL,
	CONSTRAINT "retention_organisation_id_program_pk" PRIMARY KEY("organisation_id","program")
);
--> statement-breakpoint
ALTER TABLE "chunk" ADD COLUMN "kept_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "held_because" text;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "erase_asked_by_id" text;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "erase_reason" text;--> statement-breakpoint
ALTER TABLE "failed_job" ADD CONSTRAINT "failed_job_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "failed_job" ADD CONSTRAINT "failed_job_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "retention" ADD CONSTRAINT "retention_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "failed_job_organisation" ON "failed_job" USING btree ("organisation_id","id");--> statement-breakpoint
ALTER TABLE "package" ADD CONSTRAINT "package_erase_asked_by_id_user_id_fk" FOREIGN KEY ("erase_asked_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;