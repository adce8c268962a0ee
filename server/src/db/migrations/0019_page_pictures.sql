CREATE TABLE "page_picture" (
	"copy_id" uuid NOT NULL,
	"page_id" uuid NOT NULL,
	"of" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "page_picture_copy_id_page_id_pk" PRIMARY KEY("copy_id","page_id")
);
--> statement-breakpoint
ALTER TABLE "page_picture" ADD CONSTRAINT "page_picture_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;