ALTER TABLE `attempts` ADD `without` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `enrolments` ADD `subjects` text DEFAULT '[]' NOT NULL;