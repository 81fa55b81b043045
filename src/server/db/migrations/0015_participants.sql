CREATE TABLE `participants` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`member` text,
	`group_id` text,
	`sitting` text,
	`name` text NOT NULL,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `participants_sitting` ON `participants` (`sitting`);--> statement-breakpoint
CREATE TABLE `group_members` (
	`group_id` text NOT NULL,
	`member` text NOT NULL,
	PRIMARY KEY(`group_id`, `member`),
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `group_members_member` ON `group_members` (`member`);--> statement-breakpoint
CREATE TABLE `groups` (
	`id` text PRIMARY KEY NOT NULL,
	`course` text NOT NULL,
	`name` text NOT NULL,
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `groups_course` ON `groups` (`course`);--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
INSERT INTO `participants` (`id`, `kind`, `member`, `name`)
SELECT `member`, 'member', `member`, '' FROM `attempts` UNION SELECT `member`, 'member', `member`, '' FROM `extensions`;--> statement-breakpoint
CREATE TABLE `__new_attempts` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`participant` text NOT NULL,
	`script` integer NOT NULL,
	`seed` integer NOT NULL,
	`started_at` integer NOT NULL,
	`minutes` integer NOT NULL,
	`handed_in_at` integer,
	`handed_in_by` text,
	`seen_at` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`participant`) REFERENCES `participants`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_attempts`("id", "sitting", "participant", "script", "seed", "started_at", "minutes", "handed_in_at", "handed_in_by", "seen_at") SELECT "id", "sitting", "member", "script", "seed", "started_at", "minutes", "handed_in_at", "handed_in_by", "seen_at" FROM `attempts`;--> statement-breakpoint
DROP TABLE `attempts`;--> statement-breakpoint
ALTER TABLE `__new_attempts` RENAME TO `attempts`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `attempts_sitting` ON `attempts` (`sitting`,`participant`);--> statement-breakpoint
CREATE INDEX `attempts_participant` ON `attempts` (`participant`);--> statement-breakpoint
CREATE INDEX `attempts_open` ON `attempts` (`handed_in_at`);--> statement-breakpoint
CREATE TABLE `__new_extensions` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`participant` text NOT NULL,
	`minutes` integer NOT NULL,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`participant`) REFERENCES `participants`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_extensions`("id", "sitting", "participant", "minutes", "reason", "by", "at") SELECT "id", "sitting", "member", "minutes", "reason", "by", "at" FROM `extensions`;--> statement-breakpoint
DROP TABLE `extensions`;--> statement-breakpoint
ALTER TABLE `__new_extensions` RENAME TO `extensions`;--> statement-breakpoint
CREATE INDEX `extensions_sitting` ON `extensions` (`sitting`,`participant`);--> statement-breakpoint
ALTER TABLE `sittings` ADD `who` text DEFAULT 'students' NOT NULL;