ALTER TABLE "part" ADD COLUMN "own" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "part" ADD COLUMN "format" integer DEFAULT 6 NOT NULL;