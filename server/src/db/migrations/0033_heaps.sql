CREATE TABLE "question_heaps" (
	"handout_id" uuid NOT NULL,
	"question_id" uuid NOT NULL,
	"heaps" jsonb NOT NULL,
	CONSTRAINT "question_heaps_handout_id_question_id_pk" PRIMARY KEY("handout_id","question_id")
);
--> statement-breakpoint
ALTER TABLE "question_heaps" ADD CONSTRAINT "question_heaps_handout_id_handout_id_fk" FOREIGN KEY ("handout_id") REFERENCES "public"."handout"("id") ON DELETE cascade ON UPDATE no action;