CREATE TABLE `sitting_provisions` (
	`sitting` text NOT NULL,
	`member` text NOT NULL,
	`extra_time_percent` integer NOT NULL,
	`extra_minutes` integer NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`sitting`, `member`),
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `provisions` ADD `extra_minutes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `provisions` ADD `large_print` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `provisions` ADD `read_aloud` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `provisions` ADD `until_at` integer;