CREATE TABLE "class" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"code" text NOT NULL,
	"teacher_id" uuid NOT NULL,
	CONSTRAINT "class_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "copy" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"handout_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"round" integer DEFAULT 1 NOT NULL,
	"marking_began" boolean DEFAULT false NOT NULL,
	"work_seq" integer DEFAULT 0 NOT NULL,
	"help_seq" integer DEFAULT 0 NOT NULL,
	"feedback_seq" integer DEFAULT 0 NOT NULL,
	"handed_in_at" timestamp with time zone,
	CONSTRAINT "copy_handout_id_student_id_unique" UNIQUE("handout_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "enrolment" (
	"class_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"left_at" timestamp with time zone,
	CONSTRAINT "enrolment_class_id_student_id_pk" PRIMARY KEY("class_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "event" (
	"copy_id" uuid NOT NULL,
	"layer" text NOT NULL,
	"seq" integer NOT NULL,
	"id" uuid NOT NULL,
	"author_id" uuid NOT NULL,
	"round" integer NOT NULL,
	"kept_at" timestamp with time zone NOT NULL,
	"body" jsonb NOT NULL,
	"ink" "bytea" NOT NULL,
	CONSTRAINT "event_copy_id_layer_seq_pk" PRIMARY KEY("copy_id","layer","seq"),
	CONSTRAINT "event_id_unique" UNIQUE("id")
);
--> statement-breakpoint
CREATE TABLE "file_chunk" (
	"body" uuid NOT NULL,
	"number" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "file_chunk_body_number_pk" PRIMARY KEY("body","number")
);
--> statement-breakpoint
CREATE TABLE "file" (
	"sha256" text PRIMARY KEY NOT NULL,
	"body" uuid NOT NULL,
	"size" integer NOT NULL,
	"type" text NOT NULL,
	CONSTRAINT "file_body_unique" UNIQUE("body")
);
--> statement-breakpoint
CREATE TABLE "handout" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"request" uuid NOT NULL,
	"version_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"teacher_id" uuid NOT NULL,
	"title" text NOT NULL,
	"instructions" text NOT NULL,
	"due_at" timestamp with time zone,
	"handed_out_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "handout_teacher_id_request_unique" UNIQUE("teacher_id","request")
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"role" text NOT NULL,
	"name" text NOT NULL,
	"sign_in_name" text,
	"secret_hash" text NOT NULL,
	CONSTRAINT "person_sign_in_name_unique" UNIQUE("sign_in_name")
);
--> statement-breakpoint
CREATE TABLE "recording" (
	"id" uuid PRIMARY KEY NOT NULL,
	"copy_id" uuid NOT NULL,
	"author_id" uuid NOT NULL,
	"file" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "worksheet_page" (
	"id" uuid NOT NULL,
	"version_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"width" double precision NOT NULL,
	"height" double precision NOT NULL,
	"paper" jsonb NOT NULL,
	"file" text,
	CONSTRAINT "worksheet_page_version_id_id_pk" PRIMARY KEY("version_id","id")
);
--> statement-breakpoint
CREATE TABLE "worksheet_version" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"worksheet_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"frozen_at" timestamp with time zone,
	CONSTRAINT "worksheet_version_worksheet_id_number_unique" UNIQUE("worksheet_id","number")
);
--> statement-breakpoint
CREATE TABLE "worksheet" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"teacher_id" uuid NOT NULL,
	"title" text NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "class" ADD CONSTRAINT "class_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "copy" ADD CONSTRAINT "copy_handout_id_handout_id_fk" FOREIGN KEY ("handout_id") REFERENCES "public"."handout"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "copy" ADD CONSTRAINT "copy_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "enrolment" ADD CONSTRAINT "enrolment_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "enrolment" ADD CONSTRAINT "enrolment_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_author_id_person_id_fk" FOREIGN KEY ("author_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handout" ADD CONSTRAINT "handout_version_id_worksheet_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."worksheet_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handout" ADD CONSTRAINT "handout_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handout" ADD CONSTRAINT "handout_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recording" ADD CONSTRAINT "recording_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recording" ADD CONSTRAINT "recording_author_id_person_id_fk" FOREIGN KEY ("author_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recording" ADD CONSTRAINT "recording_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worksheet_page" ADD CONSTRAINT "worksheet_page_version_id_worksheet_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."worksheet_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worksheet_page" ADD CONSTRAINT "worksheet_page_file_file_sha256_fk" FOREIGN KEY ("file") REFERENCES "public"."file"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worksheet_version" ADD CONSTRAINT "worksheet_version_worksheet_id_worksheet_id_fk" FOREIGN KEY ("worksheet_id") REFERENCES "public"."worksheet"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worksheet" ADD CONSTRAINT "worksheet_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "copy_student_id_index" ON "copy" USING btree ("student_id");--> statement-breakpoint
CREATE INDEX "enrolment_student_id_index" ON "enrolment" USING btree ("student_id");--> statement-breakpoint
CREATE INDEX "handout_version_id_index" ON "handout" USING btree ("version_id");--> statement-breakpoint
CREATE INDEX "worksheet_page_file_index" ON "worksheet_page" USING btree ("file");