CREATE TABLE `hints_taken` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`hint` integer NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `hint`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
