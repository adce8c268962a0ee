ALTER TABLE "copy" ADD COLUMN "hands_back_marks" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "without_marks" jsonb DEFAULT '[]'::jsonb NOT NULL;