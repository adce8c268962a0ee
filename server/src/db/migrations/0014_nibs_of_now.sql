-- What nibs are called now (core/src/log/version.ts does the same to the log, which is never rewritten).
-- The pages of frozen versions look as they did: only the word for it changes.
ALTER TABLE worksheet_page DISABLE TRIGGER page_frozen;
--> statement-breakpoint
UPDATE worksheet_page SET printed = replace(replace(printed::text, '"nib": "marker"', '"nib": "felt tip"'), '"nib": "brush"', '"nib": "paintbrush"')::jsonb
  WHERE printed::text LIKE '%"nib": "marker"%' OR printed::text LIKE '%"nib": "brush"%';
--> statement-breakpoint
ALTER TABLE worksheet_page ENABLE TRIGGER page_frozen;
--> statement-breakpoint
UPDATE person_habits SET habits = replace(replace(habits::text, '"nib": "marker"', '"nib": "felt tip"'), '"nib": "brush"', '"nib": "paintbrush"')::jsonb
  WHERE habits::text LIKE '%"nib": %';
