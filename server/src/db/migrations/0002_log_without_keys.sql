ALTER TABLE "event" DROP CONSTRAINT "event_copy_id_copy_id_fk";
--> statement-breakpoint
ALTER TABLE "event" DROP CONSTRAINT "event_author_id_person_id_fk";
