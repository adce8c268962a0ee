CREATE TABLE "hand_up" (
	"copy_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "hand_up_copy_id_student_id_pk" PRIMARY KEY("copy_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "seating_plan" (
	"class_id" uuid NOT NULL,
	"teacher_id" uuid NOT NULL,
	"plan" jsonb NOT NULL,
	CONSTRAINT "seating_plan_class_id_teacher_id_pk" PRIMARY KEY("class_id","teacher_id")
);
--> statement-breakpoint
ALTER TABLE "hand_up" ADD CONSTRAINT "hand_up_copy_id_copy_id_fk" FOREIGN KEY ("copy_id") REFERENCES "public"."copy"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hand_up" ADD CONSTRAINT "hand_up_student_id_person_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seating_plan" ADD CONSTRAINT "seating_plan_class_id_class_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."class"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seating_plan" ADD CONSTRAINT "seating_plan_teacher_id_person_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;