CREATE TABLE "notice" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"body" jsonb NOT NULL,
	"is_on" boolean DEFAULT false NOT NULL,
	"tried_at" timestamp with time zone,
	"changed_by_id" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "notice_told" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"notice_id" uuid NOT NULL,
	"package_id" uuid NOT NULL,
	"document" text NOT NULL,
	"page" integer NOT NULL,
	"text" text NOT NULL,
	"due" date,
	"lead" boolean NOT NULL,
	"post" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "attachments" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "package" ADD COLUMN "goes_first" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "notice" ADD CONSTRAINT "notice_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "notice" ADD CONSTRAINT "notice_changed_by_id_user_id_fk" FOREIGN KEY ("changed_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "notice_told" ADD CONSTRAINT "notice_told_notice_id_notice_id_fk" FOREIGN KEY ("notice_id") REFERENCES "public"."notice"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "notice_told" ADD CONSTRAINT "notice_told_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "notice_organisation" ON "notice" USING btree ("organisation_id","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "notice_told_once" ON "notice_told" USING btree ("notice_id","package_id","document");--> statement-breakpoint
CREATE INDEX "notice_told_package" ON "notice_told" USING btree ("package_id");