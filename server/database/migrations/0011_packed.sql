ALTER TABLE "package" ADD COLUMN "types" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
UPDATE "package" SET "types" = coalesce((SELECT array_agg(DISTINCT document->>'type') FROM jsonb_array_elements("assessment"->'documents') document), '{}') WHERE "assessment" IS NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ALTER COLUMN "assessment" SET DATA TYPE bytea USING convert_to("assessment"::text, 'UTF8');--> statement-breakpoint
ALTER TABLE "package" ALTER COLUMN "assessment" SET STORAGE EXTERNAL;
