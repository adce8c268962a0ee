CREATE TABLE "arriving_attachment" (
	"id" uuid PRIMARY KEY NOT NULL,
	"copy_id" uuid NOT NULL,
	"author_id" uuid NOT NULL,
	"body" uuid NOT NULL,
	"size" integer NOT NULL,
	"arrived" integer NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "recording" RENAME TO "attachment";--> statement-breakpoint
ALTER TABLE "attachment" DROP CONSTRAINT "recording_copy_id_copy_id_fk";
--> statement-breakpoint
ALTER TABLE "attachment" DROP CONSTRAINT "recording_author_id_person_id_fk";
--> statement-breakpoint
ALTER TABLE "attachment" DROP CONSTRAINT "recording_file_file_sha256_fk";
--> statement-breakpoint
ALTER TABLE "arriving_attachment" ADD CONSTRAINT "arriving_attachment_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arriving_attachment" ADD CONSTRAINT "arriving_attachment_author_id_person_id_fk" FOREIGN KEY ("author_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachment" ADD CONSTRAINT "attachment_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachment" ADD CONSTRAINT "attachment_author_id_person_id_fk" FOREIGN KEY ("author_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachment" ADD CONSTRAINT "attachment_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;