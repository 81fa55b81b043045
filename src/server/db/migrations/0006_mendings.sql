CREATE TABLE `mendings` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`item` text NOT NULL,
	`changes` text NOT NULL,
	`reason` text NOT NULL,
	`state` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	`applied_at` integer,
	`taken_back_at` integer,
	`marks_changed` integer DEFAULT 0 NOT NULL,
	`scripts` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `mendings_sitting` ON `mendings` (`sitting`,`state`);--> statement-breakpoint
ALTER TABLE `marks` ADD `mending` text REFERENCES mendings(id);--> statement-breakpoint
CREATE INDEX `marks_mending` ON `marks` (`mending`);