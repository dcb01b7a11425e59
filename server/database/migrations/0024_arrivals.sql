CREATE TABLE "arrival" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"source_id" uuid,
	"integration_id" uuid,
	"identity" text NOT NULL,
	"digest" text NOT NULL,
	"name" text NOT NULL,
	"files" jsonb NOT NULL,
	"size" bigint NOT NULL,
	"package_id" uuid,
	"problem" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "source" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"kind" text NOT NULL,
	"address" text NOT NULL,
	"name" text NOT NULL,
	"program" text,
	"paused" boolean DEFAULT false NOT NULL,
	"problem" text,
	"problem_since" timestamp with time zone,
	"looked_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "arrival" ADD CONSTRAINT "arrival_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arrival" ADD CONSTRAINT "arrival_source_id_source_id_fk" FOREIGN KEY ("source_id") REFERENCES "public"."source"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arrival" ADD CONSTRAINT "arrival_integration_id_integration_id_fk" FOREIGN KEY ("integration_id") REFERENCES "public"."integration"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arrival" ADD CONSTRAINT "arrival_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "source" ADD CONSTRAINT "source_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "arrival_identity" ON "arrival" USING btree ("organisation_id","source_id","identity");--> statement-breakpoint
CREATE INDEX "arrival_organisation" ON "arrival" USING btree ("organisation_id","created_at");--> statement-breakpoint
CREATE INDEX "arrival_digest" ON "arrival" USING btree ("organisation_id","digest");--> statement-breakpoint
CREATE INDEX "arrival_package" ON "arrival" USING btree ("package_id");--> statement-breakpoint
CREATE UNIQUE INDEX "source_address" ON "source" USING btree ("organisation_id","kind","address");