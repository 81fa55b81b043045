CREATE TABLE `outside_books` (
	`course` text PRIMARY KEY NOT NULL,
	`platform` text NOT NULL,
	`line_items` text NOT NULL,
	`columns` text NOT NULL,
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`platform`) REFERENCES `platforms`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `outside_lines` (
	`course` text NOT NULL,
	`column_id` text NOT NULL,
	`address` text,
	`label` text NOT NULL,
	`of_marks` text NOT NULL,
	`current` integer NOT NULL,
	PRIMARY KEY(`course`, `column_id`),
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `outside_scores` (
	`course` text NOT NULL,
	`column_id` text NOT NULL,
	`member` text NOT NULL,
	`score` text NOT NULL,
	`told` text,
	`state` text NOT NULL,
	`tries` integer DEFAULT 0 NOT NULL,
	`at` integer NOT NULL,
	`trouble` text,
	PRIMARY KEY(`course`, `column_id`, `member`),
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `outside_scores_state` ON `outside_scores` (`state`,`at`);--> statement-breakpoint
CREATE TABLE `platform_people` (
	`platform` text NOT NULL,
	`member` text NOT NULL,
	`outside_id` text NOT NULL,
	PRIMARY KEY(`platform`, `member`),
	FOREIGN KEY (`platform`) REFERENCES `platforms`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `platform_people_outside` ON `platform_people` (`platform`,`outside_id`);--> statement-breakpoint
CREATE TABLE `platforms` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`token_address` text NOT NULL,
	`client_id` text NOT NULL,
	`audience` text,
	`under_address` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `platforms_name_unique` ON `platforms` (`name`);--> statement-breakpoint
CREATE TABLE `signing_keys` (
	`id` text PRIMARY KEY NOT NULL,
	`key` text NOT NULL,
	`created_at` integer NOT NULL
);
