CREATE TABLE `probe_marks` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`by` text NOT NULL,
	`marks` text NOT NULL,
	`judgement` text,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`, `by`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
