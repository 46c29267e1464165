CREATE TABLE "job" (
	"name" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "design" ADD COLUMN "bin_days" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
-- documents are packed faster where the server knows how; else as before
DO $$ BEGIN
	ALTER TABLE "design" ALTER COLUMN "document" SET COMPRESSION lz4;
	ALTER TABLE "design_history" ALTER COLUMN "document" SET COMPRESSION lz4;
EXCEPTION WHEN OTHERS THEN NULL;
END $$;
