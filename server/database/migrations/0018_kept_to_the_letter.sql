CREATE TABLE "finished_report" (
	"package_id" uuid NOT NULL,
	"round" integer NOT NULL,
	"report" "bytea" NOT NULL,
	"sha256" text NOT NULL,
	"types" jsonb NOT NULL,
	"last_act" bigint NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "finished_report_package_id_round_pk" PRIMARY KEY("package_id","round")
);
--> statement-breakpoint
CREATE TABLE "package_key" (
	"package_id" uuid PRIMARY KEY NOT NULL,
	"key" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rate_limit" (
	"key" varchar(255) PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "organisation_id" text;--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "form" smallint DEFAULT 2 NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "sign_off_kept" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "disabled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "finished_report" ADD CONSTRAINT "finished_report_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_organisation" ON "audit" USING btree ("organisation_id","id");--> statement-breakpoint
-- Acts that were there know no organisation, and keep the digests that they have.
ALTER TABLE "audit" DROP COLUMN "form";--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "form" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "audit" ALTER COLUMN "form" SET DEFAULT 2;--> statement-breakpoint
CREATE OR REPLACE FUNCTION audit_digest(before text, act_of audit) RETURNS text LANGUAGE sql STABLE SET search_path = public, pg_temp AS $$
  SELECT encode(sha256(convert_to(before || CASE act_of.form
    WHEN 1 THEN json_build_array(act_of.id, to_char(act_of.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), act_of.user_id, act_of.user_name, act_of.package_id, act_of.act, act_of.detail)
    ELSE json_build_array(act_of.form, act_of.id, to_char(act_of.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), act_of.user_id, act_of.user_name, act_of.organisation_id, act_of.package_id, act_of.act, act_of.detail)
  END::text, 'UTF8')), 'hex')
$$;--> statement-breakpoint
-- Links are written by this function as the owner of the tables; the application may read them and nothing more.
ALTER FUNCTION audit_chain() SECURITY DEFINER SET search_path = public, pg_temp;--> statement-breakpoint
REVOKE EXECUTE ON FUNCTION audit_link_on(audit) FROM PUBLIC;
