-- Pages as they are stored take the names of today; what was read of documents by the old ones is read anew.
UPDATE "page" SET "body" = ("body" - 'lean' - 'poor' - 'closer' - 'words')
  || jsonb_build_object('skew', "body"->'lean', 'qualityProblem', "body"->'poor', 'words', replace(("body"->'words')::text, '"sure":', '"confidence":')::jsonb)
  || CASE WHEN "body" ? 'closer' THEN '{"regionsRetried": true}'::jsonb ELSE '{}'::jsonb END
  WHERE "body" IS NOT NULL;--> statement-breakpoint
DELETE FROM "reading";
