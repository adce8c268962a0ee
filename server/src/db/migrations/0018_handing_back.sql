ALTER TABLE "copy" ADD COLUMN "hands_back_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "copy" ADD COLUMN "hands_back_for" jsonb;--> statement-breakpoint
CREATE INDEX "copy_hands_back_at_index" ON "copy" USING btree ("hands_back_at") WHERE hands_back_at IS NOT NULL;