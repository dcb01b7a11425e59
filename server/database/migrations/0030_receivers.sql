CREATE TABLE "receiver" (
	"organisation_id" text DEFAULT 'first' NOT NULL,
	"id" text NOT NULL,
	"body" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "receiver_organisation_id_id_pk" PRIMARY KEY("organisation_id","id")
);
--> statement-breakpoint
ALTER TABLE "receiver" ADD CONSTRAINT "receiver_organisation_id_organisation_id_fk" FOREIGN KEY ("organisation_id") REFERENCES "public"."organisation"("id") ON DELETE no action ON UPDATE no action;