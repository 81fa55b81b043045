ALTER TABLE `attempts` ADD `marked_at` integer;--> statement-breakpoint
CREATE INDEX `attempts_unmarked` ON `attempts` (`marked_at`);--> statement-breakpoint
UPDATE `attempts` SET `marked_at` = `handed_in_at`;
