CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`subject` text NOT NULL,
	`owner` text NOT NULL,
	`done` integer DEFAULT 0 NOT NULL,
	`total` integer DEFAULT 0 NOT NULL,
	`beat_at` integer NOT NULL,
	`stop_wanted` integer DEFAULT false NOT NULL,
	`ended_at` integer
);
--> statement-breakpoint
CREATE UNIQUE INDEX `jobs_one_at_a_time` ON `jobs` (`kind`,`subject`) WHERE "jobs"."ended_at" IS NULL;