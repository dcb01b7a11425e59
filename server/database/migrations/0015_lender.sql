ALTER TABLE "organisation" ADD COLUMN "country" text;--> statement-breakpoint
ALTER TABLE "organisation" ADD COLUMN "currency" text DEFAULT 'XXX' NOT NULL;--> statement-breakpoint
ALTER TABLE "organisation" ADD COLUMN "date_order" text;--> statement-breakpoint
ALTER TABLE "organisation" ADD COLUMN "languages" text[] DEFAULT '{en}' NOT NULL;--> statement-breakpoint
-- Before, amounts without a sign were in euros and days stood before months, for everybody.
UPDATE "organisation" SET "currency" = 'EUR', "date_order" = 'dmy' WHERE "starter_at" IS NOT NULL;--> statement-breakpoint
-- How a paper writes amounts and days is kept with what was read of it now.
DELETE FROM "reading";
