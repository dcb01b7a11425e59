ALTER TABLE "page" ADD COLUMN "turned" integer;--> statement-breakpoint
ALTER TABLE "page" ADD COLUMN "again" boolean DEFAULT false NOT NULL;