CREATE TABLE "coming_file" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"request_id" uuid NOT NULL,
	"item" text,
	"name" text NOT NULL,
	"size" bigint NOT NULL,
	"offset" bigint DEFAULT 0 NOT NULL,
	"arrival_id" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "request" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"package_id" uuid NOT NULL,
	"state" text DEFAULT 'draft' NOT NULL,
	"language" text NOT NULL,
	"recipient" text DEFAULT '' NOT NULL,
	"opening" text DEFAULT '' NOT NULL,
	"closing" text DEFAULT '' NOT NULL,
	"due" date,
	"choices" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"added" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"items" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"link_salt" text,
	"token_hash" text,
	"link_ends" timestamp with time zone,
	"opened_at" timestamp with time zone,
	"created_by_id" text,
	"sent_by_id" text,
	"sent_at" timestamp with time zone,
	"remind_at" timestamp with time zone,
	"reminders" integer DEFAULT 0 NOT NULL,
	"ended_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "request_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "statement" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"request_id" uuid NOT NULL,
	"item" text NOT NULL,
	"kind" text NOT NULL,
	"text" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "task" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"package_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"cause" text NOT NULL,
	"reason" text NOT NULL,
	"place" text NOT NULL,
	"right" text,
	"owner_id" text,
	"due" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	"ended_by_id" text
);
--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "request_id" uuid;--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "request_item" text;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "request_id" uuid;--> statement-breakpoint
ALTER TABLE "coming_file" ADD CONSTRAINT "coming_file_request_id_request_id_fk" FOREIGN KEY ("request_id") REFERENCES "public"."request"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "coming_file" ADD CONSTRAINT "coming_file_arrival_id_arrival_id_fk" FOREIGN KEY ("arrival_id") REFERENCES "public"."arrival"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "request" ADD CONSTRAINT "request_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "request" ADD CONSTRAINT "request_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "request" ADD CONSTRAINT "request_created_by_id_user_id_fk" FOREIGN KEY ("created_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "request" ADD CONSTRAINT "request_sent_by_id_user_id_fk" FOREIGN KEY ("sent_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "statement" ADD CONSTRAINT "statement_request_id_request_id_fk" FOREIGN KEY ("request_id") REFERENCES "public"."request"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "task" ADD CONSTRAINT "task_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "task" ADD CONSTRAINT "task_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "task" ADD CONSTRAINT "task_owner_id_user_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "task" ADD CONSTRAINT "task_ended_by_id_user_id_fk" FOREIGN KEY ("ended_by_id") REFERENCES "public"."user"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "coming_file_request" ON "coming_file" USING btree ("request_id");--> statement-breakpoint
CREATE INDEX "request_package" ON "request" USING btree ("package_id","created_at");--> statement-breakpoint
CREATE INDEX "request_remind" ON "request" USING btree ("remind_at");--> statement-breakpoint
CREATE UNIQUE INDEX "request_draft" ON "request" USING btree ("package_id") WHERE "request"."state" in ('draft', 'to sign');--> statement-breakpoint
CREATE INDEX "statement_request" ON "statement" USING btree ("request_id","id");--> statement-breakpoint
CREATE INDEX "task_open" ON "task" USING btree ("organisation_id","created_at") WHERE "task"."ended_at" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "task_cause" ON "task" USING btree ("package_id","kind","cause") WHERE "task"."ended_at" is null;--> statement-breakpoint
ALTER TABLE "arrival" ADD CONSTRAINT "arrival_request_id_request_id_fk" FOREIGN KEY ("request_id") REFERENCES "public"."request"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_request_id_request_id_fk" FOREIGN KEY ("request_id") REFERENCES "public"."request"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "arrival_request" ON "arrival" USING btree ("request_id");