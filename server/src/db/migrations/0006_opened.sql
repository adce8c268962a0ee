ALTER TABLE "copy_member" ADD COLUMN "opened_at" timestamp with time zone;--> statement-breakpoint
-- What is under way was opened by whoever has a place in it, as far as anybody can tell.
UPDATE "copy_member" m SET "opened_at" = now() FROM "copy" c WHERE c."id" = m."copy_id" AND c."state" <> 'waiting';
