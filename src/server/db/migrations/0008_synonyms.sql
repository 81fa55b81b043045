CREATE TABLE `synonyms` (
	`id` text PRIMARY KEY NOT NULL,
	`bank` text NOT NULL,
	`topic` text,
	`words` text NOT NULL,
	FOREIGN KEY (`bank`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `synonyms_bank` ON `synonyms` (`bank`);