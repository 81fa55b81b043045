CREATE TABLE `estimates` (
	`panel` text NOT NULL,
	`judge` text NOT NULL,
	`round` integer NOT NULL,
	`estimate` text NOT NULL,
	`version` integer NOT NULL,
	`saved_at` integer NOT NULL,
	`done_at` integer,
	PRIMARY KEY(`panel`, `judge`, `round`),
	FOREIGN KEY (`panel`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`judge`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `panel_judges` (
	`panel` text NOT NULL,
	`judge` text NOT NULL,
	PRIMARY KEY(`panel`, `judge`),
	FOREIGN KEY (`panel`) REFERENCES `panels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`judge`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `panel_judges_judge` ON `panel_judges` (`judge`);--> statement-breakpoint
CREATE TABLE `panels` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`method` text NOT NULL,
	`round` integer DEFAULT 1 NOT NULL,
	`figures` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `panels_sitting` ON `panels` (`sitting`);--> statement-breakpoint
CREATE TABLE `pass_mark_changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`sitting` text NOT NULL,
	`before` text NOT NULL,
	`after` text NOT NULL,
	`basis` text NOT NULL,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `pass_mark_changes_sitting` ON `pass_mark_changes` (`sitting`);