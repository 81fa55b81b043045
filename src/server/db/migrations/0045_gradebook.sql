CREATE TABLE `book_entries` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`course` text NOT NULL,
	`column_id` text NOT NULL,
	`member` text NOT NULL,
	`entry` text,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `book_entries_cell` ON `book_entries` (`course`,`column_id`,`member`);--> statement-breakpoint
CREATE TABLE `gradebooks` (
	`course` text PRIMARY KEY NOT NULL,
	`book` text NOT NULL,
	`version` integer NOT NULL,
	`signed_at` integer,
	`signed_by` text,
	`signed` text,
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`signed_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
