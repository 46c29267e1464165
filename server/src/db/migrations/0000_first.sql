CREATE TABLE "design" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"family_id" uuid NOT NULL,
	"name" text NOT NULL,
	"variant" text NOT NULL,
	"place_label" text NOT NULL,
	"document" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "design_history" (
	"design_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb NOT NULL,
	"saved_at" timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
	CONSTRAINT "design_history_design_id_version_pk" PRIMARY KEY("design_id","version")
);
--> statement-breakpoint
CREATE TABLE "part" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"part" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"design_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"battery_v" double precision,
	"battery_a" double precision,
	"state_of_charge" double precision,
	"array_w" double precision,
	"load_w" double precision,
	"generator_on" boolean DEFAULT false NOT NULL,
	"note" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "seed_mark" (
	"key" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT clock_timestamp() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "design_history" ADD CONSTRAINT "design_history_design_id_design_id_fk" FOREIGN KEY ("design_id") REFERENCES "public"."design"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_design_id_design_id_fk" FOREIGN KEY ("design_id") REFERENCES "public"."design"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "design_family" ON "design" USING btree ("family_id");--> statement-breakpoint
CREATE INDEX "design_deleted" ON "design" USING btree ("deleted_at");--> statement-breakpoint
CREATE INDEX "reading_design_at" ON "reading" USING btree ("design_id","at");