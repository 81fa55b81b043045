CREATE TABLE `stages` (
	`attempt` text NOT NULL,
	`stage` text NOT NULL,
	`started_at` integer NOT NULL,
	`left_at` integer,
	PRIMARY KEY(`attempt`, `stage`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `attempts` ADD `extra_time_percent` integer DEFAULT 0 NOT NULL;