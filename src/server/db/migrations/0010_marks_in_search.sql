DROP INDEX `questions_newest`;--> statement-breakpoint
DROP INDEX `questions_by_title`;--> statement-breakpoint
DROP INDEX `questions_by_row`;--> statement-breakpoint
CREATE INDEX `questions_newest` ON `questions` (`saved_at`,`bank`,`deleted_at`,`archived_at`,`id`,`topic`,`difficulty`,`demand`,`kinds`,`review`,`ready`,`author`,`marks`);--> statement-breakpoint
CREATE INDEX `questions_by_title` ON `questions` (`title`,`bank`,`deleted_at`,`archived_at`,`id`,`topic`,`difficulty`,`demand`,`kinds`,`review`,`ready`,`author`,`marks`);--> statement-breakpoint
CREATE INDEX `questions_by_row` ON `questions` (`row`,`bank`,`deleted_at`,`archived_at`,`id`,`topic`,`difficulty`,`demand`,`kinds`,`review`,`ready`,`author`,`marks`);