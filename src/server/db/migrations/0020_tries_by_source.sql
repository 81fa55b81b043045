CREATE TABLE `member_tries` (
	`member` text NOT NULL,
	`source` text NOT NULL,
	`wrong` integer NOT NULL,
	`last_at` integer NOT NULL,
	PRIMARY KEY(`member`, `source`),
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
DROP TABLE `sign_in_tries`;--> statement-breakpoint
ALTER TABLE `members` ADD `let_in_until` integer;