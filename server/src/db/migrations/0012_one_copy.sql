ALTER TABLE "copy" ADD COLUMN "due_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "withdrawn_at" timestamp with time zone;