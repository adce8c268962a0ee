CREATE TABLE "lesson" (
	"handout_id" uuid PRIMARY KEY NOT NULL,
	"said" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "lesson" ADD CONSTRAINT "lesson_handout_id_handout_id_fk" FOREIGN KEY ("handout_id") REFERENCES "public"."handout"("id") ON DELETE cascade ON UPDATE no action;