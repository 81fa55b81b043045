CREATE TABLE `bulk_acts` (
	`id` text PRIMARY KEY NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	`before` text NOT NULL,
	`undone_at` integer,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `goals` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`words` text NOT NULL,
	`position` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `goals_code_unique` ON `goals` (`code`);--> statement-breakpoint
CREATE TABLE `kept_searches` (
	`id` text PRIMARY KEY NOT NULL,
	`member` text NOT NULL,
	`name` text NOT NULL,
	`search` text NOT NULL,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `kept_searches_member` ON `kept_searches` (`member`);--> statement-breakpoint
CREATE TABLE `question_goals` (
	`question` text NOT NULL,
	`goal` text NOT NULL,
	PRIMARY KEY(`question`, `goal`),
	FOREIGN KEY (`question`) REFERENCES `questions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`goal`) REFERENCES `goals`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `question_goals_goal` ON `question_goals` (`goal`);--> statement-breakpoint
CREATE TABLE `question_tags` (
	`question` text NOT NULL,
	`tag` text NOT NULL,
	PRIMARY KEY(`question`, `tag`),
	FOREIGN KEY (`question`) REFERENCES `questions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `question_tags_tag` ON `question_tags` (`tag`);--> statement-breakpoint
CREATE TABLE `reviews` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`question` text NOT NULL,
	`revision` integer NOT NULL,
	`act` text NOT NULL,
	`slot` text,
	`remark` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`question`) REFERENCES `questions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `reviews_question` ON `reviews` (`question`,`id`);--> statement-breakpoint
ALTER TABLE `banks` ADD `review_required` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `questions` ADD `review` text DEFAULT 'draft' NOT NULL;--> statement-breakpoint
ALTER TABLE `questions` ADD `archived_at` integer;--> statement-breakpoint
ALTER TABLE `questions` ADD `deleted_at` integer;--> statement-breakpoint
CREATE INDEX `questions_bank_title` ON `questions` (`bank`,`title`);--> statement-breakpoint
CREATE INDEX `questions_saved` ON `questions` (`saved_at`);--> statement-breakpoint
CREATE VIRTUAL TABLE question_words USING fts5vocab(question_search, 'row');
