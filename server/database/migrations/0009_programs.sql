CREATE TABLE "audit_link" (
	"position" bigint PRIMARY KEY NOT NULL,
	"audit_id" bigint NOT NULL,
	"digest" text NOT NULL,
	CONSTRAINT "audit_link_audit_id_unique" UNIQUE("audit_id")
);
--> statement-breakpoint
CREATE TABLE "program" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"program" text NOT NULL,
	"version" integer NOT NULL,
	"body" jsonb NOT NULL,
	"created_by_id" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "program_version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "to_sign" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "flagged" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "finish_asked_by_id" text;--> statement-breakpoint
ALTER TABLE "program" ADD CONSTRAINT "program_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "program" ADD CONSTRAINT "program_created_by_id_user_id_fk" FOREIGN KEY ("created_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "program_version" ON "program" USING btree ("organisation_id","program","version");--> statement-breakpoint
ALTER TABLE "package" ADD CONSTRAINT "package_finish_asked_by_id_user_id_fk" FOREIGN KEY ("finish_asked_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE FUNCTION audit_digest(before text, act_of audit) RETURNS text LANGUAGE sql STABLE AS $$
  SELECT encode(sha256(convert_to(before || json_build_array(act_of.id, to_char(act_of.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), act_of.user_id, act_of.user_name, act_of.package_id, act_of.act, act_of.detail)::text, 'UTF8')), 'hex')
$$;--> statement-breakpoint
CREATE FUNCTION audit_link_on(act_of audit) RETURNS void LANGUAGE plpgsql AS $$
DECLARE last audit_link;
BEGIN
  SELECT * INTO last FROM audit_link ORDER BY position DESC LIMIT 1;
  INSERT INTO audit_link (position, audit_id, digest) VALUES (coalesce(last.position, 0) + 1, act_of.id, audit_digest(coalesce(last.digest, ''), act_of));
END $$;--> statement-breakpoint
CREATE FUNCTION audit_chain() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_advisory_xact_lock(7301);
  PERFORM audit_link_on(NEW);
  RETURN NULL;
END $$;--> statement-breakpoint
DO $$ DECLARE act_of audit; BEGIN FOR act_of IN SELECT * FROM audit ORDER BY id LOOP PERFORM audit_link_on(act_of); END LOOP; END $$;--> statement-breakpoint
CREATE CONSTRAINT TRIGGER audit_chained AFTER INSERT ON "audit" DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION audit_chain();--> statement-breakpoint
CREATE TRIGGER audit_link_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "audit_link" FOR EACH STATEMENT EXECUTE FUNCTION audit_stays();--> statement-breakpoint
DO $$ BEGIN EXECUTE format('REVOKE UPDATE, DELETE, TRUNCATE ON audit, audit_link FROM PUBLIC, %I', current_user); END $$;
