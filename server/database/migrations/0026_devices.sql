CREATE TABLE "identity_check" (
	"package_id" uuid NOT NULL,
	"page" integer NOT NULL,
	"verdict" text,
	"reasons" text[] DEFAULT '{}' NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "identity_check_package_id_page_pk" PRIMARY KEY("package_id","page")
);
--> statement-breakpoint
ALTER TABLE "arrival" ADD COLUMN "button" text;--> statement-breakpoint
ALTER TABLE "source" ADD COLUMN "buttons" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "identity_check" ADD CONSTRAINT "identity_check_package_id_package_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."package"("id") ON DELETE cascade ON UPDATE no action;