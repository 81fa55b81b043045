CREATE TABLE `mails` (
	`id` text PRIMARY KEY NOT NULL,
	`member` text NOT NULL,
	`sitting` text,
	`to_address` text NOT NULL,
	`subject` text NOT NULL,
	`text` text NOT NULL,
	`state` text NOT NULL,
	`tries` integer DEFAULT 0 NOT NULL,
	`at` integer NOT NULL,
	`written_by` text NOT NULL,
	`written_at` integer NOT NULL,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`written_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `mails_state` ON `mails` (`state`,`at`);--> statement-breakpoint
CREATE INDEX `mails_written` ON `mails` (`written_at`);--> statement-breakpoint
ALTER TABLE `members` ADD `email` text;