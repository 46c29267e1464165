CREATE TABLE "weather_file" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"digest" text NOT NULL,
	"about" jsonb NOT NULL,
	"hours" "bytea" NOT NULL,
	"created_at" timestamp with time zone DEFAULT clock_timestamp() NOT NULL,
	CONSTRAINT "weather_file_digest_unique" UNIQUE("digest")
);
