ALTER TABLE "organisation" ADD COLUMN "colour" text;--> statement-breakpoint
ALTER TABLE "request" ADD COLUMN "edition" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "request" ADD COLUMN "changed_by_id" text;--> statement-breakpoint
ALTER TABLE "request" ADD CONSTRAINT "request_changed_by_id_user_id_fk" FOREIGN KEY ("changed_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;