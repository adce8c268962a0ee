CREATE TABLE "copy_member" (
	"copy_id" uuid NOT NULL,
	"handout_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"pages" jsonb,
	"left_at" timestamp with time zone,
	CONSTRAINT "copy_member_copy_id_student_id_pk" PRIMARY KEY("copy_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "grouping" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"class_id" uuid NOT NULL,
	"name" text NOT NULL,
	"groups" jsonb NOT NULL,
	CONSTRAINT "grouping_class_id_name_unique" UNIQUE("class_id","name")
);
--> statement-breakpoint
CREATE TABLE "handout_change" (
	"handout_id" uuid NOT NULL,
	"page_id" uuid NOT NULL,
	"what" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "handout_change_handout_id_page_id_pk" PRIMARY KEY("handout_id","page_id")
);
--> statement-breakpoint
CREATE TABLE "join_request" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"class_id" uuid NOT NULL,
	"name" text NOT NULL,
	"secret_hash" text NOT NULL,
	"asked_at" timestamp with time zone DEFAULT now() NOT NULL,
	"answered_at" timestamp with time zone,
	"student_id" uuid
);
--> statement-breakpoint
CREATE TABLE "slip" (
	"student_id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	CONSTRAINT "slip_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "spoken_direction" (
	"id" uuid PRIMARY KEY NOT NULL,
	"teacher_id" uuid NOT NULL,
	"file" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "copy" DROP CONSTRAINT "copy_handout_id_student_id_unique";--> statement-breakpoint
ALTER TABLE "handout" DROP CONSTRAINT "handout_teacher_id_request_unique";--> statement-breakpoint
ALTER TABLE "copy" DROP CONSTRAINT "copy_student_id_person_id_fk";
--> statement-breakpoint
DROP INDEX "copy_student_id_index";--> statement-breakpoint
ALTER TABLE "worksheet_version" ALTER COLUMN "number" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "name" text;--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "set_id" uuid;--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "dealt" jsonb;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "unit" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "way" text DEFAULT 'own' NOT NULL;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "whole_class" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "deal" jsonb;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "spoken" uuid;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "spoken_seconds" double precision;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "counts" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "touch_all" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "opens_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "withdrawn_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "roster_id" text;--> statement-breakpoint
ALTER TABLE "copy_member" ADD CONSTRAINT "copy_member_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "copy_member" ADD CONSTRAINT "copy_member_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "grouping" ADD CONSTRAINT "grouping_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handout_change" ADD CONSTRAINT "handout_change_handout_id_handout_id_fk" FOREIGN KEY ("handout_id") REFERENCES "public"."handout"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "join_request" ADD CONSTRAINT "join_request_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "join_request" ADD CONSTRAINT "join_request_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slip" ADD CONSTRAINT "slip_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "spoken_direction" ADD CONSTRAINT "spoken_direction_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "spoken_direction" ADD CONSTRAINT "spoken_direction_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "copy_member_handout_id_student_id_index" ON "copy_member" USING btree ("handout_id","student_id") WHERE left_at IS NULL;--> statement-breakpoint
CREATE INDEX "copy_member_student_id_index" ON "copy_member" USING btree ("student_id");--> statement-breakpoint
CREATE INDEX "join_request_class_id_index" ON "join_request" USING btree ("class_id");--> statement-breakpoint
ALTER TABLE "handout" ADD CONSTRAINT "handout_spoken_spoken_direction_id_fk" FOREIGN KEY ("spoken") REFERENCES "public"."spoken_direction"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "copy_handout_id_index" ON "copy" USING btree ("handout_id");--> statement-breakpoint
CREATE INDEX "handout_class_id_index" ON "handout" USING btree ("class_id");--> statement-breakpoint
INSERT INTO "copy_member" ("copy_id", "handout_id", "student_id") SELECT "id", "handout_id", "student_id" FROM "copy";--> statement-breakpoint
-- Whether an earlier one went to the whole class is not known: nobody gets it unasked.
UPDATE "handout" SET "whole_class" = false;--> statement-breakpoint
ALTER TABLE "copy" DROP COLUMN "student_id";--> statement-breakpoint
ALTER TABLE "handout" ADD CONSTRAINT "handout_teacher_id_request_class_id_unique" UNIQUE("teacher_id","request","class_id");