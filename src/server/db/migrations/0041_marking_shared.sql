CREATE TABLE `given_out` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`to` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`to`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `second_marks` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`by` text NOT NULL,
	`marks` text NOT NULL,
	`reason` text NOT NULL,
	`first` text NOT NULL,
	`first_by` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`first_by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `sittings` ADD `marking` text;