CREATE TABLE "message" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"package_id" uuid,
	"arrival_id" uuid,
	"state" text NOT NULL,
	"known" boolean DEFAULT false NOT NULL,
	"kind" text,
	"message_id" text NOT NULL,
	"references" text[] NOT NULL,
	"sender" text NOT NULL,
	"sender_name" text DEFAULT '' NOT NULL,
	"recipients" text[] NOT NULL,
	"subject" text NOT NULL,
	"language" text NOT NULL,
	"automatic" text,
	"text" text,
	"problem" text,
	"tries" integer DEFAULT 0 NOT NULL,
	"sent_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "message" text;--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "outcome" text DEFAULT 'opening' NOT NULL;--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "maybe_of_id" uuid;--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "told_some_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "told_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "file" ADD COLUMN "arrival_id" uuid;--> statement-breakpoint
ALTER TABLE "integration" ADD COLUMN "source_id" uuid;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_arrival_id_arrival_id_fk" FOREIGN KEY ("arrival_id") REFERENCES "public"."arrival"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "message_package" ON "message" USING btree ("package_id","created_at");--> statement-breakpoint
CREATE INDEX "message_thread" ON "message" USING btree ("organisation_id","message_id");--> statement-breakpoint
CREATE INDEX "message_sender" ON "message" USING btree ("organisation_id","sender");--> statement-breakpoint
CREATE UNIQUE INDEX "message_kind" ON "message" USING btree ("arrival_id","kind");--> statement-breakpoint
ALTER TABLE "arrival" ADD CONSTRAINT "arrival_maybe_of_id_package_id_fk" FOREIGN KEY ("maybe_of_id") REFERENCES "public"."package"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "file" ADD CONSTRAINT "file_arrival_id_arrival_id_fk" FOREIGN KEY ("arrival_id") REFERENCES "public"."arrival"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "integration" ADD CONSTRAINT "integration_source_id_source_id_fk" FOREIGN KEY ("source_id") REFERENCES "public"."source"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "arrival_message" ON "arrival" USING btree ("message");--> statement-breakpoint
CREATE INDEX "file_arrival" ON "file" USING btree ("arrival_id");--> statement-breakpoint
UPDATE "arrival" SET "outcome" = CASE WHEN "package_id" IS NULL THEN 'not taken' ELSE 'taken' END;
