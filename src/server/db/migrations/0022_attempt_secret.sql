ALTER TABLE `attempts` ADD `secret` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `attempts` SET `secret` = lower(hex(randomblob(16)));
