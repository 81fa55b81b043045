ALTER TABLE `exams` ADD `locked_at` integer;--> statement-breakpoint
ALTER TABLE `exams` ADD `archived_at` integer;