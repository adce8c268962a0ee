CREATE TABLE "remark" (
	"id" uuid PRIMARY KEY NOT NULL,
	"teacher_id" uuid NOT NULL,
	"name" text NOT NULL,
	"unit" text NOT NULL,
	"items" jsonb NOT NULL,
	"carries" integer DEFAULT 0 NOT NULL,
	"uses" integer DEFAULT 0 NOT NULL,
	"uses_at" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"gone_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "remark" ADD CONSTRAINT "remark_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "remark_teacher_id_index" ON "remark" USING btree ("teacher_id");