CREATE TABLE `question_times` (
	`attempt` text NOT NULL,
	`question` text NOT NULL,
	`seconds` integer NOT NULL,
	PRIMARY KEY(`attempt`, `question`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `question_times_question` ON `question_times` (`question`);--> statement-breakpoint
CREATE TABLE `sitting_staff` (
	`sitting` text NOT NULL,
	`member` text NOT NULL,
	PRIMARY KEY(`sitting`, `member`),
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sitting_staff_member` ON `sitting_staff` (`member`);--> statement-breakpoint
ALTER TABLE `attempts` ADD `break_minutes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `participants` ADD `said` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `sittings` ADD `after` text;--> statement-breakpoint
ALTER TABLE `sittings` ADD `guest_fields` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `courses` ADD `own_groups` integer;--> statement-breakpoint
ALTER TABLE `provisions` ADD `break_minutes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `provisions` ADD `glosses` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `provisions` ADD `second_language` integer DEFAULT false NOT NULL;