CREATE TABLE "mail" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"student_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"copy_id" uuid NOT NULL,
	"about" text NOT NULL,
	"of" text NOT NULL,
	"address" text NOT NULL,
	"subject" text NOT NULL,
	"words" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"sent_at" timestamp with time zone,
	"tries" integer DEFAULT 0 NOT NULL,
	"tried_at" timestamp with time zone,
	"trouble" text,
	CONSTRAINT "mail_student_id_copy_id_about_of_unique" UNIQUE("student_id","copy_id","about","of")
);
--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "handed_back_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "copy_member" ADD COLUMN "given_at" timestamp with time zone;--> statement-breakpoint
-- What was given before is no news to anybody.
ALTER TABLE "copy_member" ALTER COLUMN "given_at" SET DEFAULT now();--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "mail" text;--> statement-breakpoint
ALTER TABLE "mail" ADD CONSTRAINT "mail_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mail" ADD CONSTRAINT "mail_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mail" ADD CONSTRAINT "mail_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "mail_class_id_made_at_index" ON "mail" USING btree ("class_id","made_at");--> statement-breakpoint
CREATE INDEX "mail_made_at_index" ON "mail" USING btree ("made_at");--> statement-breakpoint
CREATE INDEX "copy_handed_back_at_index" ON "copy" USING btree ("handed_back_at");--> statement-breakpoint
CREATE INDEX "copy_member_given_at_index" ON "copy_member" USING btree ("given_at");