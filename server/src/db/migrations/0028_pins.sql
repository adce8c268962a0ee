ALTER TABLE "copy" ADD COLUMN "pins_seq" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "pins" boolean DEFAULT true NOT NULL;
--> statement-breakpoint
ALTER TABLE event DROP CONSTRAINT event_layer_known;
--> statement-breakpoint
ALTER TABLE event ADD CONSTRAINT event_layer_known CHECK (layer IN ('work', 'help', 'feedback', 'pins'));
