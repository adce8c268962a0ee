CREATE TABLE "elsewhere" (
	"id" uuid PRIMARY KEY NOT NULL,
	"class_id" uuid NOT NULL,
	"title" text NOT NULL,
	"unit" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"full" integer NOT NULL,
	"weight" integer DEFAULT 100 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "elsewhere_mark" (
	"elsewhere_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"given" integer NOT NULL,
	CONSTRAINT "elsewhere_mark_elsewhere_id_student_id_pk" PRIMARY KEY("elsewhere_id","student_id")
);
--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "only" jsonb;--> statement-breakpoint
ALTER TABLE "handout" ADD COLUMN "weight" integer DEFAULT 100 NOT NULL;--> statement-breakpoint
ALTER TABLE "elsewhere" ADD CONSTRAINT "elsewhere_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "elsewhere_mark" ADD CONSTRAINT "elsewhere_mark_elsewhere_id_elsewhere_id_fk" FOREIGN KEY ("elsewhere_id") REFERENCES "public"."elsewhere"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "elsewhere_mark" ADD CONSTRAINT "elsewhere_mark_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "elsewhere_class_id_index" ON "elsewhere" USING btree ("class_id");