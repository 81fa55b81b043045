CREATE TABLE `checks` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`tries` integer NOT NULL,
	`key_at` integer,
	`answers` text NOT NULL,
	`told` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
