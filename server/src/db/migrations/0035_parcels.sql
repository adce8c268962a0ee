CREATE TABLE "parcel_piece" (
	"parcel_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "parcel_piece_parcel_id_number_pk" PRIMARY KEY("parcel_id","number")
);
--> statement-breakpoint
CREATE TABLE "parcel" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"person_id" uuid NOT NULL,
	"wish" jsonb NOT NULL,
	"title" text NOT NULL,
	"file" text NOT NULL,
	"state" text DEFAULT 'packing' NOT NULL,
	"done" integer DEFAULT 0 NOT NULL,
	"all" integer DEFAULT 0 NOT NULL,
	"bytes" bigint DEFAULT 0 NOT NULL,
	"problem" text,
	"wished_at" timestamp with time zone DEFAULT now() NOT NULL,
	"beat" timestamp with time zone,
	"until" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "parcel_piece" ADD CONSTRAINT "parcel_piece_parcel_id_parcel_id_fk" FOREIGN KEY ("parcel_id") REFERENCES "public"."parcel"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parcel" ADD CONSTRAINT "parcel_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "parcel_person_id_index" ON "parcel" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "parcel_state_index" ON "parcel" USING btree ("state");--> statement-breakpoint
-- PDFs and archives are small already.
ALTER TABLE parcel_piece ALTER COLUMN bytes SET STORAGE EXTERNAL;
