CREATE TABLE `holds` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`member` text NOT NULL,
	`until_at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
