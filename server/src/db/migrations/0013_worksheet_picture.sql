CREATE TABLE "worksheet_picture" (
	"worksheet_id" uuid PRIMARY KEY NOT NULL,
	"of" text NOT NULL,
	"bytes" "bytea" NOT NULL
);
--> statement-breakpoint
ALTER TABLE "worksheet_picture" ADD CONSTRAINT "worksheet_picture_worksheet_id_worksheet_id_fk" FOREIGN KEY ("worksheet_id") REFERENCES "public"."worksheet"("id") ON DELETE no action ON UPDATE no action;