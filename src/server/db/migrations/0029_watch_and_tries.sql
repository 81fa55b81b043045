CREATE TABLE `happenings` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`attempt` text NOT NULL,
	`what` text NOT NULL,
	`by` text,
	`note` text DEFAULT '' NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `happenings_attempt` ON `happenings` (`attempt`,`at`);--> statement-breakpoint
CREATE TABLE `pauses` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`participant` text,
	`from_at` integer NOT NULL,
	`to_at` integer,
	`by` text NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`participant`) REFERENCES `participants`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `pauses_sitting` ON `pauses` (`sitting`);--> statement-breakpoint
ALTER TABLE `attempts` ADD `reopened_at` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `aside_at` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `aside_reason` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `attempts` ADD `aside_by` text REFERENCES members(id);--> statement-breakpoint
ALTER TABLE `sittings` ADD `by_hand` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `sittings` ADD `due_at` integer;--> statement-breakpoint
ALTER TABLE `sittings` ADD `late` text;--> statement-breakpoint
ALTER TABLE `sittings` ADD `tries` text;