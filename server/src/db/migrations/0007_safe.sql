CREATE TABLE "sent_file" (
	"name" text PRIMARY KEY NOT NULL,
	"file" text NOT NULL,
	"drawn" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sent_part" (
	"version_id" uuid NOT NULL,
	"page_id" uuid NOT NULL,
	"name" text NOT NULL,
	"recipe" jsonb NOT NULL,
	"sets" jsonb
);
--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "bytes" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "epoch" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "slip" ADD COLUMN "made_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "sent_file" ADD CONSTRAINT "sent_file_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sent_part" ADD CONSTRAINT "sent_part_version_id_page_id_worksheet_page_version_id_id_fk" FOREIGN KEY ("version_id","page_id") REFERENCES "public"."worksheet_page"("version_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sent_part_version_id_page_id_index" ON "sent_part" USING btree ("version_id","page_id");--> statement-breakpoint
CREATE INDEX "sent_part_name_index" ON "sent_part" USING btree ("name");