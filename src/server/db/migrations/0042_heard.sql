CREATE TABLE `heard` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`hash` text NOT NULL,
	`understood` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`, `hash`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
