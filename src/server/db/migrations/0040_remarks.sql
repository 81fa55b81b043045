CREATE TABLE `kept_remarks` (
	`id` text PRIMARY KEY NOT NULL,
	`question` text NOT NULL,
	`words` text NOT NULL,
	`marks` text,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `kept_remarks_question` ON `kept_remarks` (`question`);--> statement-breakpoint
CREATE TABLE `remarks` (
	`id` text PRIMARY KEY NOT NULL,
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`kept` text,
	`words` text NOT NULL,
	`anchor` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`kept`) REFERENCES `kept_remarks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `remarks_attempt` ON `remarks` (`attempt`,`item`,`slot`);--> statement-breakpoint
CREATE TABLE `unsure` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`by` text NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`, `by`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `remarks` (`id`, `attempt`, `item`, `slot`, `kept`, `words`, `anchor`, `by`, `at`)
SELECT lower(hex(randomblob(16))), `attempt`, `item`, `slot`, NULL, `remark`, '{"at":"whole"}', `by`, `at` FROM `marks`
WHERE `by` IS NOT NULL AND `remark` <> '' AND `id` IN (
  SELECT max(`id`) FROM `marks`
  WHERE `mending` IS NULL OR `mending` IN (SELECT `id` FROM `mendings` WHERE `state` = 'applied')
  GROUP BY `attempt`, `item`, `slot`
);--> statement-breakpoint
ALTER TABLE `marks` DROP COLUMN `remark`;