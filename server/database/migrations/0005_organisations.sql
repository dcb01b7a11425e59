CREATE TABLE "organisation" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"case_prefix" text NOT NULL
);
--> statement-breakpoint
INSERT INTO "organisation" ("id", "name", "case_prefix") VALUES ('first', 'First organisation', 'CASE');--> statement-breakpoint
DROP INDEX "package_queue";--> statement-breakpoint
DROP INDEX "package_case";--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "organisation_id" text DEFAULT 'first' NOT NULL;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "organisation_id" text DEFAULT 'first' NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD CONSTRAINT "package_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "user" ADD CONSTRAINT "user_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "package_queue" ON "package" USING btree ("organisation_id","state","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "package_case" ON "package" USING btree ("organisation_id","case_number");