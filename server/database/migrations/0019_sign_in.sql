DROP TABLE "sign_in_attempt" CASCADE;--> statement-breakpoint
ALTER TABLE "rule" ADD COLUMN "draft" jsonb;