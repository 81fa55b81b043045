CREATE TABLE `sealed_files` (
	`id` text PRIMARY KEY NOT NULL,
	`holds` text NOT NULL,
	`title` text NOT NULL,
	`opens_at` integer,
	`hash` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `exams` ADD `shared_with` text;--> statement-breakpoint
ALTER TABLE `exams` ADD `origin` text;