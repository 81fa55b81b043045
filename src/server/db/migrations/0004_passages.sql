CREATE TABLE `passages` (
	`id` text PRIMARY KEY NOT NULL,
	`bank` text NOT NULL,
	`title` text NOT NULL,
	`content` text NOT NULL,
	`saved_by` text NOT NULL,
	`saved_at` integer NOT NULL,
	FOREIGN KEY (`bank`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`saved_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `passages_bank` ON `passages` (`bank`);--> statement-breakpoint
ALTER TABLE `questions` ADD `passage` text REFERENCES passages(id);--> statement-breakpoint
CREATE INDEX `questions_passage` ON `questions` (`passage`);