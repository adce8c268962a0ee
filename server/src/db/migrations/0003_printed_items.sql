CREATE TABLE "page_file" (
	"version_id" uuid NOT NULL,
	"page_id" uuid NOT NULL,
	"file" text NOT NULL,
	CONSTRAINT "page_file_version_id_page_id_file_pk" PRIMARY KEY("version_id","page_id","file")
);
--> statement-breakpoint
CREATE TABLE "worksheet_file" (
	"worksheet_id" uuid NOT NULL,
	"file" text NOT NULL,
	CONSTRAINT "worksheet_file_worksheet_id_file_pk" PRIMARY KEY("worksheet_id","file")
);
--> statement-breakpoint
ALTER TABLE "worksheet_page" DROP CONSTRAINT "worksheet_page_file_file_sha256_fk";
--> statement-breakpoint
DROP INDEX "worksheet_page_file_index";--> statement-breakpoint
ALTER TABLE "worksheet_page" ADD COLUMN "paper_box" jsonb;--> statement-breakpoint
ALTER TABLE "worksheet_page" ADD COLUMN "printed" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "worksheet_page" ADD COLUMN "sets" jsonb;--> statement-breakpoint
ALTER TABLE "worksheet_version" ADD COLUMN "questions" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "worksheet_version" ADD COLUMN "keys" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "worksheet_version" ADD COLUMN "sets" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "worksheet" ADD COLUMN "unit" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "worksheet" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "page_file" ADD CONSTRAINT "page_file_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "page_file" ADD CONSTRAINT "page_file_version_id_page_id_worksheet_page_version_id_id_fk" FOREIGN KEY ("version_id","page_id") REFERENCES "public"."worksheet_page"("version_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worksheet_file" ADD CONSTRAINT "worksheet_file_worksheet_id_worksheet_id_fk" FOREIGN KEY ("worksheet_id") REFERENCES "public"."worksheet"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worksheet_file" ADD CONSTRAINT "worksheet_file_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "page_file_file_index" ON "page_file" USING btree ("file");--> statement-breakpoint
CREATE INDEX "worksheet_file_file_index" ON "worksheet_file" USING btree ("file");--> statement-breakpoint
INSERT INTO page_file SELECT version_id, id, file FROM worksheet_page WHERE file IS NOT NULL;--> statement-breakpoint
INSERT INTO worksheet_file SELECT DISTINCT v.worksheet_id, p.file FROM worksheet_page p
  JOIN worksheet_version v ON v.id = p.version_id WHERE p.file IS NOT NULL;--> statement-breakpoint
ALTER TABLE "worksheet_page" DROP COLUMN "file";--> statement-breakpoint
CREATE TRIGGER page_file_frozen BEFORE INSERT OR UPDATE OR DELETE ON page_file FOR EACH ROW EXECUTE FUNCTION refuse_frozen();