CREATE TABLE "worked_event" (
	"worksheet_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"id" uuid NOT NULL,
	"teacher_id" uuid NOT NULL,
	"event" jsonb NOT NULL,
	"kept_at" timestamp with time zone NOT NULL,
	CONSTRAINT "worked_event_worksheet_id_seq_pk" PRIMARY KEY("worksheet_id","seq"),
	CONSTRAINT "worked_event_worksheet_id_id_unique" UNIQUE("worksheet_id","id")
);
--> statement-breakpoint
ALTER TABLE "worked_event" ADD CONSTRAINT "worked_event_worksheet_id_worksheet_id_fk" FOREIGN KEY ("worksheet_id") REFERENCES "public"."worksheet"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "worked_event" ADD CONSTRAINT "worked_event_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;