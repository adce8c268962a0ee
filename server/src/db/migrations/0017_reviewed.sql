ALTER TABLE "copy" ADD COLUMN "reviewed" boolean;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "names_hidden" boolean DEFAULT false NOT NULL;