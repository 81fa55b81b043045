ALTER TABLE `attempts` ADD `notice` text;--> statement-breakpoint
ALTER TABLE `attempts` ADD `notice_at` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `notice_read_at` integer;