CREATE TABLE "person_habits" (
	"person_id" uuid PRIMARY KEY NOT NULL,
	"habits" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "person_habits" ADD CONSTRAINT "person_habits_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "event_sheet" ON "event" USING btree ("copy_id") WHERE layer = 'work' AND body->>'act' = 'sheet';