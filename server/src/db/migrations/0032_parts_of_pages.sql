ALTER TABLE "copy" ADD COLUMN "parts" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "copy_member" ADD COLUMN "read_seq" integer;