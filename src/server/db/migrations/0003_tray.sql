DROP INDEX `questions_bank`;--> statement-breakpoint
DROP INDEX `questions_bank_title`;--> statement-breakpoint
DROP INDEX `questions_saved`;--> statement-breakpoint
CREATE INDEX `questions_newest` ON `questions` (`saved_at`,`bank`,`deleted_at`,`archived_at`,`id`,`topic`,`difficulty`,`demand`,`kinds`,`review`,`ready`,`author`);--> statement-breakpoint
CREATE INDEX `questions_by_title` ON `questions` (`title`,`bank`,`deleted_at`,`archived_at`,`id`,`topic`,`difficulty`,`demand`,`kinds`,`review`,`ready`,`author`);--> statement-breakpoint
CREATE INDEX `questions_shelf` ON `questions` (`bank`,`topic`,`deleted_at`,`archived_at`);--> statement-breakpoint
ALTER TABLE `media` ADD `description` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `media` ADD `licence` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `media` ADD `source` text DEFAULT '' NOT NULL;