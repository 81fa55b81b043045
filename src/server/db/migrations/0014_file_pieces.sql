ALTER TABLE `attempt_files` ADD `received` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `attempt_files` SET `received` = `size`;
