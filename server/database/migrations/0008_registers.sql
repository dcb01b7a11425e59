CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
CREATE TABLE "register_row" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"kind" text NOT NULL,
	"key" text,
	"name" text NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "register_row" ADD CONSTRAINT "register_row_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "register_row_key" ON "register_row" USING btree ("organisation_id","kind","key");--> statement-breakpoint
CREATE INDEX "register_row_name" ON "register_row" USING gin ("name" gin_trgm_ops);