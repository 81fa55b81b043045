CREATE TABLE `bank_members` (
	`bank` text NOT NULL,
	`member` text NOT NULL,
	PRIMARY KEY(`bank`, `member`),
	FOREIGN KEY (`bank`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `banks` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`share` text NOT NULL,
	`owner` text NOT NULL,
	FOREIGN KEY (`owner`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `media` (
	`hash` text PRIMARY KEY NOT NULL,
	`mime` text NOT NULL,
	`size` integer NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`added_by` text NOT NULL,
	`added_at` integer NOT NULL,
	FOREIGN KEY (`added_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `questions` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`bank` text NOT NULL,
	`topic` text,
	`difficulty` integer NOT NULL,
	`demand` text NOT NULL,
	`title` text NOT NULL,
	`kinds` text NOT NULL,
	`marks` text NOT NULL,
	`ready` integer NOT NULL,
	`draft` text NOT NULL,
	`draft_version` integer NOT NULL,
	`revision` integer NOT NULL,
	`changed` integer NOT NULL,
	`author` text NOT NULL,
	`saved_by` text NOT NULL,
	`saved_at` integer NOT NULL,
	FOREIGN KEY (`bank`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`topic`) REFERENCES `topics`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`author`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`saved_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `questions_id_unique` ON `questions` (`id`);--> statement-breakpoint
CREATE INDEX `questions_bank` ON `questions` (`bank`,`saved_at`);--> statement-breakpoint
CREATE INDEX `questions_topic` ON `questions` (`topic`);--> statement-breakpoint
CREATE TABLE `revisions` (
	`question` text NOT NULL,
	`number` integer NOT NULL,
	`body` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`question`, `number`),
	FOREIGN KEY (`question`) REFERENCES `questions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `topics` (
	`id` text PRIMARY KEY NOT NULL,
	`bank` text NOT NULL,
	`parent` text,
	`name` text NOT NULL,
	`position` integer NOT NULL,
	FOREIGN KEY (`bank`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `answers` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`attempt` text NOT NULL,
	`device` text NOT NULL,
	`seq` integer NOT NULL,
	`item` text NOT NULL,
	`slot` text,
	`value` text NOT NULL,
	`written_at` integer NOT NULL,
	`received_at` integer NOT NULL,
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `answers_once` ON `answers` (`attempt`,`device`,`seq`);--> statement-breakpoint
CREATE INDEX `answers_attempt` ON `answers` (`attempt`,`written_at`);--> statement-breakpoint
CREATE TABLE `attempts` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`member` text NOT NULL,
	`script` integer NOT NULL,
	`seed` integer NOT NULL,
	`started_at` integer NOT NULL,
	`minutes` integer NOT NULL,
	`handed_in_at` integer,
	`handed_in_by` text,
	`seen_at` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `attempts_sitting` ON `attempts` (`sitting`,`member`);--> statement-breakpoint
CREATE INDEX `attempts_member` ON `attempts` (`member`);--> statement-breakpoint
CREATE INDEX `attempts_open` ON `attempts` (`handed_in_at`);--> statement-breakpoint
CREATE TABLE `exams` (
	`id` text PRIMARY KEY NOT NULL,
	`course` text,
	`title` text NOT NULL,
	`plan` text NOT NULL,
	`version` integer NOT NULL,
	`owner` text NOT NULL,
	`saved_at` integer NOT NULL,
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `extensions` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting` text NOT NULL,
	`member` text NOT NULL,
	`minutes` integer NOT NULL,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `extensions_sitting` ON `extensions` (`sitting`,`member`);--> statement-breakpoint
CREATE TABLE `heartbeat` (
	`id` integer PRIMARY KEY NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `marks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`marks` text,
	`by` text,
	`trace` text NOT NULL,
	`feedback` text NOT NULL,
	`remark` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `marks_attempt` ON `marks` (`attempt`,`item`,`slot`);--> statement-breakpoint
CREATE TABLE `outages` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`from_at` integer NOT NULL,
	`to_at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `sittings` (
	`id` text PRIMARY KEY NOT NULL,
	`exam` text,
	`course` text NOT NULL,
	`title` text NOT NULL,
	`plan` text NOT NULL,
	`opens_at` integer NOT NULL,
	`closes_at` integer NOT NULL,
	`ended_at` integer,
	`minutes` integer NOT NULL,
	`boundaries` text NOT NULL,
	`boundaries_version` integer NOT NULL,
	`released_at` integer,
	`shows` text,
	`created_by` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`exam`) REFERENCES `exams`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`created_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sittings_course` ON `sittings` (`course`);--> statement-breakpoint
CREATE INDEX `sittings_window` ON `sittings` (`closes_at`);--> statement-breakpoint
CREATE TABLE `courses` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`title` text NOT NULL,
	`term` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `courses_code_unique` ON `courses` (`code`);--> statement-breakpoint
CREATE TABLE `departments` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`institute` text NOT NULL,
	`policy` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `enrolments` (
	`course` text NOT NULL,
	`member` text NOT NULL,
	PRIMARY KEY(`course`, `member`),
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `enrolments_member` ON `enrolments` (`member`);--> statement-breakpoint
CREATE TABLE `members` (
	`id` text PRIMARY KEY NOT NULL,
	`user_name` text NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`password_hash` text NOT NULL,
	`created_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `members_user_name_unique` ON `members` (`user_name`);--> statement-breakpoint
CREATE TABLE `provisions` (
	`member` text PRIMARY KEY NOT NULL,
	`extra_time_percent` integer NOT NULL,
	`reason` text NOT NULL,
	`decided_by` text NOT NULL,
	`decided_at` integer NOT NULL,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`decided_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`member` text NOT NULL,
	`expires_at` integer NOT NULL,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sessions_member` ON `sessions` (`member`);--> statement-breakpoint
CREATE TABLE `sign_in_tries` (
	`user_name` text PRIMARY KEY NOT NULL,
	`wrong` integer NOT NULL,
	`last_at` integer NOT NULL
);
