-- What students are told is a direction, as everywhere else.
ALTER TABLE "handout" RENAME COLUMN "instructions" TO "directions";
