CREATE TABLE `rubrics` (
	`id` text PRIMARY KEY NOT NULL,
	`bank` text NOT NULL,
	`title` text NOT NULL,
	`body` text NOT NULL,
	`version` integer NOT NULL,
	`saved_by` text NOT NULL,
	`saved_at` integer NOT NULL,
	FOREIGN KEY (`bank`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`saved_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `rubrics_bank` ON `rubrics` (`bank`);--> statement-breakpoint
ALTER TABLE `marks` ADD `judgement` text;