CREATE TABLE `guest_sessions` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`participant` text NOT NULL,
	`expires_at` integer NOT NULL,
	FOREIGN KEY (`participant`) REFERENCES `participants`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `sittings` ADD `only` text;--> statement-breakpoint
ALTER TABLE `sittings` ADD `code` text;