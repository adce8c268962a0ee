CREATE TABLE "rubric" (
	"id" uuid PRIMARY KEY NOT NULL,
	"teacher_id" uuid NOT NULL,
	"rubric" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "rubric" jsonb;--> statement-breakpoint
ALTER TABLE "rubric" ADD CONSTRAINT "rubric_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "rubric_teacher_id_index" ON "rubric" USING btree ("teacher_id");