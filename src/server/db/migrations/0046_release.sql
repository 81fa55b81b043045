CREATE TABLE `certificates` (
	`number` text PRIMARY KEY NOT NULL,
	`attempt` text NOT NULL,
	`member` text NOT NULL,
	`issued_at` integer NOT NULL,
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `certificates_attempt` ON `certificates` (`attempt`,`member`);--> statement-breakpoint
CREATE TABLE `mark_questions` (
	`id` text PRIMARY KEY NOT NULL,
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`words` text NOT NULL,
	`asked_by` text NOT NULL,
	`asked_at` integer NOT NULL,
	`answer` text,
	`answered_by` text,
	`answered_at` integer,
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`asked_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`answered_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `mark_questions_attempt` ON `mark_questions` (`attempt`,`item`);--> statement-breakpoint
CREATE TABLE `result_reads` (
	`attempt` text NOT NULL,
	`reader` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `reader`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `sittings` ADD `released_to` text;--> statement-breakpoint
ALTER TABLE `sittings` ADD `release_plan` text;--> statement-breakpoint
ALTER TABLE `sittings` ADD `certificate` text;