CREATE TABLE "document_type" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"type" text NOT NULL,
	"version" integer NOT NULL,
	"body" jsonb NOT NULL,
	"created_by_id" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "learnt_label" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"type" text NOT NULL,
	"field" text NOT NULL,
	"wording" text NOT NULL,
	"package_id" uuid,
	"page" integer NOT NULL,
	"taught_by_id" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"removed_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "taught_change" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"label_id" bigint NOT NULL,
	"package_id" uuid NOT NULL,
	"page" integer NOT NULL,
	"field" text NOT NULL,
	"before" text NOT NULL,
	"after" text NOT NULL,
	"settled" boolean NOT NULL
);
--> statement-breakpoint
ALTER TABLE "document_type" ADD CONSTRAINT "document_type_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "document_type" ADD CONSTRAINT "document_type_created_by_id_user_id_fk" FOREIGN KEY ("created_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "learnt_label" ADD CONSTRAINT "learnt_label_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "learnt_label" ADD CONSTRAINT "learnt_label_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "learnt_label" ADD CONSTRAINT "learnt_label_taught_by_id_user_id_fk" FOREIGN KEY ("taught_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "taught_change" ADD CONSTRAINT "taught_change_label_id_learnt_label_id_fk" FOREIGN KEY ("label_id") REFERENCES "public"."learnt_label"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "taught_change" ADD CONSTRAINT "taught_change_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "document_type_version" ON "document_type" USING btree ("organisation_id","type","version");--> statement-breakpoint
CREATE INDEX "learnt_label_type" ON "learnt_label" USING btree ("organisation_id","type","id");--> statement-breakpoint
CREATE INDEX "taught_change_label" ON "taught_change" USING btree ("label_id");